// What the stock lacks for all pieces of a problem.
#pragma once

#include "core/cutting/cut_layout.h"
#include "core/cutting/reckoning.h"

namespace drapery {

struct ToBuy {
  std::size_t stock = 0;   // of the problem
  int sheets = 0;          // more than there are
  Micrometres length = 0;  // of a roll, in one piece
};

/// The least that has to be paid for so that all finds room, beside what lies there: a roll that is
/// bought does not join the end of another. Nothing where all of it finds room as it is.
/// @param canBuy by the problem's stocks: nobody sells off-cuts.
std::vector<ToBuy> toBuy(const CutProblem& problem, const CutLayout& layout,
                         const std::vector<bool>& canBuy, const Reckoning& how = {});

}  // namespace drapery
