#include "core/cutting/to_buy.h"

#include <algorithm>
#include <set>
#include <string>

#include "core/cutting/cut_rectangle.h"
#include "core/cutting/lay_out.h"

namespace drapery {

namespace {
constexpr std::uint64_t kTries = 60;
constexpr double kSquareMetre = 1e12;  // um2
}  // namespace

std::vector<ToBuy> toBuy(const CutProblem& problem, const CutLayout& layout,
                         const std::vector<bool>& canBuy, const Reckoning& how) {
  if (layout.unplaced.empty()) return {};
  std::set<std::string> scarce;
  for (const Unplaced& each : layout.unplaced) scarce.insert(problem.pieces[each.piece].material);
  CutProblem beside = problem;
  for (CutPiece& piece : beside.pieces)
    if (scarce.count(piece.material) == 0) piece.count = 0;  // has found room
  std::erase_if(beside.pins,
                [&](const CutPin& pin) { return beside.pieces[pin.piece].count == 0; });
  for (CutStock& there : beside.stocks) there.cost = 0.0;
  std::vector<ToBuy> list;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const bool isRoll = problem.stocks[s].form == StockForm::Roll;
    if (!canBuy[s] || (!isRoll && !problem.stocks[s].count)) continue;  // or there is no end of it
    list.push_back({s, 0, 0});
    CutStock& fresh = beside.stocks.emplace_back(problem.stocks[s]);
    if (fresh.cost == 0.0) fresh.cost = roomOf(fresh) / kSquareMetre;  // as if by its size
    makeEndless(fresh);
  }
  for (const CutSheet& sheet : layOut(beside, how.limits(beside, kTries)).sheets) {
    if (sheet.stock < problem.stocks.size()) continue;
    ToBuy& each = list[sheet.stock - problem.stocks.size()];
    const CutStock& fresh = beside.stocks[sheet.stock];
    if (fresh.form == StockForm::Roll)
      each.length += lengthUsed(fresh, sheet) * sheet.repeat;
    else
      each.sheets += sheet.repeat;
  }
  std::erase_if(list, [](const ToBuy& each) { return each.sheets == 0 && each.length == 0; });
  return list;
}

}  // namespace drapery
