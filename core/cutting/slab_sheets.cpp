#include "core/cutting/slab_sheets.h"

#include <algorithm>
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
      fewer_(job_, random),
      filler_(job, random) {
  job_.problem = &problem_;
  for (const Bin& bin : bins) stockOf_.push_back(bin.stock);
  std::vector<Bin> sheets;
  addSheets(bins[roll], roll, sheets);
  const auto least = std::min_element(
      sheets.begin(), sheets.end(),
      [&](const Bin& a, const Bin& b) { return shareOf(job_, a) < shareOf(job_, b); });
  const std::vector<std::size_t> loose = least->holds;
  before_ = least->parts.front().along;
  sheets.erase(least);
  for (std::size_t b = 0; b < bins.size(); ++b) {
    if (b == roll) continue;
    if (job.stock(bins[b].stock).form == StockForm::Sheet)
      sheets.push_back(bins[b]);
    else if (bins[b].pinned)
      aside_.push_back(bins[b]);
    else
      addSheets(bins[b], b, sheets);
  }
  fewer_.begin(sheets, loose);
  tried_ = std::numeric_limits<double>::infinity();
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
  std::vector<double> worth;
  worth.reserve(pool.kinds.size());
  Micrometres least = 0;
  for (const std::size_t kind : pool.kinds) {
    worth.push_back(areaOfKind(job_, kind));
    Micrometres shortest = before_;
    for (const LyingSize& size : job_.sizes[stockOf_[roll_]][kind])
      shortest = std::min(shortest, size.along);
    least = std::max(least, shortest);
  }
  filler_.begin(stockOf_[roll_], pool.kinds, worth);
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
