#include "app/cutting/cut_desk.h"

#include <QCoreApplication>
#include <QEventLoop>
#include <QFile>
#include <QFileInfo>
#include <tuple>
#include <utility>

#include "core/cutting/edge_cuts.h"
#include "core/cutting/lay_out.h"
#include "store/shopping_list.h"

namespace drapery {

namespace {
// Seconds.
constexpr double kWatched = 5.0;
constexpr double kUnwatched = 0.4;
}  // namespace

CutDesk::CutDesk(Document& book, StockRoom& room, QObject* parent)
    : QObject(parent), book_(book), room_(room), found_(std::make_shared<Found>()) {
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

void CutDesk::setWatched(bool isWatched) {
  isWatched_ = isWatched;
  if (isWatched && room_.stock().items.empty()) renew();  // what is to be bought
  if (isWatched && isShort_ && (isSearching_ || !found_->layout.isSettled)) search();
}

/// Until there is a first lay-out nothing is there that would do.
void CutDesk::stop() {
  if (!isSearching_ || next_) return;
  ++generation_;
  isSearching_ = false;
  emit changed();
}

void CutDesk::settle() {
  while (isSearching_) QCoreApplication::processEvents(QEventLoop::WaitForMoreEvents);
}

/// The open book, and those that it is cut together with.
void CutDesk::gather(Found& found) {
  found.jobs.push_back(std::make_shared<const Job>(book_.shownJob()));
  found.plans.push_back(std::make_shared<const Plan>(book_.plan()));
  const std::string path =
      QFile::encodeName(QFileInfo(book_.path()).absoluteFilePath()).toStdString();
  issues_ = gatherBooks(found, path, [this](const std::string& file) { return otherBook(file); });
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
  found->work = cutWorkOf(*found, room_.stock());
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
    emit changed();
    return;
  }
  next_ = std::move(found);
  search();
}

void CutDesk::search() {
  if (!isReady_) return;
  const int generation = ++generation_;
  isSearching_ = true;
  isShort_ = !isWatched_;
  pool_.start([this, generation, of = *(next_ ? next_ : found_), shelf = room_.stock(),
               catalogue = book_.library().shelf(),
               seconds = isWatched_ ? kWatched : kUnwatched]() mutable {
    if (generation_ != generation) return;
    LayOutLimits limits;
    limits.seconds = seconds;
    limits.isCancelled = [this, generation] { return generation_ != generation; };
    const auto tell = [this, generation](Told told) {
      QMetaObject::invokeMethod(
          this, [this, generation, told = std::move(told)] { take(generation, told); },
          Qt::QueuedConnection);
    };
    if (!shelf.items.empty()) limits.onBetter = [&](const CutLayout& layout) { tell({layout}); };
    of.layout = layOut(of.work.problem, limits);
    if (!of.layout.unplaced.empty())
      of.shopping = shoppingList(of, shelf, *catalogue, limits.isCancelled);
    std::vector<bool> isOffCut;
    for (const CutStock& stock : of.work.problem.stocks)
      isOffCut.push_back(shelf.named(stock.id) != nullptr && shelf.named(stock.id)->isOffCut);
    Told last{of.layout, true, of.shopping};
    last.spare = spareSheets(of.work.problem, of.layout, isOffCut, limits.isCancelled);
    if (shelf.items.empty())
      last.supposed = std::make_shared<Found>(laidOnShopping(of, limits.isCancelled));
    tell(std::move(last));
  });
  emit changed();
}

bool CutDesk::isBetter(const CutLayout& layout) const {
  const auto merit = [this](const CutLayout& of) {
    int unplaced = 0;
    for (const Unplaced& each : of.unplaced) unplaced += each.count;
    double cost = 0.0;
    for (const MaterialCost& each : of.materials) cost += each.cost;
    return std::tuple(unplaced, cost, -largestLeft(found_->work.problem, of));
  };
  return merit(layout) <= merit(found_->layout);
}

void CutDesk::take(int generation, Told told) {
  if (generation != generation_) return;
  if (told.supposed) {
    found_ = std::move(told.supposed);
    next_.reset();
    isSearching_ = false;
    emit changed();
    return;
  }
  // A search that goes on where one ended begins anew: what was found by then is not left for less.
  const bool isTaken = next_ || found_->layout.sheets.empty() || isBetter(told.layout);
  if (next_) found_ = std::move(next_);
  next_.reset();
  if (isTaken) found_->layout = std::move(told.layout);
  if (told.isLast) {
    found_->shopping = std::move(told.shopping);
    found_->spare = isTaken ? std::move(told.spare) : std::vector<SpareSheet>();
  }
  isSearching_ = !told.isLast;
  emit changed();
}

}  // namespace drapery
