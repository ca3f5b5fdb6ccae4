// Where one more piece goes among the sheets that are begun.
#pragma once

#include <array>
#include <vector>

#include "core/cutting/bin.h"

namespace drapery {

/// How the next place is chosen and what is left beside it.
struct PlacingHabit {
  enum class Fit { LeastArea, ShortestSide, Lowest } fit = Fit::LeastArea;
  bool isLarge = true;  // the larger rest stays whole
  enum class Order { Area, LongerSide, Height, Width } order = Order::Area;  // of the pieces
  double noise = 0.0;                                                        // in that order

  static constexpr std::array kFits{Fit::LeastArea, Fit::ShortestSide, Fit::Lowest};
  static constexpr std::array kOrders{Order::Area, Order::LongerSide, Order::Height, Order::Width};
};

/// The more, the earlier it goes.
double placingSize(const MaterialJob& job, std::size_t kind, PlacingHabit::Order order);

/// False where there is no room for it.
/// @param first sheet that is looked at
bool putPiece(const MaterialJob& job, std::vector<Bin>& bins, std::size_t kind,
              const PlacingHabit& habit, std::size_t first = 0);

}  // namespace drapery
