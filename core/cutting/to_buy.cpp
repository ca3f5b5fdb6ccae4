#include "core/cutting/to_buy.h"

#include <algorithm>

#include "core/cutting/cut_rectangle.h"
#include "core/cutting/lay_out.h"

namespace drapery {

namespace {
constexpr std::uint64_t kTries = 60;
constexpr Micrometres kLongRoll = 1'000'000'000;  // a kilometre
}  // namespace

std::vector<ToBuy> toBuy(const CutProblem& problem, const CutLayout& layout,
                         const std::vector<bool>& canBuy) {
  if (layout.unplaced.empty()) return {};
  CutProblem endless = problem;
  for (std::size_t s = 0; s < endless.stocks.size(); ++s) {
    CutStock& stock = endless.stocks[s];
    if (!canBuy[s]) continue;
    stock.count.reset();
    if (stock.form == StockForm::Roll) stock.along = std::max(stock.along, kLongRoll);
  }
  LayOutLimits limits;
  limits.steps = kTries;
  std::vector<ToBuy> list;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) list.push_back({s, 0, 0});
  for (const CutSheet& sheet : layOut(endless, limits).sheets) {
    const CutStock& stock = endless.stocks[sheet.stock];
    if (stock.form == StockForm::Roll)
      list[sheet.stock].length += lengthUsed(stock, sheet) * sheet.repeat;
    else
      list[sheet.stock].sheets += sheet.repeat;
  }
  for (ToBuy& each : list) {
    const CutStock& there = problem.stocks[each.stock];
    if (there.form == StockForm::Roll)
      each.length = std::max<Micrometres>(0, each.length - there.along * there.count.value_or(1));
    else
      each.sheets = there.count ? std::max(0, each.sheets - *there.count) : 0;
  }
  std::erase_if(list, [](const ToBuy& each) { return each.sheets == 0 && each.length == 0; });
  return list;
}

}  // namespace drapery
