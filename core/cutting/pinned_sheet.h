// Sheets on which the binder put pieces: what is free around them.
#pragma once

#include <optional>
#include <vector>

#include "core/cutting/cut_layout.h"
#include "core/cutting/sheet_part.h"

namespace drapery {

struct PinnedSheet {
  std::size_t stock = 0;  // of the problem
  int sheet = 0;          // as the pins number it
  /// The first is the whole; of a piece `piece` is that of the problem.
  std::vector<SheetPart> parts;
};

/// The sheets with all pins that can be kept, each checked after those before it.
/// @param untaken those that cannot.
std::vector<PinnedSheet> pinnedSheets(const CutProblem& problem, std::vector<UntakenPin>& untaken);

/// Where a piece finds room beside the pins of one sheet of a stock, or on one that has none yet;
/// none where it does not fit.
std::optional<CutPin> roomFor(const CutProblem& problem, std::size_t piece, std::size_t stock,
                              int sheet);

}  // namespace drapery
