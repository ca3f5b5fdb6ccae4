// The rectangles that a sheet's cuts make of it, on the untrimmed stock.
#pragma once

#include <utility>

#include "core/cutting/cut_layout.h"

namespace drapery {

struct CutRectangle {
  Micrometres x = 0, y = 0, across = 0, along = 0;
  friend bool operator==(const CutRectangle& a, const CutRectangle& b) {
    return a.x == b.x && a.y == b.y && a.across == b.across && a.along == b.along;
  }
};

/// How much of the stock a sheet takes: all of it, or of a roll up to the last piece.
Micrometres lengthUsed(const CutStock& stock, const CutSheet& sheet);
/// How often the stock's cost is paid for it: so many sheets, or metres of a roll.
double oftenOf(const CutStock& stock, const CutSheet& sheet);
/// What its cuts begin with: the usable rectangle; of a roll, up to the last piece.
CutRectangle wholeOf(const CutStock& stock, const CutSheet& sheet);

bool isCut(const CutNode& node);
/// What a cut makes of a rectangle: below it, and from the kerf on; where that runs out over the
/// edge less than nothing is left.
std::pair<CutRectangle, CutRectangle> halvesOf(const CutNode& node, const CutRectangle& in,
                                               Micrometres kerf);

}  // namespace drapery
