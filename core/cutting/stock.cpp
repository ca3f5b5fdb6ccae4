#include "core/cutting/stock.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/cutting/cut_rectangle.h"

namespace drapery {

namespace {

double areaOf(Micrometres across, Micrometres along) { return double(across) * double(along); }

/// "grey board, off-cut 3": the first that is free.
/// @param mark ", off-cut"
std::string nameLeft(const Stock& shelf, const std::vector<StockItem>& given, const std::string& of,
                     const std::string& mark) {
  const std::string stem = of.substr(0, of.find(mark)) + mark;
  for (int number = 1;; ++number) {
    std::string name = stem + " " + std::to_string(number);
    const bool isGiven = std::any_of(given.begin(), given.end(),
                                     [&](const StockItem& item) { return item.lies.id == name; });
    if (!isGiven && shelf.named(name) == nullptr) return name;
  }
}

StockItem offCutOf(const StockItem& from, const CutStock& stock, const CutPlacement& left,
                   Micrometres length) {
  StockItem item = from;
  item.isOffCut = true;
  item.note.clear();
  item.lies.form = StockForm::Sheet;
  item.lies.across = left.across;
  item.lies.along = left.along;
  item.lies.left = item.lies.right = item.lies.bottom = item.lies.top = 0;
  const double whole =
      stock.form == StockForm::Roll ? stock.cost * double(length) / 1e6 : stock.cost;
  const double share = areaOf(left.across, left.along) / areaOf(stock.across, length);
  item.lies.cost = std::round(whole * share * 100) / 100;
  return item;
}

std::vector<StockItem>::iterator find(Stock& shelf, const std::string& id) {
  return std::find_if(shelf.items.begin(), shelf.items.end(),
                      [&](const StockItem& item) { return item.lies.id == id; });
}

}  // namespace

const StockItem* Stock::named(const std::string& id) const {
  const auto at = std::find_if(items.begin(), items.end(),
                               [&](const StockItem& item) { return item.lies.id == id; });
  return at == items.end() ? nullptr : &*at;
}

StockItem withDifference(StockItem item, const StockItem& from, const StockItem& to) {
  const auto take = [&](auto member) {
    if (from.*member != to.*member) item.*member = to.*member;
  };
  const auto takeLies = [&](auto member) {
    if (from.lies.*member != to.lies.*member) item.lies.*member = to.lies.*member;
  };
  take(&StockItem::units);
  take(&StockItem::thickness);
  take(&StockItem::grammage);
  take(&StockItem::place);
  take(&StockItem::note);
  take(&StockItem::isOffCut);
  take(&StockItem::grainTest);
  takeLies(&CutStock::id);
  takeLies(&CutStock::material);
  takeLies(&CutStock::form);
  takeLies(&CutStock::grain);
  takeLies(&CutStock::pattern);
  takeLies(&CutStock::count);
  takeLies(&CutStock::cost);
  for (const auto length : {&CutStock::across, &CutStock::along, &CutStock::left, &CutStock::right,
                            &CutStock::bottom, &CutStock::top, &CutStock::kerf})
    takeLies(length);
  return item;
}

std::variant<Stock, Issue> itemChanged(const Stock& shelf, const StockItem& from,
                                       const StockItem& to) {
  Stock after = shelf;
  const auto at = find(after, from.lies.id);
  if (at == after.items.end()) return Issue{"stock-unknown", {{"name", from.lies.id}}, {}, {}, {}};
  if (from.lies.id != to.lies.id && shelf.named(to.lies.id) != nullptr)
    return Issue{"stock-name", {{"name", to.lies.id}}, {}, {}, {}};
  *at = withDifference(*at, from, to);
  return after;
}

StockChange takenOf(const Stock& shelf, const StockItem& item, int count) {
  const auto at = std::find_if(shelf.items.begin(), shelf.items.end(),
                               [&](const StockItem& each) { return each.lies.id == item.lies.id; });
  StockChange change;
  change.taken.push_back(
      {item, static_cast<std::size_t>(at - shelf.items.begin()), count, Micrometres(0)});
  return change;
}

StockChange takenOffRoll(const Stock& shelf, const StockItem& roll, Micrometres length) {
  const bool isOneOfSeveral = roll.lies.count.value_or(1) > 1 && length <= roll.lies.along;
  StockChange change = takenOf(shelf, roll, isOneOfSeveral ? 1 : 0);
  if (!isOneOfSeveral) {
    change.taken.front().length = length;
    return change;
  }
  if (length == roll.lies.along) return change;
  StockItem begun = roll;
  begun.lies.id = nameLeft(shelf, {}, roll.lies.id, ", begun");
  begun.lies.count = 1;
  begun.lies.along -= length;
  change.given.push_back(std::move(begun));
  return change;
}

std::variant<StockChange, Issue> stockChangeOf(const Stock& shelf, const CutStock& stock,
                                               const CutSheet& sheet, int times) {
  const StockItem* item = shelf.named(stock.id);
  if (item == nullptr) return Issue{"stock-unknown", {{"name", stock.id}}, {}, {}, {}};
  const Micrometres length = lengthUsed(stock, sheet);
  StockChange change = stock.form == StockForm::Roll ? takenOffRoll(shelf, *item, length)
                                                     : takenOf(shelf, *item, times);
  std::map<std::pair<Micrometres, Micrometres>, std::size_t> alike;
  for (const CutPlacement& left : usableLeft(stock, sheet, shelf.usable)) {
    const auto [found, isNew] = alike.try_emplace({left.across, left.along}, change.given.size());
    if (!isNew) {
      *change.given[found->second].lies.count += times;
      continue;
    }
    StockItem offCut = offCutOf(*item, stock, left, length);
    offCut.lies.id = nameLeft(shelf, change.given, stock.id, ", off-cut");
    offCut.lies.count = times;
    change.given.push_back(std::move(offCut));
  }
  return change;
}

std::variant<Stock, Issue> afterCutting(const Stock& shelf, const StockChange& change) {
  Stock after = shelf;
  for (const StockChange::Taken& taken : change.taken) {
    const auto at = find(after, taken.item.lies.id);
    if (at == after.items.end())
      return Issue{"stock-unknown", {{"name", taken.item.lies.id}}, {}, {}, {}};
    const auto shortOf = [&](const std::string& there, const std::string& needed) {
      return Issue{"stock-short",
                   {{"name", taken.item.lies.id}, {"there", there}, {"needed", needed}},
                   {},
                   {},
                   {}};
    };
    if (at->lies.count && *at->lies.count < std::max(taken.count, 1))
      return shortOf(std::to_string(*at->lies.count), std::to_string(std::max(taken.count, 1)));
    if (at->lies.along < taken.length)
      return shortOf(std::to_string(at->lies.along / 1000) + " mm",
                     std::to_string(taken.length / 1000) + " mm");
    if (at->lies.count) *at->lies.count -= taken.count;
    at->lies.along -= taken.length;
    // A sheet that is used up keeps its place in the list, for the next that are bought.
    const bool isOver = at->isOffCut && at->lies.count == 0;
    if (isOver || at->lies.along == 0) after.items.erase(at);
  }
  for (const StockItem& given : change.given) {
    if (after.named(given.lies.id) != nullptr)
      return Issue{"stock-name", {{"name", given.lies.id}}, {}, {}, {}};
    after.items.push_back(given);
  }
  return after;
}

std::variant<Stock, Issue> cutTakenBack(const Stock& shelf, const StockChange& change) {
  Stock before = shelf;
  for (const StockItem& given : change.given) {
    const auto at = find(before, given.lies.id);
    const int count = given.lies.count.value_or(0);
    if (at == before.items.end() || at->lies.count.value_or(count) < count ||
        at->lies.along < given.lies.along)
      return Issue{"stock-used", {{"name", given.lies.id}}, {}, {}, {}};
    if (!at->lies.count) continue;  // since then said to be as many as are wanted
    *at->lies.count -= count;
    if (*at->lies.count == 0) before.items.erase(at);
  }
  for (const StockChange::Taken& taken : change.taken) {
    const auto at = find(before, taken.item.lies.id);
    if (at == before.items.end()) {
      StockItem again = taken.item;
      if (taken.length > 0)
        again.lies.along = taken.length;
      else if (again.lies.count)
        again.lies.count = taken.count;
      const std::size_t place = std::min(taken.place, before.items.size());
      before.items.insert(before.items.begin() + static_cast<std::ptrdiff_t>(place),
                          std::move(again));
      continue;
    }
    if (at->lies.count) *at->lies.count += taken.count;
    at->lies.along += taken.length;
  }
  return before;
}

}  // namespace drapery
