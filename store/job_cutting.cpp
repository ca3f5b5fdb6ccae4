#include "store/job_cutting.h"

#include <algorithm>
#include <cmath>

#include "core/diag/nearest_name.h"
#include "store/json_node.h"

namespace drapery {

namespace {

constexpr double kFarthest = 1e6;  // mm
constexpr double kMost = 1e6;      // of sheets and pieces

class CuttingReader {
 public:
  CuttingReader(const std::string& file, Issues& issues) : file_(file), issues_(issues) {}

  JobCutting read(const Node& node) {
    JobCutting cutting;
    if (!isTable(node, "cutting")) return cutting;
    know(node, "cutting", {"first", "mock_up", "with", "pins", "kept", "done"});
    if (const Node* first = node.find("first")) cutting.first = readFirst(*first);
    cutting.mockUp = text(node, "cutting", "mock_up", false);
    each(node, "with", [&](const Node& item, const std::string& at) {
      if (item.kind == Node::Kind::Text)
        cutting.with.push_back(item.text);
      else
        complainType(item, at, "text");
    });
    cutting.pins = pins(node, "cutting");
    each(node, "kept", [&](const Node& item, const std::string& at) {
      if (!isTable(item, at)) return;
      know(item, at, {"name", "pins"});
      cutting.kept.push_back({text(item, at, "name", true), pins(item, at)});
    });
    each(node, "done", [&](const Node& item, const std::string& at) {
      if (isTable(item, at)) cutting.done.push_back(done(item, at));
    });
    return cutting;
  }

 private:
  void complain(const Node& node, IssueId id, IssueArguments arguments) {
    issues_.push_back({id, std::move(arguments), "cutting", {file_, node.line, node.column}, {}});
  }
  void complainType(const Node& node, const std::string& key, const char* expected) {
    complain(node, "job-type-wrong",
             {{"key", key}, {"value", described(node)}, {"expected", std::string(expected)}});
  }
  bool isTable(const Node& node, const std::string& key) {
    if (node.kind == Node::Kind::Table) return true;
    complainType(node, key, "object");
    return false;
  }
  void know(const Node& node, const std::string& section, const std::vector<std::string>& known) {
    for (const Node::Member& member : node.members)
      if (std::find(known.begin(), known.end(), member.key) == known.end())
        issues_.push_back({"key-unknown",
                           {{"key", shortened(member.key)},
                            {"section", section},
                            {"nearest", nearestName(member.key, known)}},
                           "cutting",
                           {file_, member.line, member.column},
                           {}});
  }
  template <typename Act>
  void each(const Node& in, const char* key, Act act) {
    const Node* list = in.find(key);
    if (list == nullptr) return;
    if (list->kind != Node::Kind::List) return complainType(*list, key, "list");
    for (std::size_t i = 0; i < list->items.size(); ++i)
      act(list->items[i], std::string(key) + "[" + std::to_string(i) + "]");
  }
  std::string text(const Node& in, const std::string& at, const char* key, bool isNeeded) {
    const Node* node = in.find(key);
    if (node == nullptr) {
      if (isNeeded) complain(in, "job-key-missing", {{"key", at + "." + key}});
      return {};
    }
    if (node->kind != Node::Kind::Text) complainType(*node, at + "." + key, "text");
    return node->text;
  }
  double number(const Node& node, const std::string& name, double most, bool isWhole) {
    if (node.kind != Node::Kind::Number) {
      complainType(node, name, "number");
      return 0.0;
    }
    if (!(node.number >= 0 && node.number <= most))
      complain(node, "value-out-of-range",
               {{"name", name},
                {"value", shortened(node.text)},
                {"least", std::string("0")},
                {"most", std::to_string(static_cast<long>(most))}});
    else if (isWhole && node.number != std::floor(node.number))
      complain(node, "count-not-whole", {{"name", name}, {"value", shortened(node.text)}});
    else
      return node.number;
    return 0.0;
  }
  StockFirst readFirst(const Node& node) {
    if (node.kind == Node::Kind::Text && node.text == "off-cuts") return StockFirst::OffCuts;
    if (node.kind == Node::Kind::Text && node.text == "whole-sheets")
      return StockFirst::WholeSheets;
    if (node.kind != Node::Kind::Text || node.text != "least-cost")
      complain(node, "value-not-allowed",
               {{"key", std::string("cutting.first")},
                {"value", described(node)},
                {"allowed", std::string("least-cost, off-cuts, whole-sheets")}});
    return StockFirst::LeastCost;
  }
  std::vector<JobPin> pins(const Node& in, const std::string& section) {
    std::vector<JobPin> all;
    each(in, "pins", [&](const Node& item, const std::string& here) {
      const std::string at = section == "cutting" ? here : section + "." + here;
      if (!isTable(item, at)) return;
      know(item, at, {"piece", "stock", "sheet", "x", "y", "turned"});
      JobPin pin;
      pin.piece = text(item, at, "piece", true);
      pin.stock = text(item, at, "stock", true);
      for (const auto& [key, value] : {std::pair{"x", &pin.x}, std::pair{"y", &pin.y}}) {
        if (const Node* node = item.find(key))
          *value = number(*node, at + "." + key, kFarthest, false);
        else
          complain(item, "job-key-missing", {{"key", at + "." + key}});
      }
      if (const Node* node = item.find("sheet"))
        pin.sheet = static_cast<int>(number(*node, at + ".sheet", kMost, true));
      if (const Node* node = item.find("turned")) {
        if (node->kind != Node::Kind::Boolean) complainType(*node, at + ".turned", "true or false");
        pin.isTurned = node->number != 0;
      }
      all.push_back(std::move(pin));
    });
    return all;
  }
  CutDone done(const Node& item, const std::string& at) {
    know(item, at, {"stock", "pieces"});
    CutDone done;
    done.stock = text(item, at, "stock", true);
    const Node* pieces = item.find("pieces");
    if (pieces == nullptr) {
      complain(item, "job-key-missing", {{"key", at + ".pieces"}});
    } else if (isTable(*pieces, at + ".pieces")) {
      for (const Node::Member& member : pieces->members)
        done.pieces[member.key] = static_cast<int>(
            number(member.value, at + ".pieces." + shortened(member.key), kMost, true));
    }
    return done;
  }

  const std::string& file_;
  Issues& issues_;
};

}  // namespace

JobCutting readCutting(const Node& node, const std::string& file, Issues& issues) {
  return CuttingReader(file, issues).read(node);
}

}  // namespace drapery
