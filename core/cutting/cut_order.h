// A lay-out's cuts in the order in which they are made: all that one setting of the gauge serves
// together.
#pragma once

#include <string>

#include "core/cutting/cut_runs.h"

namespace drapery {

struct OrderedCut {
  std::size_t sheet = 0;   // of the lay-out
  int node = -1;           // of its cuts; -1: an edge that is trimmed, or a roll cut off
  bool isAcross = false;   // at an x
  Micrometres length = 0;  // of the cut
  int times = 1;           // of sheets that are alike
  int moment = 0;          // of the first piece that it serves
  CutPurpose purpose = CutPurpose::Part;
  CutRectangle from = {}, low = {}, high = {};  // what is cut, and what becomes of it
};

/// What lies between gauge and knife, and each cut that is made so.
struct GaugeStep {
  Micrometres reading = 0;
  int moment = 0;
  std::vector<OrderedCut> cuts;
};

/// Of one material. What a cut frees is measured, on whichever side it lies, never what is left
/// over; of rectangles side by side any end can be cut off next. What is cut at an earlier moment
/// of the work goes first, and what only later pieces come from stays whole until then. A setting
/// that need not come again is taken first, then the one that serves the most cuts.
std::vector<GaugeStep> cutOrder(const CutProblem& problem, const CutLayout& layout,
                                const std::string& material);

/// What lies side by side on sheets without pins is put into an order in which it can be cut off at
/// few settings, what stays last.
/// @param runs of a material, with what is cut later whole and nothing left over between others.
void orderFreely(const CutLayout& layout, CutRuns& runs);

/// What lies on the table of one sheet after so many of the steps.
struct SheetState {
  struct Part {
    enum class Kind { ToCut, Piece, Left };
    CutRectangle at;
    Kind kind = Kind::ToCut;
    std::size_t placement = 0;  // of a piece
  };
  std::vector<Part> parts;
};
SheetState stateAfter(const CutProblem& problem, const CutLayout& layout, std::size_t sheet,
                      const std::vector<GaugeStep>& steps, std::size_t made);

}  // namespace drapery
