// How a book is to be sewn, as it was said; the key `sewing` of a job.
#pragma once

#include <optional>
#include <set>
#include <string>
#include <string_view>

#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/sewing/trail.h"

namespace drapery {

enum class SewingKind { Stab, Link, Tapes };
constexpr const char* nameOf(SewingKind kind) {
  return kind == SewingKind::Stab ? "stab" : kind == SewingKind::Link ? "link" : "tapes";
}

/// Stab, where the word names none.
constexpr SewingKind sewingKind(std::string_view word) {
  return word == "link" ? SewingKind::Link : word == "tapes" ? SewingKind::Tapes : SewingKind::Stab;
}

struct SewingJob {
  std::string title;
  SewingKind kind = SewingKind::Stab;
  std::string pattern = "zigzag";  // of stab sewing
  Entries given, allowances;
  std::optional<std::size_t> start;  // the hole, from 0
  Finish finish = Finish::Buried;
  Hand hand = Hand::Right;
  Units units = Units::Millimetres;
  std::optional<Written> round;
};

/// The words of the job's own, "ornament", as what they stand for; unknown ones are the usual.
SewingJob sewingOf(const JobSewing& said, const Job& job);

/// The same sewn by another pattern: its start hole and the sizes that the other does not know are
/// let go.
JobSewing byPattern(JobSewing said, const RuleSet& pattern);

/// What was said, as a job for the rules of its pattern or kind.
Job planningJob(const SewingJob& said, const RuleSet& rules);

/// What was not said, from a plan of the same job: by the table [sewing] of its rules, else what
/// the plan has under the same name. Only what `rules` know, as givens; as allowances only what the
/// table maps.
void fillFromPlan(SewingJob& job, const Plan& plan, const RuleSet& rules);
/// The book's own values that stand behind a name of the sewing; none for a size of the sewing's
/// own. Where it is one alone that the binder says, it is said there.
std::set<std::string> bookValuesFor(const SewingJob& job, const Plan& plan, const RuleSet& rules,
                                    const std::string& name);
/// The pattern that the plan's rules name for this book; empty for none.
std::string patternFor(const Plan& plan);

/// A name for what only the sewing itself comes to: no job says it.
bool isFoundBySewing(std::string_view name);

}  // namespace drapery
