// Where each piece lies, and the cuts that free it.
#pragma once

#include <cstddef>
#include <string>
#include <vector>

#include "core/cutting/cut_problem.h"

namespace drapery {

struct CutPlacement {
  std::size_t piece = 0;  // of the problem
  Micrometres x = 0, y = 0, across = 0, along = 0;
  bool isTurned = false;
};

/// What becomes of a rectangle: it is cut in two from edge to edge, or is a piece, or is left over.
struct CutNode {
  enum class Kind { CutAcross, CutAlong, Piece, Left };  // a cut at an x, at a y
  Kind kind = Kind::Left;
  Micrometres at = 0;
  int low = -1, high = -1;    // nodes: below `at`, and from `at` + kerf on; -1: nothing
  std::size_t placement = 0;  // of a piece
};

struct CutSheet {
  std::size_t stock = 0;  // of the problem
  int repeat = 1;         // so many alike
  std::vector<CutPlacement> placements;
  std::vector<CutNode> cuts;  // the first is the usable rectangle; of a roll, up to the length used
};

/// What one material costs; or is worth, where that is what counts.
struct MaterialCost {
  std::string material;
  double cost = 0.0;
  double bound = 0.0;      // no lay-out costs less, or is worth more
  bool isProven = false;   // nor than this one
  bool isWhole = true;     // there was stock enough
  Micrometres length = 0;  // used of rolls
  int sheets = 0;
};

struct Unplaced {
  std::size_t piece = 0;
  int count = 0;
};

struct CutLayout {
  std::vector<CutSheet> sheets;
  std::vector<Unplaced> unplaced;
  std::vector<MaterialCost> materials;  // in the order of the problem's stocks
};

}  // namespace drapery
