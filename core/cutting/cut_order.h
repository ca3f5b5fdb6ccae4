// A lay-out's cuts in the order in which they are made: all that one setting of the gauge serves
// together.
#pragma once

#include <string>

#include "core/cutting/cut_layout.h"

namespace drapery {

struct OrderedCut {
  std::size_t sheet = 0;   // of the lay-out
  int node = -1;           // of its cuts; -1: an edge that is trimmed, or a roll cut off
  bool isAcross = false;   // at an x
  Micrometres length = 0;  // of the cut
  int times = 1;           // of sheets that are alike
};

/// What lies between gauge and knife, and each cut that is made so.
struct GaugeStep {
  Micrometres reading = 0;
  std::vector<OrderedCut> cuts;
};

/// Of one material. What a cut frees is measured, on whichever side it lies, never what is left
/// over; each cut comes after the one that frees its rectangle. The setting that serves the most
/// cuts is taken first.
std::vector<GaugeStep> cutOrder(const CutProblem& problem, const CutLayout& layout,
                                const std::string& material);

}  // namespace drapery
