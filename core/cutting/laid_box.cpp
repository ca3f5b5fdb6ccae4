#include "core/cutting/laid_box.h"

#include <algorithm>
#include <array>

namespace drapery {

namespace {

std::size_t below(std::size_t most, std::mt19937_64& random) {
  return static_cast<std::size_t>(random() % most);
}

/// Into two, each of some of what it is joined of.
void open(std::vector<LaidBoxPtr>& boxes, std::size_t which, std::mt19937_64& random) {
  const LaidBoxPtr box = boxes[which];
  boxes.erase(boxes.begin() + static_cast<std::ptrdiff_t>(which));
  std::vector<LaidBoxPtr> some, others;
  // One is for each of them, so that neither is empty.
  const std::size_t one = below(box->of.size(), random);
  const std::size_t other = (one + 1 + below(box->of.size() - 1, random)) % box->of.size();
  for (std::size_t i = 0; i < box->of.size(); ++i)
    (i == one || (i != other && below(2, random) == 0) ? some : others).push_back(box->of[i]);
  boxes.push_back(joinedBox(box->isBeside, some));
  boxes.push_back(joinedBox(box->isBeside, others));
}

}  // namespace

LaidBoxPtr pieceAlone(std::size_t kind, const LyingSize& size) {
  LaidBox piece;
  piece.across = size.across;
  piece.along = size.along;
  piece.kind = kind;
  piece.isTurned = size.isTurned;
  piece.area = double(size.across) * double(size.along);
  return std::make_shared<LaidBox>(piece);
}

LaidBoxPtr joinedBox(bool isBeside, const std::vector<LaidBoxPtr>& of) {
  if (of.size() == 1) return of.front();
  auto box = std::make_shared<LaidBox>();
  box->isBeside = isBeside;
  box->pieces = 0;
  for (const LaidBoxPtr& each : of) {
    if (!each->of.empty() && each->isBeside == isBeside)
      box->of.insert(box->of.end(), each->of.begin(), each->of.end());
    else
      box->of.push_back(each);
    box->across = isBeside ? box->across + each->across : std::max(box->across, each->across);
    box->along = isBeside ? std::max(box->along, each->along) : box->along + each->along;
    box->pieces += each->pieces;
    box->area += each->area;
  }
  return box;
}

LaidBoxPtr laidBoxOf(const std::vector<SheetPart>& parts, std::size_t at) {
  const SheetPart& part = parts[at];
  if (part.kind == SheetPart::Kind::Free) return nullptr;
  if (part.kind == SheetPart::Kind::Piece)
    return pieceAlone(part.piece, {part.across, part.along, part.isTurned});
  LaidBoxPtr low = laidBoxOf(parts, part.low), high = laidBoxOf(parts, part.high);
  if (!low) return high;
  return high ? joinedBox(part.isBeside, {low, high}) : low;
}

void layBox(const LaidBox& box, std::size_t at, Slab& slab) {
  if (box.of.empty()) return placeInSlab(slab, at, box.kind, {box.across, box.along, box.isTurned});
  for (const LaidBoxPtr& each : box.of) {
    if (each == box.of.back()) return layBox(*each, at, slab);
    splitPart(slab.parts, at, box.isBeside, box.isBeside ? each->across : each->along);
    const std::size_t rest = slab.parts[at].high;
    layBox(*each, slab.parts[at].low, slab);
    at = rest;
  }
}

void openSome(std::vector<LaidBoxPtr>& boxes, std::size_t most, std::mt19937_64& random) {
  constexpr std::size_t kTen = 10;
  constexpr std::array<std::size_t, 3> kLast{0, 4, 9};  // of ten
  const std::size_t lastOfTen = kLast[below(kLast.size(), random)];
  while (boxes.size() < most) {
    // Those opened last lie at the end.
    std::size_t which = boxes.size();
    if (below(kTen, random) < lastOfTen) {
      while (which > 0 && boxes[which - 1]->of.empty()) --which;
      if (which == 0) break;
      --which;
    } else {
      std::size_t pieces = 0;
      for (const LaidBoxPtr& box : boxes)
        if (!box->of.empty()) pieces += box->pieces;
      if (pieces == 0) break;
      std::size_t at = below(pieces, random);
      for (which = 0; boxes[which]->of.empty() || at >= boxes[which]->pieces; ++which)
        if (!boxes[which]->of.empty()) at -= boxes[which]->pieces;
    }
    open(boxes, which, random);
  }
}

}  // namespace drapery
