// Places an issue in the file that a node stands in.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/diag/node.h"

namespace drapery {

class IssuePlacer {
 public:
  /// Files' names and texts by the nodes' `source`; the texts outlive the placer.
  IssuePlacer(std::vector<std::pair<std::string, std::string_view>> filesAndTexts, Issues& issues)
      : files_(std::move(filesAndTexts)), issues_(issues) {}

  [[nodiscard]] SourcePosition at(int source, int line, int column) const;
  void add(IssueId id, IssueArguments arguments, const SourcePosition& where);
  void addAt(const Node& node, IssueId id, IssueArguments arguments);

 private:
  std::vector<std::pair<std::string, std::string_view>> files_;
  Issues& issues_;
};

}  // namespace drapery
