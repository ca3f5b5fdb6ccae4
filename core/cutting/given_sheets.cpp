#include "core/cutting/given_sheets.h"

#include <algorithm>

#include "core/cutting/slab.h"

namespace drapery {

GivenSheets::GivenSheets(const MaterialJob& job, const Counts& counts, std::mt19937_64& random,
                         std::function<bool()> isEnough, Micrometres along)
    : whole_(job),
      counts_(counts),
      random_(random),
      isEnough_(std::move(isEnough)),
      problem_(*job.problem),
      job_(job),
      filling_(job_, random, isEnough_),
      fewer_(job_, random, isEnough_) {
  constexpr double kWhole = 1e12;  // um2: what costs one
  job_.problem = &problem_;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    CutStock& stock = problem_.stocks[job.stocks[s]];
    stock.count = counts[s];
    if (stock.form == StockForm::Roll) takeAsSheet(s, along);
    stock.cost = roomOf(stock) / kWhole;
  }
}

void GivenSheets::takeAsSheet(std::size_t roll, Micrometres along) {
  CutStock& stock = problem_.stocks[job_.stocks[roll]];
  stock.form = StockForm::Sheet;
  stock.top = 0;
  stock.along = stock.bottom + along;
  for (auto& ways : job_.sizes[roll])
    std::erase_if(ways, [&](const LyingSize& size) { return size.along > along + stock.kerf; });
}

bool GivenSheets::fill(LaidInPart& laid, double effort, double part) {
  std::vector<std::size_t> stocks, loose = piecesOf(laid.wanted);
  double room = 0.0;
  for (std::size_t s = 0; s < counts_.size(); ++s) {
    const int empty = counts_[s] - laid.used[s];
    stocks.insert(stocks.end(), static_cast<std::size_t>(empty), s);
    room += empty * roomOf(job_.stock(s));
  }
  std::shuffle(stocks.begin(), stocks.end(), random_);
  for (double rest = (1.0 - part) * room; rest > 0 && !stocks.empty(); stocks.pop_back())
    rest -= roomOf(job_.stock(stocks.back()));
  filling_.fill(stocks, patientBeginning(job_, effort, random_), laid.bins, laid.used, loose);
  laid.wanted = countsOf(loose, job_.kinds.size());
  return !isEnough_();
}

bool GivenSheets::fillWhileNear(const LaidInPart& begun, double effort,
                                std::optional<LaidInPart>& best) {
  constexpr int kTimes = 5;
  constexpr double kNear = 0.6;  // of a usual piece
  const double near = kNear * areaOf(job_, job_.counts) / double(piecesOf(job_.counts).size());
  const auto loose = [&](const LaidInPart& laid) { return areaOf(job_, laid.wanted); };
  for (int i = 0; i < kTimes && (!best || (loose(*best) > 0 && loose(*best) < near)); ++i) {
    LaidInPart laid = begun;
    if (!fill(laid, effort)) return false;
    if (!best || loose(laid) < loose(*best)) best = std::move(laid);
  }
  return true;
}

double GivenSheets::goOnFrom(LaidInPart laid) {
  for (std::size_t s = 0; s < counts_.size(); ++s)
    for (int i = laid.used[s]; i < counts_[s]; ++i) laid.bins.push_back(emptyBin(job_, s));
  const double loose = areaOf(job_, laid.wanted);
  fewer_.beginWith(laid.bins, piecesOf(laid.wanted));
  if (loose > 0) fewer_.keepForLast();
  return loose;
}

std::optional<double> GivenSheets::beginBySheets(double effort) {
  constexpr double kFirst = 0.85;  // of the room; the rest may be filled more than once
  LaidInPart laid{{}, std::vector<int>(counts_.size(), 0), job_.counts};
  std::optional<LaidInPart> best;
  if (!fill(laid, effort, kFirst) || !fillWhileNear(laid, effort, best)) return std::nullopt;
  return goOnFrom(std::move(*best));
}

std::optional<double> GivenSheets::beginByPatterns(const Patterns& known) {
  constexpr double kEffort = 0.02, kEachEffort = 0.01;  // of what goes into a bound
  constexpr double kFirst = 0.5;                        // what is left of all where laying begins
  constexpr double kQuick = 1.0, kPatient = 4.0;
  constexpr std::size_t kWorse = 2;
  const Patterns found =
      properPatterns(job_, std::vector<int>(counts_.size(), 0), known.known, kEffort, isEnough_);
  if (isEnough_()) return std::nullopt;
  PatternDive down(job_, found, kEachEffort, &random_, isEnough_);
  std::optional<LaidInPart> best;
  const auto lay = [&](LaidInPart laid) -> std::optional<double> {
    if (!fill(laid, kQuick)) return std::nullopt;
    const double loose = areaOf(job_, laid.wanted);
    if (!best || loose < areaOf(job_, best->wanted)) best = std::move(laid);
    return loose;
  };
  const auto nearest = nearestBelow(down, kFirst, kWorse, lay);
  if (!nearest || !fillWhileNear(nearest->laid, kPatient, best)) return std::nullopt;
  return goOnFrom(std::move(*best));
}

std::vector<Bin> GivenSheets::bins() const {
  std::vector<Bin> bins = fewer_.bins();
  std::erase_if(bins, [](const Bin& bin) { return bin.holds.empty(); });
  for (Bin& bin : bins) {
    if (whole_.stock(bin.stock).form != StockForm::Roll) continue;
    std::vector<Slab> slabs;
    addSlabs(bin.parts, 0, slabs);
    bin = binOf(whole_, bin.stock, slabs);
  }
  return bins;
}

}  // namespace drapery
