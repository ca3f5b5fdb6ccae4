// Thread on the shelf: rolls of the material "thread", as wide as it is thick.
#pragma once

#include <vector>

#include "core/cutting/stock.h"

namespace drapery {

inline constexpr const char* kThreadMaterial = "thread";

struct ThreadThere {
  StockItem item;
  bool isEnough = false;  // for the length that was asked for
};

/// The nearest in thickness first.
/// @param diameter, needed in mm
std::vector<ThreadThere> threadThere(const Stock& shelf, double diameter, double needed);

/// What taking so much thread changes; see `afterCutting`.
StockChange threadTaken(const Stock& shelf, const StockItem& roll, double needed);

}  // namespace drapery
