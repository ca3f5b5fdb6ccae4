#include "core/cutting/sold_size.h"

#include <algorithm>

#include "core/cutting/cut_rectangle.h"
#include "core/cutting/lay_out.h"
#include "core/cutting/reckoning.h"

namespace drapery {

namespace {

/// The same sheet with its grain the other way.
bool isSameTurned(const CutStock& a, const CutStock& b) {
  return a.form == StockForm::Sheet && b.form == StockForm::Sheet && a.across == b.along &&
         a.along == b.across;
}

/// With how much of it holds all of them; false where they find no room.
bool measure(SoldSize& size, const std::vector<CutPiece>& pieces, const LayOutLimits& limits) {
  const bool isRoll = size.of.form == StockForm::Roll;
  CutProblem problem;
  problem.pieces = pieces;
  CutStock& stock = problem.stocks.emplace_back(size.of);
  stock.material.clear();
  stock.cost = 1.0;
  makeEndless(stock);
  const CutLayout layout = layOut(problem, limits);
  if (!layout.unplaced.empty()) return false;
  double area = 0.0, taken = 0.0;
  for (const CutPiece& piece : pieces)
    area += double(piece.width) * double(piece.height) * piece.count;
  for (const CutSheet& sheet : layout.sheets) {
    const Micrometres length = lengthUsed(stock, sheet);
    taken += double(stock.across) * double(length) * sheet.repeat;
    if (isRoll)
      size.length += length * sheet.repeat;
    else
      size.sheets += sheet.repeat;
  }
  size.used = area / taken;
  return taken > 0.0;
}

}  // namespace

std::vector<SoldSize> soldSizes(std::vector<CutPiece> pieces, const std::vector<SoldSize>& sizes,
                                const LayOutLimits& limits) {
  for (CutPiece& piece : pieces) piece.material.clear();
  std::vector<SoldSize> all;
  for (SoldSize size : sizes) {
    if (limits.isCancelled && limits.isCancelled()) break;
    if (!measure(size, pieces, limits)) continue;
    const auto same = std::find_if(all.begin(), all.end(), [&](const SoldSize& other) {
      return isSameTurned(size.of, other.of);
    });
    if (same == all.end())
      all.push_back(std::move(size));
    else if (size.used > same->used)
      *same = std::move(size);
  }
  std::stable_sort(all.begin(), all.end(),
                   [](const SoldSize& a, const SoldSize& b) { return a.used > b.used; });
  return all;
}

}  // namespace drapery
