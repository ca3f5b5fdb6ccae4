// Judges a lay-out without the engine that made it: from the problem's own sizes, to the
// micrometre.
#pragma once

#include <string>

#include "core/cutting/cut_layout.h"

namespace drapery::test {

/// The first thing that is wrong with it; empty for a sound one: each piece placed as often as it
/// is wanted or said to be unplaced, with its size, its grain, inside the trimmed edges, a kerf
/// apart; the cuts from edge to edge free each piece exactly and lie within the stock there is.
std::string faultIn(const CutProblem& problem, const CutLayout& layout);

/// The least number of sheets of a problem of one stock, by trying every way of sharing the pieces
/// out and every edge-to-edge cut; for a handful of pieces.
int fewestSheets(const CutProblem& problem);

}  // namespace drapery::test
