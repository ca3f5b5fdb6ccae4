// A line that a rule file draws: lists of them stand in views and templates as `lines`.
#pragma once

#include <string>
#include <vector>

#include "core/figure/line_kind.h"
#include "core/rules/entry_reader.h"
#include "core/rules/repeated.h"
#include "core/rules/subject.h"
#include "core/toml/sourced.h"

namespace drapery {

class Linker;
struct RuleSet;

/// Repeated for each of a series where it says so.
struct DrawnLine : Repeated {
  LineKind kind = LineKind::Hidden;
  Subject subject;  // what it shows; may be none
  std::vector<RulePoint> path;
  RuleFormula size;             // of a hole: its diameter
  Turns turns = Turns::Unsaid;  // of a fold or crease
  RuleFormula when;             // empty: always
};

/// The entry that is told where a name in it is unknown.
struct NamedEntry {
  const std::string& id;
  const SourcePosition& at;
};

/// `lines = [...]` of an entry.
std::vector<DrawnLine> readLines(EntryReader& in, IssuePlacer& placer);
void linkLines(std::vector<DrawnLine>& lines, const NamedEntry& entry, const RuleSet& rules,
               Linker& linker);

/// Which kind of thing its id is: a part, a value or the book.
void findSubject(Subject& subject, const NamedEntry& entry, const RuleSet& rules, Linker& linker);

}  // namespace drapery
