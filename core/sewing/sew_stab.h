// A book sewn through its side by a pattern: the thread's way, what it takes, and the holes.
#pragma once

#include <variant>
#include <vector>

#include "core/plan/plan.h"
#include "core/sewing/sewing_job.h"
#include "core/sewing/thread_pieces.h"

namespace drapery {

/// A thread through hole and round the edge that holds the stack until the sewing comes there.
struct Tie {
  std::size_t hole = 0;
  std::size_t offBefore = 0;  // step, from 1
};

struct SewnStab {
  Plan plan;  // its values and findings
  StitchGraph graph;
  Trail trail;
  std::vector<ThreadPiece> pieces;
  std::vector<int> passes;  // by hole, the knot's too
  std::vector<Tie> ties;    // in the order in which they come off
};

/// Everything, or every mistake: entries that are refused, a pattern that is not sound on this
/// book, a start hole that it does not have. A field of an issue is "given/strip_width", or
/// "start".
std::variant<SewnStab, Issues> sewStab(const RuleSetPtr& pattern, const SewingJob& job);

/// The thread of each step, mm, without tails and ease: a wrap's on both faces and over the edge.
std::vector<double> stepLengths(const SewnStab& sewn);

/// The pattern's holes alone, where its sizes are sound.
std::variant<StitchGraph, Issues> holesOf(const RuleSetPtr& pattern, const SewingJob& job);

}  // namespace drapery
