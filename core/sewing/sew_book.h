// How a whole book is sewn: what its job says of it, and what its plan has.
#pragma once

#include <variant>

#include "core/sewing/pattern_library.h"
#include "core/sewing/sew_sections.h"
#include "core/sewing/sew_stab.h"

namespace drapery {

struct SewnBook {
  SewingJob job;  // with all that the plan had to give
  std::variant<std::monostate, SewnStab, SewnLink, SewnTapes> sewn;
  Issues issues;  // why there is none; none where such a book is not sewn
  /// Where nothing is wrong but that these are not measured yet.
  std::vector<LocalText> missing;
  /// Its values and findings; null where nothing is sewn.
  [[nodiscard]] const Plan* plan() const;
};

/// Where the book names the pattern and not the job, sizes of another one that it may name wait for
/// that: they are taken out.
void letWait(Entries& allowances, const RuleSet& pattern, const Plan& plan,
             const PatternLibrary& patterns);

/// The rules of its pattern or kind.
LoadedRules rulesToSewBy(const SewingJob& job, const PatternLibrary& patterns);

/// What is sewn on this book, before anything is found: the job's own words over what the plan's
/// rules say. Nothing for a book that is not sewn.
std::optional<SewingJob> sewingOfBook(const Job& job, const Plan& plan,
                                      const PatternLibrary& patterns);
SewnBook sewBook(const Job& job, const Plan& plan, const PatternLibrary& patterns);

}  // namespace drapery
