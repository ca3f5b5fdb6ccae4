#include "core/toml/issue_placer.h"

namespace drapery {

SourcePosition IssuePlacer::at(int source, int line, int column) const {
  const auto index = static_cast<std::size_t>(source);
  return {index < files_.size() ? files_[index].first : std::string(), line, column};
}

void IssuePlacer::add(IssueId id, IssueArguments arguments, const SourcePosition& where) {
  Issue issue{id, std::move(arguments), {}, where, {}};
  for (const auto& [file, text] : files_)
    if (file == where.file) issue.excerpt = sourceLine(text, where.line);
  issues_.push_back(std::move(issue));
}

void IssuePlacer::addAt(const Node& node, IssueId id, IssueArguments arguments) {
  add(id, std::move(arguments), at(node.source, node.line, node.column));
}

}  // namespace drapery
