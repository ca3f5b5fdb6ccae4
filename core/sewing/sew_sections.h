// Sections sewn: linked through a slotted card spine, or all along over tapes.
#pragma once

#include <utility>
#include <variant>
#include <vector>

#include "core/plan/plan.h"
#include "core/sewing/link_path.h"
#include "core/sewing/sewing_job.h"
#include "core/sewing/tape_path.h"
#include "core/sewing/thread_pieces.h"

namespace drapery {

struct SewnLink {
  Plan plan;
  double height = 0.0;                    // mm, of a leaf
  double slotHead = 0.0, slotTail = 0.0;  // mm, from its head and tail
  std::vector<LinkRow> rows;
};

struct SewnTapes {
  Plan plan;
  double height = 0.0;  // mm, of a leaf
  int sections = 0;
  std::vector<double> stations;                   // mm from the head
  std::vector<std::pair<double, double>> strips;  // between head, tapes and tail: cloth goes there
  std::vector<TapeStep> steps;
  std::vector<ThreadPiece> pieces;
  [[nodiscard]] int tapes() const { return static_cast<int>(stations.size() / 2) - 1; }
};

/// The thread of a step, mm, without ease; a knot's is none.
double lengthOf(const SewnLink& sewn, const LinkRow& row, const LinkStep& step);

/// Or every entry that is refused.
std::variant<SewnLink, Issues> sewLink(const RuleSetPtr& rules, const SewingJob& job);
std::variant<SewnTapes, Issues> sewTapes(const RuleSetPtr& rules, const SewingJob& job);

}  // namespace drapery
