// Where a rectangle can be cut from edge to edge along or across, past the pieces in it.
#pragma once

#include <utility>
#include <vector>

#include "core/cutting/sheet_part.h"

namespace drapery {

class ClearLines {
 public:
  /// @param isBeside whether it is cut at an x.
  ClearLines(const SheetPart& region, const std::vector<SheetPart>& pieces, bool isBeside,
             Micrometres kerf);

  /// Whether no piece lies across the line, what is below it is more than the kerf, and so is what
  /// is left beside a piece above it.
  [[nodiscard]] bool isClear(Micrometres at) const;
  /// Where pieces begin or end, from low to high, as far as it is clear; each farther from the last
  /// than the kerf.
  [[nodiscard]] std::vector<Micrometres> all() const;
  /// What no piece begins before, and what none ends behind.
  [[nodiscard]] Micrometres first() const { return spans_.front().first; }
  [[nodiscard]] Micrometres last() const { return reach_.back(); }

 private:
  Micrometres start_, end_, kerf_;
  std::vector<std::pair<Micrometres, Micrometres>> spans_;  // of pieces, by where they begin
  std::vector<Micrometres> reach_;  // as far as that one and those before it
};

}  // namespace drapery
