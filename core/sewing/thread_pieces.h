// Where one piece of thread ends and the next begins.
#pragma once

#include <cstddef>
#include <vector>

namespace drapery {

/// Lengths in mm.
struct ThreadTails {
  double start = 0.0;
  double end = 0.0;
  double knot = 0.0;
  double join = 0.0;  // either side of a join
  double ease = 0.0;  // as a part of the way
  double longest = 0.0;
};

struct ThreadPiece {
  std::size_t from = 0, to = 0;  // steps, from 1
  double length = 0.0;           // with its tails
};

/// `lengths` are of the steps `first` to `last` (from 1), in mm; `joins[i]` whether the thread may
/// be joined after step i + 1. No piece is over `longest`: the rest is taken whole if it fits, else
/// up to the last place for a join that fits, or the first place if none does.
std::vector<ThreadPiece> threadPieces(const std::vector<double>& lengths,
                                      const std::vector<bool>& joins, std::size_t first,
                                      std::size_t last, const ThreadTails& tails);

}  // namespace drapery
