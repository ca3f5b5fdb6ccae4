// Reads a section of a JSON file, such as a job's "cutting": every mistake with its place.
#pragma once

#include <cmath>
#include <string>
#include <vector>

#include "core/diag/issue.h"
#include "core/diag/node.h"
#include "core/plan/job.h"
#include "store/json_node.h"

namespace drapery {

class SectionReader {
 public:
  /// @param field what the issues are about: "cutting"
  SectionReader(std::string field, const std::string& file, Issues& issues)
      : field_(std::move(field)), file_(file), issues_(issues) {}

 protected:
  void complain(const Node& node, IssueId id, IssueArguments arguments);
  void complainType(const Node& node, const std::string& key, const char* expected);
  bool isTable(const Node& node, const std::string& key);
  void know(const Node& node, const std::string& section, const std::vector<std::string>& known);
  template <typename Act>
  void each(const Node& in, const char* key, Act act) {
    const Node* list = in.find(key);
    if (list == nullptr) return;
    if (list->kind != Node::Kind::List) return complainType(*list, key, "list");
    for (std::size_t i = 0; i < list->items.size(); ++i)
      act(list->items[i], std::string(key) + "[" + std::to_string(i) + "]");
  }
  std::string text(const Node& in, const std::string& at, const char* key, bool isNeeded);
  /// `least` after a complaint.
  double number(const Node& node, const std::string& name, double least, double most, bool isWhole);
  /// A number, or text such as "9 7/8 in" that the planner reads.
  Written written(const Node& node, const std::string& name);
  double whole(const Node& node, const std::string& name, double most) {
    return number(node, name, 0.0, most, true);
  }
  /// The one that is named; the first after a complaint.
  template <typename Of>
  Of oneOf(const Node& node, const std::string& name,
           const std::vector<std::pair<std::string, Of>>& choices) {
    std::string allowed;
    for (const auto& [known, of] : choices) {
      if (node.kind == Node::Kind::Text && node.text == known) return of;
      allowed += (allowed.empty() ? "" : ", ") + known;
    }
    complain(node, "value-not-allowed",
             {{"key", name}, {"value", shortened(described(node))}, {"allowed", allowed}});
    return choices.front().second;
  }

 private:
  std::string field_;
  const std::string& file_;
  Issues& issues_;
};

}  // namespace drapery
