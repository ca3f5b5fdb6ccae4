#include "store/shopping_list.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <string>
#include <tuple>
#include <vector>

#include "core/cutting/lay_out.h"
#include "core/cutting/shortfall.h"
#include "store/cut_books.h"

namespace drapery {

namespace {

constexpr std::size_t kMostSizes = 4;
constexpr std::uint64_t kTries = 20;  // of each size

Micrometres micrometres(Length length) { return std::llround(length.mm() * 1000); }

class Shopping {
 public:
  Shopping(const BooksLaidOut& found, const Stock& shelf, const MaterialCatalogue& catalogue,
           const Reckoning& how)
      : found_(found),
        problem_(found.work.problem),
        shelf_(shelf),
        catalogue_(catalogue),
        how_(how) {}

  ShoppingList list() {
    list_.isRough = how_.isRough;
    std::vector<bool> canBuy;
    for (const CutStock& stock : problem_.stocks) canBuy.push_back(this->canBuy(stock));
    list_.more = toBuy(problem_, found_.layout, canBuy, how_);
    for (const Unplaced& each : found_.layout.unplaced)
      if (!fitsWhatIsSold(each.piece)) put(each);
    for (ToGet& each : list_.missing) findSizes(each);
    return std::move(list_);
  }

 private:
  [[nodiscard]] bool canBuy(const CutStock& stock) const {
    const StockItem* item = shelf_.named(stock.id);
    return item == nullptr || !item->isOffCut;
  }

  /// There is a stock that it fits, and that is not merely an off-cut.
  [[nodiscard]] bool fitsWhatIsSold(std::size_t piece) const {
    const auto lacks = shortfallOf(problem_, piece);
    if (!lacks || lacks->isPatternAgainst || lacks->acrossGrain > 0 || lacks->alongGrain > 0)
      return false;
    return std::any_of(problem_.stocks.begin(), problem_.stocks.end(), [&](const CutStock& stock) {
      return stock.material == problem_.pieces[piece].material && canBuy(stock);
    });
  }

  void put(const Unplaced& unplaced) {
    const CutWork::Piece& of = found_.work.pieces[unplaced.piece];
    ToGet wanted;
    const WantedMake wants =
        wantedMake(of.part->material, *of.part, *found_.books[of.book].plan, of.layers);
    wanted.kind = wants.material;
    wanted.named = of.part->named;
    if (isPaperApart(*of.part) && wanted.named.empty()) wanted.apart = of.part->rule->id;
    wanted.thickness = wants.thickness / wants.layers;
    wanted.units = found_.books[of.book].plan->units;
    wanted.grammage = wants.grammage;
    const auto make = [](const ToGet& each) {
      const GrammageBand band = each.grammage.value_or(GrammageBand());
      return std::tuple(each.kind, each.named, each.apart, each.thickness, band.least, band.most);
    };
    auto same = std::find_if(list_.missing.begin(), list_.missing.end(),
                             [&](const ToGet& each) { return make(each) == make(wanted); });
    if (same == list_.missing.end())
      same = list_.missing.insert(list_.missing.end(), std::move(wanted));
    same->pieces.push_back(unplaced);
  }

  void findSizes(ToGet& wanted) {
    const MaterialKind* kind = catalogue_.kind(wanted.kind);
    if (kind == nullptr) return;
    wanted.instead = kind->instead;
    for (const Unplaced& each : wanted.pieces) {
      const CutPiece& piece = problem_.pieces[each.piece];
      if (kind->isByLength) wanted.length += std::max(piece.width, piece.height) * each.count;
    }
    std::vector<SoldSize> sizes;
    for (const MaterialKind::Sheet& sheet : kind->sheets) {
      SoldSize& size = sizes.emplace_back();
      size.of.across = micrometres(sheet.width);
      size.of.along = micrometres(sheet.height);
      size.name = sheet.name;
      size.units = sheet.units;
    }
    for (const MaterialKind::Roll& roll : kind->rolls) {
      SoldSize& size = sizes.emplace_back();
      size.of.form = StockForm::Roll;
      size.of.across = micrometres(roll.width);
      size.units = roll.units;
    }
    std::vector<CutPiece> pieces;
    for (const Unplaced& each : wanted.pieces) {
      pieces.push_back(problem_.pieces[each.piece]);
      pieces.back().count = each.count;
    }
    wanted.sold = soldSizes(std::move(pieces), sizes, how_.limits(problem_, kTries));
    wanted.isTooLarge = !how_.isOver() && !sizes.empty() && wanted.sold.empty();
    if (wanted.sold.size() > kMostSizes) wanted.sold.resize(kMostSizes);
  }

  const BooksLaidOut& found_;
  const CutProblem& problem_;
  const Stock& shelf_;
  const MaterialCatalogue& catalogue_;
  const Reckoning& how_;
  ShoppingList list_;
};

}  // namespace

BooksLaidOut laidOnShopping(const BooksLaidOut& found, const MaterialCatalogue& catalogue,
                            const Reckoning& how) {
  Stock bought;
  std::vector<const ToGet*> wanted;  // beside what is bought
  for (const ToGet& each : found.shopping.missing) {
    if (each.sold.empty()) continue;
    StockItem item = stockBought(each, each.sold.front());
    const std::string stem = item.lies.id;
    for (int number = 2; bought.named(item.lies.id) != nullptr; ++number)
      item.lies.id = stem + " " + std::to_string(number);
    bought.items.push_back(std::move(item));
    wanted.push_back(&each);
  }
  BooksLaidOut supposed;
  supposed.books = found.books;
  supposed.shopping = found.shopping;
  supposed.isSupposed = true;
  supposed.work = cutWorkOf(supposed.books, bought, catalogue);
  // Each for its own pieces, which are numbered as before, as when it was reckoned how much of it
  // they take. For a mock-up none of it is cut.
  CutProblem& problem = supposed.work.problem;
  std::set<std::string> materials;
  const bool isMockUp = !found.books.front().job->cutting.mockUp.empty();
  for (std::size_t s = 0; !isMockUp && s < problem.stocks.size(); ++s) {
    CutStock& stock = problem.stocks[s];
    makeEndless(stock);
    if (!materials.insert(stock.material).second) stock.material = stock.id;
    for (const Unplaced& of : wanted[s]->pieces) problem.pieces[of.piece].material = stock.material;
  }
  supposed.layout = layOut(problem, how.limits(found.work.problem, kTries));
  return supposed;
}

ShoppingList shoppingList(const BooksLaidOut& found, const Stock& shelf,
                          const MaterialCatalogue& catalogue, const Reckoning& how) {
  return Shopping(found, shelf, catalogue, how).list();
}

}  // namespace drapery
