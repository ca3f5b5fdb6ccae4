// Where each piece lies, and the cuts that free it.
#pragma once

#include <cstddef>
#include <optional>
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
  std::optional<int> pinned = {};  // the number of its pins
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

/// Why a piece cannot lie where it was put.
enum class PinFault {
  TooMany,      // more are put somewhere than there are
  Elsewhere,    // on a stock of another material
  Grain,        // the grain would run the wrong way
  Pattern,      // the pattern would lie on its side
  Outside,      // over the edge of what can be used
  Overlaps,     // on another that was put there
  NoEdgeToEdge  // no cuts from edge to edge free them all
};

struct UntakenPin {
  std::size_t pin = 0;  // of the problem
  PinFault fault = PinFault::Outside;
};

struct CutLayout {
  std::vector<CutSheet> sheets;
  std::vector<Unplaced> unplaced;
  std::vector<UntakenPin> untaken;      // laid as if they had not been put anywhere
  std::vector<MaterialCost> materials;  // in the order of the problem's stocks
  bool isSettled = false;               // nothing better was still being looked for at the end
};

}  // namespace drapery
