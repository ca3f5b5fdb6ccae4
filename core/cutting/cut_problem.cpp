#include "core/cutting/cut_problem.h"

#include <algorithm>

namespace drapery {

std::optional<StockFault> faultOf(const CutStock& stock) {
  if (stock.kerf > std::min(stock.across, stock.along)) return StockFault::Kerf;
  const UsableSize usable = usableOf(stock);
  if (usable.across <= stock.kerf || usable.along <= stock.kerf) return StockFault::Edges;
  return std::nullopt;
}

UsableSize usableOf(const CutStock& stock) {
  return {stock.across - stock.left - stock.right + stock.kerf,
          stock.along - stock.bottom - stock.top + stock.kerf};
}

double roomOf(const CutStock& stock) {
  const UsableSize usable = usableOf(stock);
  return double(usable.across) * double(usable.along);
}

std::optional<LyingFault> whyNotLying(const CutStock& stock, const CutPiece& piece, bool isTurned) {
  const bool isAlongHeight = (stock.grain == StockGrain::Along) != isTurned;
  const PieceGrain runs = isAlongHeight ? PieceGrain::Height : PieceGrain::Width;
  if (piece.grain != PieceGrain::Free && piece.grain != runs) return LyingFault::Grain;
  if (stock.pattern == (isTurned ? StockPattern::Along : StockPattern::Across))
    return LyingFault::Pattern;
  return std::nullopt;
}

std::vector<LyingSize> lyingSizes(const CutStock& stock, const CutPiece& piece) {
  std::vector<LyingSize> sizes;
  if (piece.material != stock.material) return sizes;
  const UsableSize usable = usableOf(stock);
  for (const bool isTurned : {false, true}) {
    if (whyNotLying(stock, piece, isTurned)) continue;
    if (isTurned && piece.width == piece.height && !sizes.empty()) continue;
    const LyingSize size{(isTurned ? piece.height : piece.width) + stock.kerf,
                         (isTurned ? piece.width : piece.height) + stock.kerf, isTurned};
    if (size.across <= usable.across && size.along <= usable.along) sizes.push_back(size);
  }
  return sizes;
}

}  // namespace drapery
