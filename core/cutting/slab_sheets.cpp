#include "core/cutting/slab_sheets.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

SlabSheets::SlabSheets(const MaterialJob& job, const std::vector<Bin>& bins, std::size_t roll,
                       std::mt19937_64& random, std::function<bool()> isEnough)
    : whole_(job),
      roll_(roll),
      across_(usableOf(job.stock(bins[roll].stock)).across),
      random_(random),
      isEnough_(std::move(isEnough)),
      problem_(*job.problem),
      job_(job),
      fewer_(job_, random, isEnough_),
      filler_(job_, random, isEnough_) {
  job_.problem = &problem_;
  for (const Bin& bin : bins) stockOf_.push_back(bin.stock);
  std::vector<Bin> sheets;
  addSheets(bins[roll], roll, sheets);
  const std::size_t parts = sheets.size();
  for (std::size_t b = 0; b < bins.size(); ++b) {
    if (b == roll) continue;
    if (job.stock(bins[b].stock).form == StockForm::Sheet)
      sheets.push_back(bins[b]);
    else if (bins[b].pinned)
      aside_.push_back(bins[b]);
    else
      addSheets(bins[b], b, sheets);
  }
  // Of many a whole one is saved more easily than a little of one.
  const bool isShortened = random_() % parts == 0;
  fewer_.beginWith(sheets, isShortened ? shorten(sheets, parts) : leaveOut(sheets, parts));
  tried_ = std::numeric_limits<double>::infinity();
}

std::vector<std::size_t> SlabSheets::leaveOut(std::vector<Bin>& sheets, std::size_t parts) {
  const auto least = std::min_element(
      sheets.begin(), sheets.begin() + static_cast<std::ptrdiff_t>(parts),
      [&](const Bin& a, const Bin& b) { return shareOf(job_, a) < shareOf(job_, b); });
  std::vector<std::size_t> loose = least->holds;
  before_ = least->parts.front().along;
  sheets.erase(least);
  return loose;
}

std::vector<std::size_t> SlabSheets::shorten(std::vector<Bin>& sheets, std::size_t parts) {
  constexpr double kLeast = 0.002, kMore = 6.0;  // of the roll; so often that
  constexpr std::size_t kOneOf = 2;              // begins with nothing laid at all
  double all = 0.0;
  for (std::size_t i = 0; i < parts; ++i) all += double(sheets[i].parts.front().along);
  const std::size_t which = random_() % parts;
  const double least = double(job_.stock(sheets[which].stock).kerf) + 1;
  const double part = kLeast * std::pow(kMore, double(random_() % 101) / 100);
  double along = double(sheets[which].parts.front().along) - part * all - 1;
  std::vector<std::size_t> loose;
  along += otherSheets(sheets, parts, all, along - least, loose);
  const auto clear = [&](Bin& bin, std::size_t stock) {
    loose.insert(loose.end(), bin.holds.begin(), bin.holds.end());
    bin = emptyBin(job_, stock);
  };
  clear(sheets[which], addStock(static_cast<Micrometres>(std::max(least, along)), roll_));
  if (random_() % kOneOf == 0)
    for (Bin& bin : sheets)
      if (!bin.pinned) clear(bin, bin.stock);
  Pool pool = poolOf(std::move(loose));
  std::vector<Bin*> empty;
  for (Bin& bin : sheets)
    if (bin.holds.empty() && !bin.pinned) empty.push_back(&bin);
  std::shuffle(empty.begin(), empty.end(), random_);
  for (Bin* bin : empty) fill(*bin, pool);
  return piecesOf(pool);
}

double SlabSheets::otherSheets(std::vector<Bin>& sheets, std::size_t parts, double all, double most,
                               std::vector<std::size_t>& loose) {
  constexpr double kLittle = 0.002;  // of the roll
  constexpr std::size_t kOneOf = 3;  // puts one in, and one takes one out
  const CutStock& roll = whole_.stock(stockOf_[roll_]);
  const double left = double(usableOf(roll).along) - all;
  const auto lengthFor = [&](std::size_t s) { return whole_.stock(s).cost / roll.cost * 1e6; };
  double longer = 0.0;
  const auto putIn = [&](std::size_t s) {
    sheets.push_back(emptyBin(job_, s));
    longer -= lengthFor(s);
  };
  std::vector<std::size_t> canPutIn;
  for (std::size_t s = 0; s < whole_.stocks.size() && roll.cost > 0; ++s) {
    if (whole_.stock(s).form != StockForm::Sheet || !isThereMore(sheets, s)) continue;
    if (lengthFor(s) - longer >= most) continue;
    if (lengthFor(s) < kLittle * all)
      putIn(s);
    else
      canPutIn.push_back(s);
  }
  const std::size_t how = random_() % kOneOf;
  if (how == 0 && !canPutIn.empty()) {
    const std::size_t s = canPutIn[random_() % canPutIn.size()];
    if (lengthFor(s) - longer < most) putIn(s);
  }
  if (how != 1 || sheets.size() == parts || roll.cost <= 0) return longer;
  const auto out =
      sheets.begin() + static_cast<std::ptrdiff_t>(parts + random_() % (sheets.size() - parts));
  if (out->pinned || out->stock >= whole_.stocks.size() || lengthFor(out->stock) > left)
    return longer;
  longer += lengthFor(out->stock);
  loose = out->holds;
  sheets.erase(out);
  return longer;
}

bool SlabSheets::isThereMore(const std::vector<Bin>& sheets, std::size_t stock) const {
  const auto there = whole_.stock(stock).count;
  return !there || *there > std::count_if(sheets.begin(), sheets.end(),
                                          [&](const Bin& bin) { return bin.stock == stock; });
}

void SlabSheets::fill(Bin& bin, Pool& pool) {
  constexpr int kFills = 60, kAgain = 300;
  filler_.begin(bin.stock, pool.kinds, areasOf(job_, pool.kinds));
  auto [filling, got] = filler_.best(bin.parts.front(), kFills, pool.counts);
  if (got <= 0.0) return;
  filler_.better(filling, kAgain, pool.counts);
  takeFilling(job_, bin, filling, 0);
}

void SlabSheets::addSheets(const Bin& bin, std::size_t roll, std::vector<Bin>& sheets) {
  std::vector<Slab> slabs;
  addSlabs(bin.parts, 0, slabs);
  for (const auto& sheet : sheetsOf(std::move(slabs), bin.parts.front().across)) {
    const std::size_t stock = addStock(alongOf(sheet), roll);
    sheets.push_back(binOf(job_, stock, sheet));
  }
}

bool SlabSheets::step() {
  constexpr std::size_t kOften = 200;  // tries between two at the last slab
  return fewer_.step() || (++steps_ % kOften == 0 && layLast());
}

/// What is loose on a slab that is shorter than the one that is gone.
bool SlabSheets::layLast() {
  constexpr double kFirst = 1.005, kMore = 1.01;
  constexpr int kFills = 60, kAgain = 300;
  const double loose = fewer_.looseArea();
  if (loose == tried_) return false;
  tried_ = loose;
  Pool pool = poolOf(fewer_.loose());
  const Micrometres least = std::min(before_, shortestFor(job_, stockOf_[roll_], pool.kinds));
  filler_.begin(stockOf_[roll_], pool.kinds, areasOf(job_, pool.kinds));
  double along = std::max(double(least), kFirst * loose / double(across_));
  for (; along < double(before_) && !isEnough_(); along = along * kMore + 1) {
    const Slab slab = emptySlab(across_, static_cast<Micrometres>(along));
    Pool left = pool;
    auto [filling, got] = filler_.best(slab.parts.front(), kFills, left.counts);
    if (got <= 0.0) continue;
    if (!piecesOf(left).empty()) filler_.better(filling, kAgain, left.counts);
    if (!piecesOf(left).empty()) continue;
    addSlabs(filling.parts, 0, last_);
    return true;
  }
  return false;
}

std::vector<std::vector<Slab>> SlabSheets::sheetsOf(std::vector<Slab> slabs,
                                                    Micrometres across) const {
  constexpr double kLong = 0.7;  // of the width
  std::shuffle(slabs.begin(), slabs.end(), random_);
  std::vector<std::vector<Slab>> sheets;
  const double enough = kLong * double(across);
  for (Slab& slab : slabs) {
    if (sheets.empty() || double(alongOf(sheets.back())) >= enough) sheets.emplace_back();
    sheets.back().push_back(std::move(slab));
  }
  return sheets;
}

std::size_t SlabSheets::addStock(Micrometres along, std::size_t roll) {
  CutStock stock = whole_.stock(stockOf_[roll]);
  stock.form = StockForm::Sheet;
  stock.bottom = stock.top = 0;
  stock.along = along - stock.kerf;
  stock.count.reset();
  stock.cost = double(along);
  problem_.stocks.push_back(std::move(stock));
  job_.stocks.push_back(problem_.stocks.size() - 1);
  ofBin_.push_back(roll);
  job_.sizes.push_back(whole_.sizes[stockOf_[roll]]);
  for (auto& ways : job_.sizes.back())
    std::erase_if(ways, [&](const LyingSize& size) { return size.along > along; });
  return job_.stocks.size() - 1;
}

std::vector<Bin> SlabSheets::bins() const {
  std::vector<Bin> bins = aside_;
  std::vector<std::vector<Slab>> slabs(stockOf_.size());
  slabs[roll_] = last_;
  for (const Bin& bin : fewer_.bins()) {
    if (bin.stock >= whole_.stocks.size())
      addSlabs(bin.parts, 0, slabs[ofBin_[bin.stock - whole_.stocks.size()]]);
    else if (bin.pinned || !bin.holds.empty())
      bins.push_back(bin);
  }
  for (std::size_t b = 0; b < slabs.size(); ++b)
    if (!slabs[b].empty()) bins.push_back(binOf(whole_, stockOf_[b], slabs[b]));
  return bins;
}

}  // namespace drapery
