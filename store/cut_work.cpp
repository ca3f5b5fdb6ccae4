#include "store/cut_work.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <set>

#include "core/cutting/cut_rectangle.h"
#include "core/geometry/outline.h"
#include "core/plan/job_overrides.h"

namespace drapery {

namespace {

/// So much more or less than it costs, what is to be taken last or first seems to cost.
constexpr double kWeight = 1e3;

/// What a stock may be called so that a piece is cut from it, the most particular first: the piece
/// itself, the material that was named for it, what kind that is.
std::string materialOf(const PlannedPart& part, const std::vector<CutStock>& stocks) {
  for (const std::string& name : {part.rule->id, part.named})
    if (std::any_of(stocks.begin(), stocks.end(),
                    [&](const CutStock& stock) { return stock.material == name; }))
      return name;
  return part.material;
}

double perArea(const CutStock& stock) {
  const double along = stock.form == StockForm::Roll ? 1e6 : double(stock.along);
  return stock.cost / (double(stock.across) * along);
}

/// A roll so narrow is woven or braided as wide as it is.
bool isBand(const CutStock& stock) {
  constexpr Micrometres kWidest = 40'000;
  return stock.form == StockForm::Roll && stock.across <= kWidest;
}

class Gathering {
 public:
  Gathering(const std::vector<BookToCut>& books, const Stock& shelf,
            const MaterialCatalogue& catalogue)
      : books_(books), shelf_(shelf), catalogue_(catalogue), wish_(books.front().job->cutting) {}

  CutWork gather() {
    work_.problem.name = bookName(*books_.front().job);
    takeStock();
    for (std::size_t book = 0; book < books_.size(); ++book)
      for (const PlannedPart& part : books_[book].plan->parts)
        if (!books_[book].plan->isThere(part)) takePiece(book, part);
    if (wish_.mockUp.empty()) sortMakes();
    for (std::size_t i = 0; i < wish_.pins.size(); ++i) takePin(i);
    return std::move(work_);
  }

 private:
  void takeStock() {
    for (const StockItem& item : shelf_.items) {
      if (!wish_.mockUp.empty() && item.lies.id != wish_.mockUp) continue;
      work_.costs.push_back(item.lies.cost);
      work_.problem.stocks.push_back(item.lies);
      CutStock& stock = work_.problem.stocks.back();
      if (wish_.first == StockFirst::OffCuts && item.isOffCut) stock.cost /= kWeight;
      if (wish_.first == StockFirst::WholeSheets && item.isOffCut)
        stock.cost = kWeight * dearestLike(item.lies) * double(stock.across) * double(stock.along);
    }
  }
  /// By its area, of one material: off-cuts may cost nothing.
  [[nodiscard]] double dearestLike(const CutStock& stock) const {
    double most = perArea(stock);
    for (const StockItem& item : shelf_.items)
      if (item.lies.material == stock.material) most = std::max(most, perArea(item.lies));
    return most;
  }

  void takePiece(std::size_t book, const PlannedPart& part) {
    CutPiece piece;
    piece.id = part.rule->id;
    for (int n = 1; !ids_.insert(piece.id).second; ++n)
      piece.id = bookName(*books_[book].job) + (n > 1 ? " " + std::to_string(n) : "") + ": " +
                 part.rule->id;
    piece.material = wish_.mockUp.empty() || work_.problem.stocks.empty()
                         ? materialOf(part, work_.problem.stocks)
                         : work_.problem.stocks.front().material;
    piece.width = std::llround(part.cutWidth.mm() * 1000);
    piece.height = std::llround(part.cutHeight.mm() * 1000);
    const auto copies = readCopies(*books_[book].job);
    const int* often = std::get_if<int>(&copies);
    const int each = piecesOfRectangle(part, patternOf(shelf_, piece.material));
    const int wanted = part.count * (often != nullptr ? *often : 1);
    piece.grain = part.rule->grain == Grain::Height  ? PieceGrain::Height
                  : part.rule->grain == Grain::Width ? PieceGrain::Width
                                                     : PieceGrain::Free;
    if (!takeAsWideAsBand(piece)) takeAsWideAsStock(piece, part, books_[book].plan->resolution);
    constexpr double kSameCount = 1e-6;
    const int layers = layersOf(piece, book, part);
    const int rectangles = (wanted + each - 1) / each;
    const double left = rectangles - wasCut(piece, book, part);
    piece.count = static_cast<int>(std::ceil(left * layers - kSameCount));
    piece.moment = static_cast<int>(part.cutWhen);
    if (piece.count <= 0) return;
    work_.problem.pieces.push_back(std::move(piece));
    work_.pieces.push_back({book, &part, each, layers});
  }
  /// Of what is called like it and holds it. What is used up counts: more of that is to be bought,
  /// lest the rest of an edition be of other stuff.
  [[nodiscard]] int layersOf(const CutPiece& piece, std::size_t book,
                             const PlannedPart& part) const {
    const MaterialKind* kind = catalogue_.kind(part.material);
    if (kind == nullptr || kind->layers < 2 || !wish_.mockUp.empty()) return 1;
    std::vector<StockMake> there;
    for (std::size_t s = 0; s < shelf_.items.size(); ++s)
      if (const CutStock& stock = work_.problem.stocks[s];
          stock.material == piece.material && !lyingSizes(stock, piece).empty())
        there.push_back(makeOf(shelf_.items[s]));
    return layersFor(wantedMake(piece.material, part, *books_[book].plan), there, kind->layers);
  }
  /// Tape, ribbon and headband are cut to their length: what is nearly as wide as such a roll that
  /// lies there is as wide as that, which is not slit. They have no grain, strips of cloth have
  /// one.
  bool takeAsWideAsBand(CutPiece& piece) const {
    constexpr double kNearly = 0.25;  // of the band
    if (piece.grain != PieceGrain::Free) return false;
    // All of them are longer than they are wide.
    const auto wide = piece.width <= piece.height ? &CutPiece::width : &CutPiece::height;
    std::optional<CutPiece> best;
    double least = kNearly;
    for (const CutStock& stock : work_.problem.stocks) {
      if (!isBand(stock) || stock.count == 0) continue;
      CutPiece each = piece;
      each.*wide = usableOf(stock).across - stock.kerf;
      const double off = std::abs(double(piece.*wide) / double(each.*wide) - 1.0);
      if (off > least || lyingSizes(stock, each).empty()) continue;
      least = off;
      best = std::move(each);
    }
    if (best) piece = std::move(*best);
    return best.has_value();
  }
  /// What as the rule in hand rounds it goes on nothing that lies there, but does as it was
  /// reckoned, is not measured: tape is bought as wide as it is.
  void takeAsWideAsStock(CutPiece& piece, const PlannedPart& part, Length mark) const {
    const auto fits = [&](const CutPiece& each) {
      return std::any_of(work_.problem.stocks.begin(), work_.problem.stocks.end(),
                         [&](const CutStock& stock) { return !lyingSizes(stock, each).empty(); });
    };
    const auto unrounded = [&](Micrometres rounded, Length reckoned) {
      const Micrometres size = std::llround(reckoned.mm() * 1000);
      return rounded - size < std::llround(mark.mm() * 1000) ? std::min(rounded, size) : rounded;
    };
    const Micrometres width = unrounded(piece.width, part.width);
    const Micrometres height = unrounded(piece.height, part.height);
    for (const auto& [across, along] :
         {std::pair(piece.width, piece.height), std::pair(width, piece.height),
          std::pair(piece.width, height), std::pair(width, height)}) {
      CutPiece each = piece;
      each.width = across;
      each.height = along;
      if (!fits(each)) continue;
      piece = std::move(each);
      return;
    }
  }
  /// Each from what is as thick and as heavy, as far as that lies there.
  void sortMakes() {
    std::vector<WantedMake> pieces;
    for (std::size_t i = 0; i < work_.pieces.size(); ++i)
      pieces.push_back(wantedMake(work_.problem.pieces[i].material, *work_.pieces[i].part,
                                  *books_[work_.pieces[i].book].plan, work_.pieces[i].layers));
    std::vector<StockMake> stocks;
    for (const StockItem& item : shelf_.items) stocks.push_back(makeOf(item));
    const SortedMakes sorted = sortedMakes(pieces, stocks);
    for (std::size_t i = 0; i < pieces.size(); ++i)
      work_.problem.pieces[i].material = sorted.pieces[i];
    for (std::size_t i = 0; i < stocks.size(); ++i)
      work_.problem.stocks[i].material = sorted.stocks[i];
  }

  /// What was cut of it: while it was open, while the first book was, and while yet another was.
  /// Layers are parts of one.
  double wasCut(const CutPiece& piece, std::size_t book, const PlannedPart& part) {
    const BookToCut& of = books_[book];
    double count = 0.0;
    const auto add = [&](const CutDone& done, const std::string& name,
                         std::optional<std::size_t> told) {
      const auto found = done.pieces.find(name);
      if (done.isMockUp == wish_.mockUp.empty() || found == done.pieces.end()) return;
      const auto layers = done.layers.find(name);
      count +=
          double(found->second) / (layers != done.layers.end() ? std::max(layers->second, 1) : 1);
      if (told && found->second > 0) compare(done, name, piece, {*told, book, &part});
    };
    for (std::size_t i = 0; i < wish_.done.size(); ++i) {
      const CutDone& done = wish_.done[i];
      if (done.book.empty())
        add(done, piece.id, i);  // in old files all pieces, as they are called among others
      else if (done.book == of.file)
        add(done, part.rule->id, i);
    }
    if (book > 0)
      for (const CutDone& done : of.job->cutting.done)
        if (done.book.empty()) add(done, part.rule->id, std::nullopt);
    for (std::size_t i = 0; i < of.beside.size(); ++i)
      add(of.beside[i].done, part.rule->id,
          book == 0 ? std::optional(wish_.done.size() + i) : std::nullopt);
    return count;
  }
  /// With the size that it has now.
  void compare(const CutDone& done, const std::string& name, const CutPiece& piece,
               CutOtherwise with) {
    const double same = books_[with.book].plan->resolution.mm() / 2;
    const auto found = done.sizes.find(name);
    if (found == done.sizes.end()) return;
    with.was = found->second;
    with.is = {double(piece.width) / 1000, double(piece.height) / 1000};
    const double wider = with.was.width - with.is.width;
    const double higher = with.was.height - with.is.height;
    with.isTooSmall = std::min(wider, higher) <= -same;
    if (with.isTooSmall || std::max(wider, higher) >= same) work_.otherwise.push_back(with);
  }

  void takePin(std::size_t number) {
    const JobPin& said = wish_.pins[number];
    CutPin pin;
    const auto index = [](const auto& things, const std::string& id) {
      return static_cast<std::size_t>(
          std::find_if(things.begin(), things.end(),
                       [&](const auto& thing) { return thing.id == id; }) -
          things.begin());
    };
    pin.piece = index(work_.problem.pieces, said.piece);
    pin.stock = index(work_.problem.stocks, said.stock);
    if (pin.piece == work_.problem.pieces.size() || pin.stock == work_.problem.stocks.size())
      return work_.lost.push_back(number);
    pin.sheet = said.sheet;
    pin.x = std::llround(said.x * 1000);
    pin.y = std::llround(said.y * 1000);
    pin.isTurned = said.isTurned;
    work_.problem.pins.push_back(pin);
    work_.pins.push_back(number);
  }

  const std::vector<BookToCut>& books_;
  const Stock& shelf_;
  const MaterialCatalogue& catalogue_;
  const JobCutting& wish_;
  CutWork work_;
  std::set<std::string> ids_;
};

}  // namespace

const std::string& bookName(const Job& job) { return job.title.empty() ? job.id : job.title; }

int piecesOfRectangle(const PlannedPart& part, StockPattern pattern) {
  const bool isHalf = isHalfOf(part.outline, part.width.mm(), part.height.mm());
  return isHalf && pattern == StockPattern::None ? 2 : 1;
}

StockPattern patternOf(const Stock& shelf, const std::string& material) {
  for (const StockItem& item : shelf.items)
    if (item.lies.material == material && item.lies.pattern != StockPattern::None)
      return item.lies.pattern;
  return StockPattern::None;
}

WantedMake wantedMake(const std::string& material, const PlannedPart& part, const Plan& plan,
                      int layers) {
  const double thickness = plan.number(part.rule->materialOf).value_or(0.0);
  // What one of several layers is to weigh is not said.
  return {material, std::llround(thickness * 1000), layers > 1 ? std::nullopt : part.rule->grammage,
          layers};
}

bool isPaperApart(const PlannedPart& part) {
  return part.rule->isApart && part.material == "paper";
}

StockMake makeOf(const StockItem& item) {
  const double often = item.lies.count ? *item.lies.count : HUGE_VAL;
  return {item.lies.material, item.thickness, item.grammage, item.units,
          often > 0 ? often * double(item.lies.across) * double(item.lies.along) : 0.0};
}

double CutWork::costOf(const CutLayout& layout, const std::string& material) const {
  double cost = 0.0;
  for (const CutSheet& sheet : layout.sheets)
    if (const CutStock& stock = problem.stocks[sheet.stock]; stock.material == material)
      cost += costs[sheet.stock] * oftenOf(stock, sheet);
  return cost;
}

std::map<std::size_t, int> CutWork::inTwoOn(const CutSheet& sheet) const {
  std::map<std::size_t, int> rectangles;
  for (const CutPlacement& at : sheet.placements)
    if (pieces[at.piece].each == 2) rectangles[at.piece] += sheet.repeat;
  return rectangles;
}

bool CutWork::isLeastOfWhole(const CutLayout& layout, const MaterialCost& cost) const {
  constexpr double kSame = 1e-9;
  if (cost.isProven) return true;
  double whole = 0.0, offCuts = 0.0;  // what is taken; what all of them weigh
  std::optional<double> step;  // between two sums of whole sheets: 0 where it may be anything
  const auto isOffCut = [&](std::size_t s) { return problem.stocks[s].cost < costs[s]; };
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const CutStock& stock = problem.stocks[s];
    if (stock.material != cost.material || stock.cost <= 0) continue;
    if (isOffCut(s) && !stock.count) return false;
    if (isOffCut(s))
      offCuts += stock.cost * *stock.count;
    else if (stock.form == StockForm::Roll || (step && *step != stock.cost))
      step = 0.0;
    else
      step = stock.cost;
  }
  if (!step || !cost.isWhole) return false;
  for (const CutSheet& sheet : layout.sheets)
    if (const CutStock& stock = problem.stocks[sheet.stock];
        stock.material == cost.material && !isOffCut(sheet.stock))
      whole += stock.cost * oftenOf(stock, sheet);
  return whole - std::max(0.0, cost.bound - offCuts) < std::max(*step - kSame, kSame);
}

std::vector<const PlannedPart*> BooksLaidOut::parts() const {
  std::vector<const PlannedPart*> all;
  for (const CutWork::Piece& piece : work.pieces) all.push_back(piece.part);
  return all;
}

std::vector<OtherMake> BooksLaidOut::otherMakesOn(const Stock& shelf, std::size_t piece,
                                                  std::size_t stock) const {
  std::vector<OtherMake> all;
  const StockItem* item = shelf.named(work.problem.stocks[stock].id);
  if (item == nullptr || !books.front().job->cutting.mockUp.empty()) return all;
  const CutWork::Piece& of = work.pieces[piece];
  const Plan& plan = *books[of.book].plan;
  const WantedMake wanted = wantedMake(item->lies.material, *of.part, plan, of.layers);
  const StockMake make = makeOf(*item);
  using What = OtherMake::What;
  if (of.layers > 1) all.push_back({piece, item, wanted, What::Layers});
  if (isOtherThickness(wanted, make)) all.push_back({piece, item, wanted, What::Thickness});
  if (isOtherWeight(wanted, make)) all.push_back({piece, item, wanted, What::Weight});
  if (isPaperApart(*of.part) && item->lies.material == of.part->material)
    all.push_back({piece, item, wanted, What::Plain});
  const CutPiece& cut = work.problem.pieces[piece];
  const double mark = plan.resolution.mm();
  for (const auto& [size, reckoned] :
       {std::pair(cut.width, of.part->cutWidth), std::pair(cut.height, of.part->cutHeight)})
    if (isBand(item->lies) && std::abs(double(size) / 1000 - reckoned.mm()) > mark)
      all.push_back({piece, item, wanted, What::Width, std::llround(reckoned.mm() * 1000)});
  return all;
}

std::vector<OtherMake> BooksLaidOut::otherMakes(const Stock& shelf) const {
  std::vector<OtherMake> all;
  std::set<std::pair<std::size_t, std::size_t>> seen;
  for (const CutSheet& sheet : layout.sheets)
    for (const CutPlacement& at : sheet.placements) {
      if (!seen.insert({at.piece, sheet.stock}).second) continue;
      const auto some = otherMakesOn(shelf, at.piece, sheet.stock);
      all.insert(all.end(), some.begin(), some.end());
    }
  return all;
}

std::vector<OtherMake> BooksLaidOut::onlyOtherMakes(const Stock& shelf) const {
  std::vector<OtherMake> all;
  const CutProblem& problem = work.problem;
  for (std::size_t piece = 0; piece < problem.pieces.size(); ++piece) {
    std::vector<OtherMake> some;
    bool isAnyRight = false;
    for (std::size_t stock = 0; stock < problem.stocks.size(); ++stock) {
      if (problem.stocks[stock].material != problem.pieces[piece].material ||
          lyingSizes(problem.stocks[stock], problem.pieces[piece]).empty())
        continue;
      const auto other = otherMakesOn(shelf, piece, stock);
      some.insert(some.end(), other.begin(), other.end());
      isAnyRight = isAnyRight || other.empty();
    }
    if (!isAnyRight) all.insert(all.end(), some.begin(), some.end());
  }
  return all;
}

CutWork cutWorkOf(const std::vector<BookToCut>& books, const Stock& shelf,
                  const MaterialCatalogue& catalogue) {
  return Gathering(books, shelf, catalogue).gather();
}

CutWork cutWorkOfOne(const BookToCut& book, const Stock& shelf,
                     const MaterialCatalogue& catalogue) {
  Job one = *book.job;
  one.copies.reset();
  one.cutting.done.clear();
  one.cutting.pins.clear();
  return cutWorkOf({{std::make_shared<const Job>(std::move(one)), book.plan}}, shelf, catalogue);
}

}  // namespace drapery
