#include "core/cutting/slab.h"

#include <algorithm>
#include <numeric>

namespace drapery {

namespace {

/// What the pieces of a part take, as they lie.
UsableSize extentOf(const std::vector<SheetPart>& parts, std::size_t at) {
  const SheetPart& part = parts[at];
  if (part.kind == SheetPart::Kind::Free) return {};
  if (part.kind == SheetPart::Kind::Piece) return {part.across, part.along};
  const UsableSize low = extentOf(parts, part.low), high = extentOf(parts, part.high);
  if (part.isBeside) return {low.across + high.across, std::max(low.along, high.along)};
  return {std::max(low.across, high.across), low.along + high.along};
}

void lay(const std::vector<SheetPart>& parts, std::size_t from, std::size_t at, Slab& slab) {
  const SheetPart& part = parts[from];
  if (part.kind == SheetPart::Kind::Free) return;
  if (part.kind == SheetPart::Kind::Piece)
    return placeInSlab(slab, at, part.piece, {part.across, part.along, part.isTurned});
  const UsableSize low = extentOf(parts, part.low), high = extentOf(parts, part.high);
  if (low.across <= 0) return lay(parts, part.high, at, slab);
  if (high.across <= 0) return lay(parts, part.low, at, slab);
  splitPart(slab.parts, at, part.isBeside, part.isBeside ? low.across : low.along);
  const std::size_t second = slab.parts[at].high;
  lay(parts, part.low, slab.parts[at].low, slab);
  lay(parts, part.high, second, slab);
}

}  // namespace

Slab emptySlab(Micrometres across, Micrometres along) {
  Slab slab{along, {}, {}};
  SheetPart whole;
  whole.across = across;
  whole.along = along;
  slab.parts.push_back(whole);
  return slab;
}

Slab aloneSlab(const MaterialJob& job, std::size_t kind) {
  const auto& ways = job.sizes[0][kind];
  const LyingSize& size =
      *std::min_element(ways.begin(), ways.end(),
                        [](const LyingSize& a, const LyingSize& b) { return a.along < b.along; });
  Slab slab = emptySlab(usableOf(job.stock(0)).across, size.along);
  placeInSlab(slab, 0, kind, size);
  return slab;
}

void placeInSlab(Slab& slab, std::size_t at, std::size_t kind, const LyingSize& size) {
  for (const bool isBeside : {true, false}) {
    const Micrometres taken = isBeside ? size.across : size.along;
    if ((isBeside ? slab.parts[at].across : slab.parts[at].along) <= taken) continue;
    splitPart(slab.parts, at, isBeside, taken);
    at = slab.parts[at].low;
  }
  slab.parts[at].kind = SheetPart::Kind::Piece;
  slab.parts[at].piece = kind;
  slab.parts[at].isTurned = size.isTurned;
  slab.holds.push_back(kind);
}

void addSlabs(const std::vector<SheetPart>& parts, std::size_t at, std::vector<Slab>& slabs) {
  const SheetPart& part = parts[at];
  if (part.kind == SheetPart::Kind::Split && !part.isBeside) {
    addSlabs(parts, part.low, slabs);
    addSlabs(parts, part.high, slabs);
    return;
  }
  const UsableSize extent = extentOf(parts, at);
  if (extent.along <= 0) return;
  Slab slab = emptySlab(part.across, extent.along);
  lay(parts, at, 0, slab);
  slabs.push_back(std::move(slab));
}

Micrometres alongOf(const std::vector<Slab>& slabs) {
  return std::accumulate(slabs.begin(), slabs.end(), Micrometres{0},
                         [](Micrometres sum, const Slab& slab) { return sum + slab.along; });
}

Bin binOf(const MaterialJob& job, std::size_t stock, const std::vector<Slab>& slabs) {
  Bin bin = emptyBin(job, stock);
  std::size_t rest = 0;
  for (const Slab& slab : slabs) {
    std::size_t at = rest;
    std::erase(bin.free, rest);
    if (bin.parts[rest].along > slab.along) {
      splitPart(bin.parts, rest, false, slab.along);
      at = bin.parts[rest].low;
      rest = bin.parts[rest].high;
      bin.free.push_back(rest);
    }
    Filling filling{0.0, slab.parts};
    for (SheetPart& part : filling.parts) {
      part.x += bin.parts[at].x;
      part.y += bin.parts[at].y;
    }
    takeFilling(job, bin, filling, at);
  }
  return bin;
}

}  // namespace drapery
