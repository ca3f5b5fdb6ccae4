#include "core/cutting/sheet_builder.h"

#include <algorithm>
#include <utility>

namespace drapery {

SheetBuilder::SheetBuilder(const MaterialJob& job, std::size_t stock)
    : job_(job),
      stock_(job.stock(stock)),
      usable_(usableOf(stock_)),
      kerf_(stock_.kerf),
      sheet_{job.stocks[stock], 1, {}, {}} {}

CutRegion SheetBuilder::whole(Micrometres along) const {
  return {stock_.left, stock_.bottom, usable_.across - kerf_, along};
}

int SheetBuilder::add(CutNode node) {
  sheet_.cuts.push_back(node);
  return static_cast<int>(sheet_.cuts.size()) - 1;
}

CutRegion SheetBuilder::lowOf(bool isAlongX, const CutRegion& region, Micrometres low) const {
  CutRegion part = region;
  (isAlongX ? part.across : part.along) = low;
  return part;
}

CutRegion SheetBuilder::highOf(bool isAlongX, const CutRegion& region, Micrometres low) const {
  CutRegion part = region;
  (isAlongX ? part.x : part.y) += low + kerf_;
  (isAlongX ? part.across : part.along) -= low + kerf_;
  return part;
}

int SheetBuilder::cut(bool isAlongX, const CutRegion& region, Micrometres low, int lowNode,
                      int highNode) {
  CutNode node;
  node.kind = isAlongX ? CutNode::Kind::CutAcross : CutNode::Kind::CutAlong;
  node.at = (isAlongX ? region.x : region.y) + low;
  node.low = lowNode;
  node.high = highNode;
  return add(node);
}

int SheetBuilder::left(const CutRegion& region) {
  return region.across > 0 && region.along > 0 ? add({}) : -1;
}

template <typename Make>
int SheetBuilder::corner(const CutRegion& region, Micrometres across, Micrometres along,
                         Make make) {
  const bool isWide = region.across > across, isHigh = region.along > along;
  if (!isWide && !isHigh) return make(region);
  // First the cut that leaves the larger rectangle whole.
  const Micrometres beside = region.across - across - kerf_, above = region.along - along - kerf_;
  const bool isXFirst = !isHigh || (isWide && std::max(beside * region.along, across * above) >=
                                                  std::max(beside * along, region.across * above));
  const Micrometres low = isXFirst ? across : along;
  const int inside = corner(lowOf(isXFirst, region, low), across, along, make);
  const int rest = left(highOf(isXFirst, region, low));
  return cut(isXFirst, region, low, inside, rest);
}

int SheetBuilder::piece(const CutRegion& region, std::size_t kind, bool isTurned) {
  const CutPiece& of = job_.kind(kind);
  const Micrometres across = isTurned ? of.height : of.width;
  const Micrometres along = isTurned ? of.width : of.height;
  return corner(region, across, along, [&](const CutRegion& here) {
    sheet_.placements.push_back({job_.kinds[kind], here.x, here.y, across, along, isTurned});
    CutNode node;
    node.kind = CutNode::Kind::Piece;
    node.placement = sheet_.placements.size() - 1;
    return add(node);
  });
}

int SheetBuilder::box(const BoxFronts& fronts, std::size_t set, std::size_t which,
                      const CutRegion& region) {
  const CutBox& of = fronts.of(set)[which];
  if (of.low == 0) return piece(region, of.kind, of.isTurned);
  return corner(region, of.across - kerf_, of.along - kerf_, [&](const CutRegion& here) {
    const CutBox& first = fronts.of(of.low)[of.lowBox];
    const Micrometres low = (of.isBeside ? first.across : first.along) - kerf_;
    const int lowNode = box(fronts, of.low, of.lowBox, lowOf(of.isBeside, here, low));
    const int highNode = box(fronts, of.high, of.highBox, highOf(of.isBeside, here, low));
    return cut(of.isBeside, here, low, lowNode, highNode);
  });
}

/// Nodes were added from the leaves up: the last is the whole.
CutSheet SheetBuilder::finish(int root) {
  std::swap(sheet_.cuts.front(), sheet_.cuts[static_cast<std::size_t>(root)]);
  for (CutNode& node : sheet_.cuts)
    for (int* child : {&node.low, &node.high}) {
      if (*child == 0)
        *child = root;
      else if (*child == root)
        *child = 0;
    }
  return std::move(sheet_);
}

}  // namespace drapery
