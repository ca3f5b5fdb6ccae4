#include "core/cutting/region_filler.h"

#include <algorithm>

namespace drapery {

namespace {

constexpr std::array<std::size_t, 4> kTried{4, 3, 2, 1};  // pieces in the corner, by depth

double areaOf(const LyingSize& size) { return double(size.across) * double(size.along); }

/// Adds a filling's parts; the index of its whole.
std::size_t append(std::vector<SheetPart>& parts, const Filling& filling) {
  const std::size_t from = parts.size();
  for (SheetPart part : filling.parts) {
    part.low += from;
    part.high += from;
    parts.push_back(part);
  }
  return from;
}

}  // namespace

Filling RegionFiller::fill(std::size_t stock, const SheetPart& region,
                           const std::vector<std::size_t>& kinds, Counts& pool) {
  stock_ = stock;
  kinds_ = &kinds;
  leastAcross_ = region.across;
  leastAlong_ = region.along;
  for (std::size_t i = 0; i < pool.size(); ++i)
    if (pool[i] > 0)
      for (const LyingSize& size : job_.sizes[stock][kinds[i]]) {
        leastAcross_ = std::min(leastAcross_, size.across);
        leastAlong_ = std::min(leastAlong_, size.along);
      }
  return fill(region, pool, 0);
}

/// Large ones first, less what is lost beside them; blurred, so that each try is another.
std::vector<RegionFiller::Candidate> RegionFiller::candidates(const SheetPart& region,
                                                              const Counts& pool,
                                                              std::size_t most) {
  std::vector<Candidate> found;
  for (std::size_t i = 0; i < pool.size(); ++i) {
    if (pool[i] == 0) continue;
    for (const LyingSize& size : job_.sizes[stock_][(*kinds_)[i]]) {
      const Micrometres beside = region.across - size.across, above = region.along - size.along;
      if (beside < 0 || above < 0) continue;
      double merit = areaOf(size);
      if (beside < leastAcross_) merit -= double(beside) * double(region.along);
      if (above < leastAlong_) merit -= double(above) * double(region.across);
      found.push_back({merit * (0.7 + 0.6 * part()), i, size});
    }
  }
  const std::size_t kept = std::min(most, found.size());
  std::partial_sort(found.begin(), found.begin() + static_cast<std::ptrdiff_t>(kept), found.end(),
                    [](const Candidate& a, const Candidate& b) { return a.merit > b.merit; });
  found.resize(kept);
  return found;
}

Filling RegionFiller::fill(const SheetPart& region, Counts& pool, int depth) {
  const std::size_t tried =
      kTried[std::min<std::size_t>(static_cast<std::size_t>(depth), kTried.size() - 1)];
  Filling best;
  best.area = -1.0;
  Counts left;
  for (const Candidate& candidate : candidates(region, pool, tried)) {
    const bool isWide = region.across > candidate.size.across;
    const bool isHigh = region.along > candidate.size.along;
    const bool isEither = isWide && isHigh;
    // Deep inside it is not worth trying both.
    const bool isBoth = isEither && tried > 1;
    const bool first = isEither ? (random_() & 1) == 0 : isWide;
    for (int way = 0; way < (isBoth ? 2 : 1); ++way) {
      Counts rest = pool;
      Filling filling = place(region, candidate, way == 0 ? first : !first, rest, depth + 1);
      if (filling.area <= best.area) continue;
      best = std::move(filling);
      left = std::move(rest);
    }
  }
  if (best.area < 0) return {0.0, {region}};
  pool = std::move(left);
  return best;
}

Filling RegionFiller::place(const SheetPart& region, const Candidate& candidate, bool isBesideFirst,
                            Counts& pool, int depth) {
  --pool[candidate.which];
  Filling result;
  result.area = areaOf(candidate.size);
  SheetPart piece = region;
  piece.kind = SheetPart::Kind::Piece;
  piece.across = candidate.size.across;
  piece.along = candidate.size.along;
  piece.piece = (*kinds_)[candidate.which];
  piece.isTurned = candidate.size.isTurned;
  // The outer cut's rest first: it is the larger.
  SheetPart outer = region, inner = region;
  (isBesideFirst ? outer.x : outer.y) += isBesideFirst ? piece.across : piece.along;
  (isBesideFirst ? outer.across : outer.along) -= isBesideFirst ? piece.across : piece.along;
  (isBesideFirst ? inner.across : inner.along) = isBesideFirst ? piece.across : piece.along;
  (isBesideFirst ? inner.y : inner.x) += isBesideFirst ? piece.along : piece.across;
  (isBesideFirst ? inner.along : inner.across) -= isBesideFirst ? piece.along : piece.across;
  const auto isThere = [](const SheetPart& part) { return part.across > 0 && part.along > 0; };
  const Filling outside = isThere(outer) ? fill(outer, pool, depth) : Filling{};
  const Filling inside = isThere(inner) ? fill(inner, pool, depth) : Filling{};
  result.area += outside.area + inside.area;

  const auto split = [&](SheetPart whole, bool isBeside) {
    whole.kind = SheetPart::Kind::Split;
    whole.isBeside = isBeside;
    result.parts.push_back(whole);
    return result.parts.size() - 1;
  };
  if (isThere(outer)) {
    const std::size_t strip = split(region, isBesideFirst);
    const std::size_t high = append(result.parts, outside);
    result.parts[strip].high = high;
    result.parts[strip].low = result.parts.size();
  }
  if (isThere(inner)) {
    SheetPart low = region;
    (isBesideFirst ? low.across : low.along) = isBesideFirst ? piece.across : piece.along;
    const std::size_t at = split(low, !isBesideFirst);
    const std::size_t high = append(result.parts, inside);
    result.parts[at].high = high;
    result.parts[at].low = result.parts.size();
  }
  result.parts.push_back(piece);
  return result;
}

}  // namespace drapery
