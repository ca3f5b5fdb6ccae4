#include "core/cutting/chance_filler.h"

#include <algorithm>
#include <limits>
#include <optional>

namespace drapery {

void ChanceFiller::begin(std::size_t stock, const std::vector<std::size_t>& kinds,
                         const std::vector<double>& worth) {
  kinds_ = kinds;
  worth_ = worth;
  which_.assign(job_.kinds.size(), 0);
  for (std::size_t i = 0; i < kinds.size(); ++i) which_[kinds[i]] = i;
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
  const auto isSmaller = [](const Lying& a, const Lying& b) { return a.area() < b.area(); };
  isByArea_ = std::is_sorted(ways_.rbegin(), ways_.rend(), isSmaller);
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

double ChanceFiller::better(Filling& filling, int times, Counts& pool) {
  constexpr int kFills = 6;
  constexpr std::size_t kMostPieces = 9;
  constexpr double kSlack = 0.01;  // of the whole
  const double whole = double(filling.parts.front().across) * double(filling.parts.front().along);
  double now = 0.0, most = 0.0;  // more than at the beginning
  Filling present = filling;
  Counts left = pool;
  std::vector<std::size_t> pieces;
  for (int i = 0; i < times; ++i) {
    const auto at = std::min(static_cast<std::size_t>(part() * double(present.parts.size())),
                             present.parts.size() - 1);
    pieces.clear();
    addPieces(present.parts, at, pieces);
    if (pieces.size() > kMostPieces) continue;
    Counts rest = left;
    double worth = 0.0;
    for (const std::size_t piece : pieces) {
      ++rest[which_[piece]];
      worth += worth_[which_[piece]];
    }
    SheetPart region = present.parts[at];
    region.kind = SheetPart::Kind::Free;
    const auto [instead, got] = best(region, kFills, rest);
    const double slack = kSlack * whole * part() * part() * (1.0 - double(i) / times);
    if (got <= worth - slack || instead.parts.empty()) continue;
    present.parts = withInstead(present.parts, at, instead.parts);
    left = std::move(rest);
    now += got - worth;
    if (now <= most) continue;
    most = now;
    filling = present;
    pool = left;
  }
  return most;
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
  auto first = ways_.begin();
  if (isByArea_) {  // what is larger than the room need not be looked at
    const double area = double(room.across) * double(room.along);
    first = std::partition_point(ways_.begin(), ways_.end(),
                                 [&](const Lying& way) { return way.area() > area; });
  }
  for (auto each = first; each != ways_.end(); ++each) {
    const Lying& way = *each;
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
