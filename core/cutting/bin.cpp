#include "core/cutting/bin.h"

#include <algorithm>

#include "core/cutting/sheet_builder.h"

namespace drapery {

Bin emptyBin(const MaterialJob& job, std::size_t stock) {
  const UsableSize usable = usableOf(job.stock(stock));
  Bin bin;
  bin.stock = stock;
  SheetPart whole;
  whole.across = usable.across;
  whole.along = usable.along;
  bin.parts.push_back(whole);
  bin.free.push_back(0);
  return bin;
}

Bin pinnedBin(const MaterialJob& job, std::size_t which) {
  const PinnedSheet& sheet = job.pinned[which];
  Bin bin;
  bin.stock = sheet.stock;
  bin.parts = sheet.parts;
  bin.pinned = which;
  bin.isBare = true;
  for (std::size_t i = 0; i < bin.parts.size(); ++i) {
    if (bin.parts[i].kind == SheetPart::Kind::Free) bin.free.push_back(i);
    if (bin.parts[i].kind == SheetPart::Kind::Piece) hold(job, bin, bin.parts[i]);
  }
  return bin;
}

Bin emptied(const MaterialJob& job, const Bin& bin) {
  return bin.pinned ? pinnedBin(job, *bin.pinned) : emptyBin(job, bin.stock);
}

double areaOfKind(const MaterialJob& job, std::size_t kind) {
  return double(job.kind(kind).width) * double(job.kind(kind).height);
}

double areaOf(const MaterialJob& job, const Counts& counts) {
  double area = 0.0;
  for (std::size_t kind = 0; kind < counts.size(); ++kind)
    area += areaOfKind(job, kind) * counts[kind];
  return area;
}

std::vector<double> areasOf(const MaterialJob& job, const std::vector<std::size_t>& kinds) {
  std::vector<double> areas;
  areas.reserve(kinds.size());
  for (const std::size_t kind : kinds) areas.push_back(areaOfKind(job, kind));
  return areas;
}

double shareOf(const MaterialJob& job, const Bin& bin) {
  return bin.area / roomOf(job.stock(bin.stock));
}

Counts heldIn(const MaterialJob& job, const Bin& bin) {
  Counts counts(job.kinds.size(), 0);
  for (const std::size_t kind : bin.holds) ++counts[kind];
  return counts;
}

bool isOpenEnded(const MaterialJob& job, const Bin& bin, const SheetPart& room) {
  const CutStock& stock = job.stock(bin.stock);
  return stock.form == StockForm::Roll && room.y + room.along == usableOf(stock).along;
}

void hold(const MaterialJob& job, Bin& bin, const SheetPart& piece) {
  bin.holds.push_back(piece.piece);
  bin.area += areaOfKind(job, piece.piece);
  bin.end = std::max(bin.end, piece.y + piece.along);
}

void takeFilling(const MaterialJob& job, Bin& bin, const Filling& filling, std::size_t at) {
  const std::size_t from = bin.parts.size();
  std::erase(bin.free, at);
  for (std::size_t i = 0; i < filling.parts.size(); ++i) {
    SheetPart part = filling.parts[i];
    const auto moved = [&](std::size_t child) { return child == 0 ? at : from + child - 1; };
    part.low = moved(part.low);
    part.high = moved(part.high);
    if (part.kind == SheetPart::Kind::Piece) hold(job, bin, part);
    if (i == 0)
      bin.parts[at] = part;
    else
      bin.parts.push_back(part);
    if (part.kind == SheetPart::Kind::Free) bin.free.push_back(moved(i));
  }
}

std::optional<std::size_t> takeSlab(const MaterialJob& job, Bin& bin, Filling filling,
                                    std::size_t at) {
  const SheetPart room = bin.parts[at], whole = filling.parts.front();
  const Micrometres along = endOf(filling.parts) - whole.y;
  for (SheetPart& part : filling.parts) {
    const Micrometres from = part.y - whole.y;
    part.x += room.x - whole.x;
    part.y = room.y + std::min(from, along);
    part.along = std::min(from + part.along, along) - std::min(from, along);
  }
  std::optional<std::size_t> above;
  if (along < room.along) {
    std::erase(bin.free, at);
    splitPart(bin.parts, at, false, along);
    above = bin.parts[at].high;
    at = bin.parts[at].low;
    bin.free.push_back(*above);
  }
  takeFilling(job, bin, filling, at);
  return above;
}

std::optional<std::size_t> openEnd(const MaterialJob& job, const Bin& bin) {
  std::optional<std::size_t> widest;
  for (const std::size_t at : bin.free)
    if (isOpenEnded(job, bin, bin.parts[at]) &&
        (!widest || bin.parts[at].across > bin.parts[*widest].across))
      widest = at;
  return widest;
}

/// Whether nothing lies in it, however it is split.
static bool isFree(const Bin& bin, std::size_t at) {
  const SheetPart& part = bin.parts[at];
  if (part.kind == SheetPart::Kind::Split) return isFree(bin, part.low) && isFree(bin, part.high);
  return part.kind == SheetPart::Kind::Free;
}

static int convert(SheetBuilder& builder, const CutStock& stock, const Bin& bin, std::size_t at,
                   const CutRegion& region) {
  const SheetPart& part = bin.parts[at];
  if (isFree(bin, at)) return builder.left(region);
  if (part.kind == SheetPart::Kind::Piece) return builder.piece(region, part.piece, part.isTurned);
  const SheetPart& first = bin.parts[part.low];
  if ((part.isBeside ? first.across : first.along) == 0)  // pushed together
    return convert(builder, stock, bin, part.high, region);
  const Micrometres low = (part.isBeside ? first.across : first.along) - stock.kerf;
  if (low >= (part.isBeside ? region.across : region.along))
    return convert(builder, stock, bin, part.low, region);
  const int lowNode =
      convert(builder, stock, bin, part.low, builder.lowOf(part.isBeside, region, low));
  const int highNode =
      convert(builder, stock, bin, part.high, builder.highOf(part.isBeside, region, low));
  return builder.cut(part.isBeside, region, low, lowNode, highNode);
}

CutSheet sheetOf(const MaterialJob& job, const Bin& bin) {
  SheetBuilder builder(job, bin.stock);
  const CutStock& stock = job.stock(bin.stock);
  const CutRegion whole =
      stock.form == StockForm::Roll ? builder.whole(bin.end - stock.kerf) : builder.whole();
  return builder.finish(convert(builder, stock, bin, 0, whole));
}

}  // namespace drapery
