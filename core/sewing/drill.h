// Exercises for a learner, made of a pattern's own way; see also learner.h.
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

#include "core/sewing/learner.h"

namespace drapery {

struct Drill {
  enum class Kind { GoOn, FindSlip, MissingWrap, HowMuch };
  Kind kind = Kind::GoOn;
  std::vector<SewToken> tokens;  // what is sewn when it begins
  std::size_t slip = 0;          // FindSlip: which token it is, from 0
  StitchWrap missing;            // MissingWrap
};

/// The steps as a learner writes them: stretches are understood.
std::vector<SewToken> tokensOf(const std::vector<SewStep>& steps);

/// What the thread does in steps whether they are right or not, each as it is written.
std::vector<SewStep> writtenSteps(const std::vector<SewToken>& tokens);

/// The same for the same seed. Half-way is between the first and the last third. A slip is one that
/// `judge` finds where it was made or after, and the sewing goes on for some steps behind it.
/// Nothing where the pattern gives none.
std::optional<Drill> makeDrill(const StitchGraph& graph, const Trail& plain, Drill::Kind kind,
                               std::uint32_t seed);

}  // namespace drapery
