// A sheet's cuts put together from its whole usable rectangle down to the pieces.
#pragma once

#include "core/cutting/box_fronts.h"
#include "core/cutting/cut_layout.h"

namespace drapery {

/// A rectangle of the stock as it is, not enlarged.
struct CutRegion {
  Micrometres x = 0, y = 0, across = 0, along = 0;
};

class SheetBuilder {
 public:
  SheetBuilder(const MaterialJob& job, std::size_t stock);

  /// The usable rectangle; of a roll so much of it.
  [[nodiscard]] CutRegion whole(Micrometres along) const;
  [[nodiscard]] CutRegion whole() const { return whole(usable_.along - kerf_); }

  /// Splits a region `low` from its edge, across or along; either node may be -1. The regions are
  /// told by `lowOf` and `highOf`.
  int cut(bool isAlongX, const CutRegion& region, Micrometres low, int lowNode, int highNode);
  [[nodiscard]] CutRegion lowOf(bool isAlongX, const CutRegion& region, Micrometres low) const;
  [[nodiscard]] CutRegion highOf(bool isAlongX, const CutRegion& region, Micrometres low) const;
  /// A region with nothing more in it; -1 where there is none.
  int left(const CutRegion& region);
  /// A piece that fills a region, or lies in its corner.
  int piece(const CutRegion& region, std::size_t kind, bool isTurned);
  /// A taking's box in the corner of a region.
  int box(const BoxFronts& fronts, std::size_t set, std::size_t which, const CutRegion& region);

  /// With the node of the whole first.
  CutSheet finish(int root);

 private:
  int add(CutNode node);
  /// What lies in the corner, and what is left beside and above it.
  template <typename Make>
  int corner(const CutRegion& region, Micrometres across, Micrometres along, Make make);

  const MaterialJob& job_;
  const CutStock& stock_;
  UsableSize usable_;
  Micrometres kerf_;
  CutSheet sheet_;
};

}  // namespace drapery
