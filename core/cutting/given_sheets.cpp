#include "core/cutting/given_sheets.h"

#include <algorithm>

namespace drapery {

GivenSheets::GivenSheets(const MaterialJob& job, const Counts& counts, std::mt19937_64& random,
                         std::function<bool()> isEnough)
    : counts_(counts),
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
    stock.cost = roomOf(stock) / kWhole;
  }
}

bool GivenSheets::fill(LaidInPart& laid, double effort) {
  std::vector<std::size_t> stocks, loose = piecesOf(laid.wanted);
  for (std::size_t s = 0; s < counts_.size(); ++s)
    stocks.insert(stocks.end(), static_cast<std::size_t>(counts_[s] - laid.used[s]), s);
  std::shuffle(stocks.begin(), stocks.end(), random_);
  filling_.fill(stocks, patientBeginning(job_, effort, random_), laid.bins, laid.used, loose);
  laid.wanted.assign(job_.kinds.size(), 0);
  for (const std::size_t kind : loose) ++laid.wanted[kind];
  return !isEnough_();
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
  LaidInPart laid{{}, std::vector<int>(counts_.size(), 0), job_.counts};
  if (!fill(laid, effort)) return std::nullopt;
  return goOnFrom(std::move(laid));
}

std::optional<double> GivenSheets::beginByPatterns(const Patterns& known) {
  constexpr double kEffort = 0.1, kFirst = 0.7, kQuick = 1.0, kPatient = 4.0;
  constexpr std::size_t kWorse = 2;
  const Patterns found =
      properPatterns(job_, std::vector<int>(counts_.size(), 0), known.known, kEffort, isEnough_);
  if (isEnough_()) return std::nullopt;
  PatternDive down(job_, found, &random_, isEnough_);
  std::optional<LaidInPart> best;
  const auto lay = [&](LaidInPart laid, double effort) -> std::optional<double> {
    if (!fill(laid, effort)) return std::nullopt;
    const double loose = areaOf(job_, laid.wanted);
    if (!best || loose < areaOf(job_, best->wanted)) best = std::move(laid);
    return loose;
  };
  const auto nearest =
      nearestBelow(down, kFirst, kWorse, [&](const LaidInPart& laid) { return lay(laid, kQuick); });
  if (!nearest || (nearest->near > 0 && !lay(nearest->laid, kPatient))) return std::nullopt;
  return goOnFrom(std::move(*best));
}

std::vector<Bin> GivenSheets::bins() const {
  std::vector<Bin> bins = fewer_.bins();
  std::erase_if(bins, [](const Bin& bin) { return bin.holds.empty(); });
  return bins;
}

}  // namespace drapery
