// Cuts from edge to edge found for pieces that lie where they lie.
#pragma once

#include <optional>
#include <vector>

#include "core/cutting/cut_layout.h"
#include "core/cutting/sheet_part.h"

namespace drapery {

/// The whole usable rectangle, enlarged by the kerf.
SheetPart enlarged(const CutStock& stock);

/// How a sheet, enlarged by its kerf, is cut so that each of these pieces stands alone: the first
/// part is the whole. Cuts that leave a large rectangle free go first. None where no cuts free
/// them.
std::optional<std::vector<SheetPart>> cutsAround(const CutStock& stock,
                                                 const std::vector<SheetPart>& pieces);

/// The least that is worth keeping of what is left over.
struct UsableLeft {
  Micrometres narrow = 50'000;  // its shorter side
  Micrometres wide = 150'000;   // its longer side
  friend bool operator==(const UsableLeft& a, const UsableLeft& b) = default;
};

/// What is left over on a sheet and worth keeping: rectangles that its cuts free.
std::vector<CutPlacement> usableLeft(const CutStock& stock, const CutSheet& sheet,
                                     const UsableLeft& usable);

/// The largest of all that is left over on sheets, worth keeping or not; um2.
double largestLeft(const CutProblem& problem, const CutLayout& layout);

/// How many cuts of a sheet are longer than `longest`.
int cutsOver(const CutProblem& problem, const CutSheet& sheet, Micrometres longest);

}  // namespace drapery
