#include "core/cutting/pattern_sheets.h"

#include <cmath>

namespace drapery {

void addPattern(const MaterialJob& job, const PatternUse& use, double least, std::vector<Bin>& bins,
                std::vector<int>& used, Counts& wanted) {
  const CutStock& stock = job.stock(use.stock);
  const bool isSheet = stock.form == StockForm::Sheet;
  if (isSheet && stock.count && used[use.stock] >= *stock.count) return;
  Bin bin;
  bin.stock = use.stock;
  bin.parts = use.parts;
  Counts left = wanted;
  double all = 0.0;
  for (std::size_t i = 0; i < bin.parts.size(); ++i) {
    SheetPart& part = bin.parts[i];
    if (part.kind == SheetPart::Kind::Piece) {
      all += areaOfKind(job, part.piece);
      if (left[part.piece] > 0) {
        --left[part.piece];
        hold(job, bin, part);
        continue;
      }
      part.kind = SheetPart::Kind::Free;
    }
    if (part.kind == SheetPart::Kind::Free) bin.free.push_back(i);
  }
  if (bin.area <= 0 || bin.area < least * all) return;
  wanted = std::move(left);
  bins.push_back(std::move(bin));
  ++used[use.stock];
}

bool addWhole(const MaterialJob& job, const std::vector<PatternUse>& patterns,
              std::vector<Bin>& bins, std::vector<int>& used, Counts& wanted) {
  constexpr double kAlmost = 1e-6, kMostly = 0.9;
  const std::size_t before = bins.size();
  for (const PatternUse& use : patterns)
    for (double n = std::floor(use.often + kAlmost); n >= 1; --n)
      addPattern(job, use, kMostly, bins, used, wanted);
  return bins.size() > before;
}

}  // namespace drapery
