#include "core/cutting/thread_stock.h"

#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

Micrometres wholeMicrometres(double mm) { return static_cast<Micrometres>(std::ceil(mm * 1000)); }

}  // namespace

std::vector<ThreadThere> threadThere(const Stock& shelf, double diameter, double needed) {
  std::vector<ThreadThere> there;
  for (const StockItem& item : shelf.items)
    if (item.lies.material == kThreadMaterial && item.lies.form == StockForm::Roll)
      there.push_back(
          {item, item.lies.along >= wholeMicrometres(needed) && item.lies.count.value_or(1) > 0});
  const auto off = [diameter](const ThreadThere& each) {
    return std::abs(static_cast<double>(each.item.lies.across) / 1000 - diameter);
  };
  std::stable_sort(there.begin(), there.end(),
                   [&](const ThreadThere& a, const ThreadThere& b) { return off(a) < off(b); });
  return there;
}

StockChange threadTaken(const Stock& shelf, const StockItem& roll, double needed) {
  return takenOffRoll(shelf, roll, wholeMicrometres(needed));
}

}  // namespace drapery
