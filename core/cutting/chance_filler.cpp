#include "core/cutting/chance_filler.h"

#include <algorithm>
#include <limits>
#include <optional>

namespace drapery {

void ChanceFiller::begin(std::size_t stock, const std::vector<std::size_t>& kinds,
                         const std::vector<double>& worth) {
  kinds_ = kinds;
  ways_.clear();
  leastAcross_ = leastAlong_ = std::numeric_limits<Micrometres>::max();
  for (std::size_t i = 0; i < kinds.size(); ++i)
    for (const LyingSize& size : job_.sizes[stock][kinds[i]]) {
      ways_.push_back({size.across, size.along, worth[i], i, size.isTurned});
      leastAcross_ = std::min(leastAcross_, size.across);
      leastAlong_ = std::min(leastAlong_, size.along);
    }
  std::stable_sort(ways_.begin(), ways_.end(),
                   [](const Lying& a, const Lying& b) { return a.worth > b.worth; });
}

std::pair<Filling, double> ChanceFiller::best(const SheetPart& region, int fills, Counts& pool) {
  Filling filling, best;
  Counts rest, left = pool;
  double most = 0.0;
  for (int i = 0; i < fills; ++i) {
    rest = pool;
    const double worth = fill(region, rest, filling);
    if (worth <= most) continue;
    most = worth;
    std::swap(best, filling);
    std::swap(left, rest);
  }
  pool = std::move(left);
  return {std::move(best), most};
}

double ChanceFiller::fill(const SheetPart& region, Counts& pool, Filling& into) {
  constexpr double kLeast = 0.05, kMost = 0.65;
  blur_ = kLeast + (kMost - kLeast) * part();
  into.parts.assign(1, region);
  double worth = 0.0;
  fill(0, pool, into, worth);
  return worth;
}

void ChanceFiller::fill(std::size_t at, Counts& pool, Filling& into, double& worth) {
  while (const Lying* piece = chosen(into.parts[at], pool)) {
    --pool[piece->which];
    worth += piece->worth;
    const bool isWide = into.parts[at].across > piece->across;
    const bool isHigh = into.parts[at].along > piece->along;
    const bool isBeside = isWide && (!isHigh || isBesideWhole(into.parts[at], *piece));
    std::size_t place = at;
    std::optional<std::size_t> outer, inner;
    const auto cut = [&](bool beside, std::optional<std::size_t>& rest) {
      splitPart(into.parts, place, beside, beside ? piece->across : piece->along);
      rest = into.parts[place].high;
      place = into.parts[place].low;
    };
    if (isWide && isBeside) cut(true, outer);
    if (isHigh) cut(false, isBeside ? inner : outer);
    if (isWide && !isBeside) cut(true, inner);
    into.parts[place].kind = SheetPart::Kind::Piece;
    into.parts[place].piece = kinds_[piece->which];
    into.parts[place].isTurned = piece->isTurned;
    if (inner) fill(*inner, pool, into, worth);
    if (!outer) return;
    at = *outer;
  }
}

/// What is worth much, less what is lost beside it; blurred.
const ChanceFiller::Lying* ChanceFiller::chosen(const SheetPart& room, const Counts& pool) {
  if (room.across < leastAcross_ || room.along < leastAlong_) return nullptr;
  const Lying* best = nullptr;
  double most = -std::numeric_limits<double>::infinity();
  for (const Lying& way : ways_) {
    if (way.worth * (1 + blur_) <= most) break;  // the others are worth less
    if (pool[way.which] == 0) continue;
    const Micrometres beside = room.across - way.across, above = room.along - way.along;
    if (beside < 0 || above < 0) continue;
    double merit = way.worth;
    if (beside < leastAcross_) merit -= double(beside) * double(room.along);
    if (above < leastAlong_) merit -= double(above) * double(room.across);
    const double blur = blur_ * (2 * part() - 1);
    merit *= merit > 0 ? 1 + blur : 1 - blur;
    if (merit <= most) continue;
    most = merit;
    best = &way;
  }
  return best;
}

bool ChanceFiller::isBesideWhole(const SheetPart& room, const Lying& piece) {
  constexpr double kLarger = 0.7;
  const Micrometres beside = room.across - piece.across, above = room.along - piece.along;
  if (beside < leastAcross_) return false;
  if (above < leastAlong_) return true;
  const bool isLarger = double(beside) * double(room.along) >= double(above) * double(room.across);
  return (part() < kLarger) == isLarger;
}

}  // namespace drapery
