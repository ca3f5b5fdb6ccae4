#include "app/cutting/cut_desk.h"

#include <QCoreApplication>
#include <QEventLoop>
#include <QFile>
#include <QFileInfo>
#include <algorithm>
#include <utility>

#include "core/cutting/better_layout.h"
#include "core/cutting/edge_cuts.h"
#include "core/cutting/lay_out.h"
#include "store/shopping_list.h"

namespace drapery {

namespace {
// Seconds.
constexpr double kWatched = 5.0;
constexpr double kUnwatched = 0.4;
}  // namespace

CutDesk::CutDesk(Document& book, StockRoom& room, const Settings& settings, QObject* parent)
    : QObject(parent),
      book_(book),
      room_(room),
      settings_(settings),
      found_(std::make_shared<Found>()) {
  pool_.setMaxThreadCount(1);
  connect(&book_, &Document::planChanged, this, &CutDesk::renew);
  connect(&book_, &Document::jobChanged, this, &CutDesk::renew);
  connect(&room_, &StockRoom::changed, this, &CutDesk::renew);
  renew();
}

CutDesk::~CutDesk() {
  ++generation_;
  pool_.waitForDone();
}

Micrometres CutDesk::shear() const { return std::llround(settings_.number("shear_mm") * 1000); }

std::shared_ptr<const BenchWork> CutDesk::bench() {
  const Bench now = benchNow();
  if (!bench_ || benchOn_ != now) bench_ = benched(*found_, now);
  benchOn_ = now;
  return bench_;
}

std::shared_ptr<const BenchWork> CutDesk::benched(const Found& found, const Bench& on) {
  return std::make_shared<const BenchWork>(
      benchWork(found.work.problem, found.layout, on.usable, on.longest));
}

void CutDesk::setWatched(bool isWatched) {
  isWatched_ = isWatched;
  if (isWatched && room_.stock().items.empty()) renew();  // what is to be bought
  if (isWatched && isShort_ && (isSearching_ || !found_->layout.isSettled)) search();
}

/// Until there is a first lay-out nothing is there that would do.
void CutDesk::stop() {
  if (!isSearching_ || next_ || found_->isSupposed) return;
  isSearching_ = false;
  Search search = searchFor(*found_);
  search.bench = bench();
  pool_.start([this, search = std::move(search)]() mutable { reckon(search); });
  emit changed();
}

bool CutDesk::canLookOn() const {
  const auto& materials = found_->layout.materials;
  return isReady_ && !isSearching_ && !next_ && !found_->isSupposed &&
         std::any_of(materials.begin(), materials.end(),
                     [](const MaterialCost& cost) { return cost.isWhole && !cost.isProven; });
}

void CutDesk::lookOn() {
  if (!canLookOn()) return;
  ++looks_;
  before_ = meritFound();
  isInVain_ = false;
  search();
}

CutDesk::Merit CutDesk::meritFound() const {
  int unplaced = 0;
  for (const Unplaced& each : found_->layout.unplaced) unplaced += each.count;
  double cost = 0.0;
  for (const MaterialCost& each : found_->layout.materials) cost += each.cost;
  return {unplaced, cost, -largestLeft(found_->work.problem, found_->layout)};
}

void CutDesk::settle() {
  while (isSearching_) QCoreApplication::processEvents(QEventLoop::WaitForMoreEvents);
}

/// The open book, and those that it is cut together with.
void CutDesk::gather(Found& found) {
  found.books.push_back(
      {std::make_shared<const Job>(book_.shownJob()), std::make_shared<const Plan>(book_.plan())});
  const std::string path =
      QFile::encodeName(QFileInfo(book_.path()).absoluteFilePath()).toStdString();
  issues_ = gatherBooks(found, path, elsewhere_,
                        [this](const std::string& file) { return otherBook(file); });
}

const BookRead& CutDesk::otherBook(const std::string& path) {
  const QDateTime written = QFileInfo(QFile::decodeName(path.c_str())).lastModified();
  Other& other = others_[path];
  const bool isKnown = other.book.job || other.book.issue;
  if (!isKnown || other.written != written) other = {written, readBookToCut(path, book_.library())};
  return other.book;
}

void CutDesk::renew() {
  issues_.clear();
  const bool isEmpty = room_.stock().items.empty();
  if (isEmpty && !isReady_ && !isWatched_) {  // nothing to be laid out, and nothing was
    if (!std::exchange(isEmpty_, true)) emit changed();
    return;
  }
  isEmpty_ = false;
  auto found = std::make_shared<Found>();
  gather(*found);
  found->work = cutWorkOf(found->books, room_.stock(), *book_.library().catalogue());
  const bool wasReady = isReady_;
  isReady_ = book_.missing().empty() && (!isEmpty || isWatched_);
  const auto& last = next_ ? next_ : found_;
  if (found->work.problem == last->work.problem && wasReady == isReady_ && !last->isSupposed) {
    // The same pieces by other words, perhaps: the lay-out is theirs, or what is awaited is.
    if (next_) {
      next_ = std::move(found);
    } else {
      found->layout = std::move(found_->layout);
      found->shopping = std::move(found_->shopping);
      found->spare = std::move(found_->spare);
      found->enough = std::move(found_->enough);
      found_ = std::move(found);
    }
    emit changed();
    return;
  }
  // What it was laid out like before is shown until there is another.
  if (!isReady_) {
    ++generation_;
    isSearching_ = false;
    next_.reset();
    found_ = std::move(found);
    bench_.reset();
    emit changed();
    return;
  }
  next_ = std::move(found);
  looks_ = 0;
  isInVain_ = false;
  search();
}

CutDesk::Search CutDesk::searchFor(const Found& of) {
  return {++generation_, of, room_.stock(), book_.library().catalogue(), benchNow(), 1 + looks_};
}

void CutDesk::search() {
  if (!isReady_) return;
  isSearching_ = true;
  isShort_ = !isWatched_;
  pool_.start([this, search = searchFor(next_ ? *next_ : *found_),
               seconds = isWatched_ ? kWatched : kUnwatched]() mutable {
    layOutPieces(search, seconds);
    reckon(search);
  });
  emit changed();
}

void CutDesk::layOutPieces(Search& search, double seconds) {
  LayOutLimits limits;
  limits.seconds = seconds;
  limits.seed = search.seed;
  // A search that goes on where one ended begins anew: what was found by then is not left for less.
  const CutLayout before = search.of.layout;
  limits.isCancelled = [&] { return isOver(search); };
  const auto take = [&](const CutLayout& layout) {
    if (isOver(search)) return;
    search.of.layout = betterOfEach(search.of.work.problem, before, layout);
    search.bench = benched(search.of, search.on);
  };
  if (!search.shelf.items.empty())
    limits.onBetter = [&](const CutLayout& layout) {
      take(layout);
      tell({search, false, false});
    };
  take(layOut(search.of.work.problem, limits));
}

/// What is to be bought, what could be spared, and for how many it is enough. Where nothing lies
/// there that is all there is to see: first as it is at a glance.
void CutDesk::reckon(Search& search) {
  const bool isEmpty = search.shelf.items.empty();
  for (const bool isRough : {true, false}) {
    if (isOver(search)) return;
    if (isRough && !isEmpty) continue;
    const Reckoning how{isRough, [&] { return isOver(search); }};
    Told told{search, true, !isRough};
    if (!search.of.layout.unplaced.empty())
      told.of.shopping = shoppingList(search.of, search.shelf, *search.catalogue, how);
    if (isEmpty) {
      told.of = laidOnShopping(told.of, *search.catalogue, how);
      told.bench = benched(told.of, search.on);
    } else {
      told.of.spare = spareOf(search);
      const CutWork one = cutWorkOfOne(search.of.books.front(), search.shelf, *search.catalogue);
      told.of.enough = enoughFor(one.problem, how.isCancelled);
    }
    tell(std::move(told));
  }
}

std::vector<SpareSheet> CutDesk::spareOf(const Search& search) const {
  std::vector<bool> isOffCut;
  for (const CutStock& stock : search.of.work.problem.stocks) {
    const StockItem* item = search.shelf.named(stock.id);
    isOffCut.push_back(item != nullptr && item->isOffCut);
  }
  return spareSheets(search.of.work.problem, search.of.layout, isOffCut,
                     [&] { return isOver(search); });
}

void CutDesk::tell(Told told) {
  if (isOver(told)) return;
  const std::lock_guard lock(telling_);
  const bool isAwaited = told_.has_value();
  told_ = std::move(told);
  if (!isAwaited) QMetaObject::invokeMethod(this, &CutDesk::take, Qt::QueuedConnection);
}

void CutDesk::take() {
  std::optional<Told> told;
  {
    const std::lock_guard lock(telling_);
    told.swap(told_);
  }
  if (!told || isOver(*told)) return;
  if (told->of.isSupposed) {
    found_ = std::make_shared<Found>(std::move(told->of));
    setBench(*told);
  } else {
    if (next_) found_ = std::move(next_);
    found_->layout = std::move(told->of.layout);
    setBench(*told);
    if (told->isReckoned) {
      found_->shopping = std::move(told->of.shopping);
      found_->spare = std::move(told->of.spare);
      found_->enough = std::move(told->of.enough);
    }
  }
  next_.reset();
  if (told->isLast) {
    isSearching_ = false;
    isInVain_ = looks_ > 0 && meritFound() >= before_;
  }
  emit changed();
}

void CutDesk::setBench(const Search& of) {
  bench_ = of.bench;
  benchOn_ = of.on;
}

}  // namespace drapery
