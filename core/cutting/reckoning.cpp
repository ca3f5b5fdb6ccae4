#include "core/cutting/reckoning.h"

#include <algorithm>
#include <map>
#include <string>

namespace drapery {

void makeEndless(CutStock& stock) {
  constexpr Micrometres kLongRoll = 1'000'000'000;  // a kilometre
  stock.count.reset();
  if (stock.form != StockForm::Roll) return;
  stock.count = 1;
  stock.along = kLongRoll;
}

LayOutLimits Reckoning::limits(const CutProblem& problem, std::uint64_t most) const {
  constexpr std::uint64_t kFew = 40;  // pieces
  std::map<std::string, std::uint64_t> pieces;
  std::uint64_t largest = kFew;
  for (const CutPiece& piece : problem.pieces)
    largest = std::max(
        largest, pieces[piece.material] += static_cast<std::uint64_t>(std::max(0, piece.count)));
  LayOutLimits limits;
  if (isRough)
    limits.seconds = 0.0;
  else
    limits.steps = std::max<std::uint64_t>(1, most * kFew / largest);
  limits.isCancelled = isCancelled;
  return limits;
}

}  // namespace drapery
