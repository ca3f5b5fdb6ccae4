// What is wrong with something a binder wrote: an id with arguments and a place. No prose: the
// words for each id are in words/issue_words.cpp.
#pragma once

#include <string>
#include <variant>
#include <vector>

#include "core/diag/issue_id.h"
#include "core/quantity/units.h"

namespace drapery {

/// Line and column count from 1; 0 means unknown.
struct SourcePosition {
  std::string file;
  int line = 0;
  int column = 0;
};

using Argument = std::variant<std::string, Amount>;

struct IssueArgument {
  ArgumentName name;
  Argument value;
};
using IssueArguments = std::vector<IssueArgument>;

struct Issue {
  IssueId id;
  IssueArguments arguments;  // those that its kind tells, or some of them
  std::string field;  // the key it is about: "text_height", "allowances/setback"; may be empty
  SourcePosition where;
  std::string excerpt;  // the source line, for a caret under `where.column`; may be empty
};

using Issues = std::vector<Issue>;

/// Cuts to 40 characters, never inside a UTF-8 sequence.
std::string shortened(std::string_view text);

}  // namespace drapery
