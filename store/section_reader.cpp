#include "store/section_reader.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/quantity/format_length.h"

namespace drapery {

void SectionReader::complain(const Node& node, IssueId id, IssueArguments arguments) {
  issues_.push_back({id, std::move(arguments), field_, {file_, node.line, node.column}, {}});
}

void SectionReader::complainType(const Node& node, const std::string& key, const char* expected) {
  complain(node, "job-type-wrong",
           {{"key", key}, {"value", described(node)}, {"expected", std::string(expected)}});
}

bool SectionReader::isTable(const Node& node, const std::string& key) {
  if (node.kind == Node::Kind::Table) return true;
  complainType(node, key, "object");
  return false;
}

Written SectionReader::written(const Node& node, const std::string& name) {
  if (node.kind == Node::Kind::Number) return node.number;
  if (node.kind != Node::Kind::Text) complainType(node, name, "number or text");
  return node.text;
}

void SectionReader::know(const Node& node, const std::string& section,
                         const std::vector<std::string>& known) {
  for (const Node::Member& member : node.members)
    if (std::find(known.begin(), known.end(), member.key) == known.end())
      issues_.push_back({"key-unknown",
                         {{"key", shortened(member.key)},
                          {"section", section},
                          {"nearest", nearestName(member.key, known)}},
                         field_,
                         {file_, member.line, member.column},
                         {}});
}

std::string SectionReader::text(const Node& in, const std::string& at, const char* key,
                                bool isNeeded) {
  const Node* node = in.find(key);
  if (node == nullptr) {
    if (isNeeded) complain(in, "job-key-missing", {{"key", at + "." + key}});
    return {};
  }
  if (node->kind != Node::Kind::Text) complainType(*node, at + "." + key, "text");
  return node->text;
}

double SectionReader::number(const Node& node, const std::string& name, double least, double most,
                             bool isWhole) {
  if (node.kind != Node::Kind::Number) {
    complainType(node, name, "number");
    return least;
  }
  if (!(node.number >= least && node.number <= most))
    complain(node, "value-out-of-range",
             {{"name", name},
              {"value", shortened(node.text)},
              {"least", formatNumber(least, 3)},
              {"most", formatNumber(most, 3)}});
  else if (isWhole && node.number != std::floor(node.number))
    complain(node, "count-not-whole", {{"name", name}, {"value", shortened(node.text)}});
  else
    return node.number;
  return least;
}

}  // namespace drapery
