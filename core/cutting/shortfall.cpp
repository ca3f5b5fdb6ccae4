#include "core/cutting/shortfall.h"

#include <algorithm>

namespace drapery {

std::optional<Shortfall> shortfallOf(const CutProblem& problem, std::size_t which) {
  const CutPiece& piece = problem.pieces[which];
  constexpr Micrometres kNone = 1'000'000'000'000;  // farther than anything lacks
  std::optional<Shortfall> least;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const CutStock& stock = problem.stocks[s];
    if (stock.material != piece.material) continue;
    const Micrometres across = stock.across - stock.left - stock.right;
    const Micrometres along = stock.along - stock.bottom - stock.top;
    const bool isAlong = stock.grain == StockGrain::Along;
    if (!least) least = Shortfall{s, kNone, kNone, true};
    for (const bool isTurned : {false, true}) {
      if (whyNotLying(stock, piece, isTurned)) continue;
      const bool isAlongHeight = isAlong != isTurned;
      const Micrometres needsAlong = isAlongHeight ? piece.height : piece.width;
      const Micrometres needsAcross = isAlongHeight ? piece.width : piece.height;
      const Shortfall lacks{s, std::max<Micrometres>(0, needsAcross - (isAlong ? across : along)),
                            std::max<Micrometres>(0, needsAlong - (isAlong ? along : across))};
      if (lacks.acrossGrain + lacks.alongGrain < least->acrossGrain + least->alongGrain)
        least = lacks;
    }
  }
  return least;
}

}  // namespace drapery
