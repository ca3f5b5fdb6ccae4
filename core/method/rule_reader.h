// A rule file's tree to a Method: keys, types, ranges. Formulas are only carried, not understood.
#pragma once

#include <vector>

#include "core/diag/node.h"
#include "core/method/method.h"

namespace drapery {

/// Places an issue in the file that the node stands in.
class IssuePlacer {
 public:
  IssuePlacer(std::vector<std::pair<std::string, std::string>> filesAndTexts, Issues& issues)
      : files_(std::move(filesAndTexts)), issues_(issues) {}

  SourcePosition at(int source, int line, int column) const;
  void add(std::string id, std::vector<std::pair<std::string, Argument>> arguments,
           const SourcePosition& where);
  void addAt(const Node& node, std::string id,
             std::vector<std::pair<std::string, Argument>> arguments);

 private:
  std::vector<std::pair<std::string, std::string>> files_;
  Issues& issues_;
};

/// Reads what can be read; every mistake goes to `placer`.
Method readRules(const Node& root, IssuePlacer& placer);

}  // namespace drapery
