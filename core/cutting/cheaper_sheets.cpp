#include "core/cutting/cheaper_sheets.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

#include "core/cutting/few_pieces.h"
#include "core/cutting/roll_mix.h"
#include "core/cutting/stock_mixes.h"

namespace drapery {

namespace {

double costOfAll(const MaterialJob& job, const std::vector<std::size_t>& stocks) {
  return std::accumulate(stocks.begin(), stocks.end(), 0.0, [&](double sum, std::size_t stock) {
    return sum + job.stock(stock).cost;
  });
}

double roomOfAll(const MaterialJob& job, const std::vector<std::size_t>& stocks) {
  return std::accumulate(stocks.begin(), stocks.end(), 0.0, [&](double sum, std::size_t stock) {
    return sum + roomOf(job.stock(stock));
  });
}

/// How full they are but for those that are emptier than most.
double fullnessOfMost(const MaterialJob& job, const std::vector<Bin>& bins) {
  constexpr double kMost = 0.75;
  std::vector<std::pair<double, double>> sheets;  // share, room
  double all = 0.0, room = 0.0, area = 0.0;
  for (const Bin& bin : bins) {
    sheets.emplace_back(shareOf(job, bin), roomOf(job.stock(bin.stock)));
    all += sheets.back().second;
  }
  std::sort(sheets.rbegin(), sheets.rend());
  for (auto each = sheets.begin(); each != sheets.end() && room < kMost * all; ++each) {
    room += each->second;
    area += each->first * each->second;
  }
  return room > 0 ? area / room : 0.0;
}

}  // namespace

CheaperSheets::CheaperSheets(const MaterialJob& job, std::mt19937_64& random,
                             std::function<bool()> isEnough)
    : job_(job), random_(random), isEnough_(std::move(isEnough)), roll_(rollOfFew(job)) {
  isApt_ = job.stocks.size() > 1 && job.pinned.empty();
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    isApt_ = isApt_ && job.stock(s).form == StockForm::Sheet;
  constexpr std::size_t kFewCopies = 5;
  isOfCopies_ = piecesOf(job.counts).size() >= kFewCopies * job.kinds.size();
  isOfFew_ = areFewPieces(job);
}

bool CheaperSheets::begin(const std::vector<Bin>& bins, const Patterns* patterns, double effort) {
  if (roll_ ? !chooseWithRoll(bins) : !choose(bins)) return false;
  if (!fill(roll_ ? nullptr : patterns, effort)) given_.reset();
  return true;
}

bool CheaperSheets::chooseWithRoll(const std::vector<Bin>& bins) {
  const auto mix = cheaperRollMix(job_, *roll_, bins, random_);
  if (!mix) return false;
  givenCost_ = mix->cost;
  givenRoom_ = mix->room;
  given_ = std::make_unique<GivenSheets>(job_, mix->counts, random_, isEnough_, mix->along);
  return true;
}

bool CheaperSheets::choose(const std::vector<Bin>& bins) {
  std::vector<std::size_t> stocks;
  double needed = 0.0;
  for (const Bin& bin : bins) {
    stocks.push_back(bin.stock);
    needed += bin.area;
  }
  const double cost = costOfAll(job_, stocks);
  if (mixedFor_ != cost) mixes_ = cheaperMixes(job_, cost, needed);
  mixedFor_ = cost;
  if (mixes_.empty()) return false;
  const auto& mix =
      isOfFew_ ? soonest(needed) : chosen(needed, hopedFor(fullnessOfMost(job_, bins)));
  givenStocks_ = mix;
  if (isOfFew_) ++tried_[mix].times;
  givenCost_ = costOfAll(job_, mix);
  givenRoom_ = roomOfAll(job_, mix);
  Counts counts(job_.stocks.size(), 0);
  for (const std::size_t stock : mix) ++counts[stock];
  given_ = std::make_unique<GivenSheets>(job_, counts, random_, isEnough_);
  return true;
}

double CheaperSheets::hopedFor(double full) {
  constexpr double kLeast = 0.8, kMost = 2.0;  // times what is lost on those
  constexpr double kMore = 0.001;
  const double hoped = 1.0 - (1.0 - full) * (kLeast + (kMost - kLeast) * part());
  return reached_ > 0 ? std::min(hoped, reached_ + kMore * part()) : hoped;
}

const std::vector<std::size_t>& CheaperSheets::chosen(double needed, double fullest) const {
  double least = std::numeric_limits<double>::infinity();
  std::size_t best = 0;  // with the most room
  for (std::size_t i = 0; i < mixes_.size(); ++i) {
    const double cost = costOfAll(job_, mixes_[i]);
    if (cost >= least || needed > fullest * roomOfAll(job_, mixes_[i])) continue;
    least = cost;
    best = i;
  }
  return mixes_[best];
}

const std::vector<std::size_t>& CheaperSheets::soonest(double needed) const {
  constexpr double kSeldom = 0.02;  // what is loose so much more is tried e times less often
  constexpr double kUntried = 0.3;  // of how much fuller than others it must be
  const auto fullness = [&](std::size_t i) { return needed / roomOfAll(job_, mixes_[i]); };
  std::size_t best = 0;
  double least = std::numeric_limits<double>::infinity();
  for (std::size_t i = 0; i < mixes_.size(); ++i) {
    const auto before = tried_.find(mixes_[i]);
    const bool isNew = before == tried_.end();
    const double loose = isNew ? kUntried * (fullness(i) - fullness(0)) : before->second.loose;
    const double turn = (isNew ? 1 : before->second.times + 1) * std::exp(loose / kSeldom);
    if (turn >= least) continue;
    least = turn;
    best = i;
  }
  return mixes_[best];
}

void CheaperSheets::tellLoose(double area) {
  if (area < leastLoose_) inVain_ = 0;
  leastLoose_ = std::min(leastLoose_, area);
  if (roll_ || !isOfFew_) return;
  double& least = tried_[givenStocks_].loose;
  least = std::min(least, area / areaOf(job_, job_.counts));
}

bool CheaperSheets::fill(const Patterns* patterns, double effort) {
  constexpr std::size_t kOther = 8;  // one in so many goes the other way
  const bool isOther = random_() % kOther == 0;
  const bool isByPatterns =
      patterns != nullptr && isOfCopies_ && (byPatterns_ >= bySheets_) != isOther;
  const auto loose =
      isByPatterns ? given_->beginByPatterns(*patterns) : given_->beginBySheets(effort);
  if (!loose) return false;
  const double full = (areaOf(job_, job_.counts) - *loose) / givenRoom_;
  // Where all found room it might have been more.
  (isByPatterns ? byPatterns_ : bySheets_) = *loose > 0 ? full : 1.0;
  if (*loose > 0)
    reached_ = std::max(reached_, full);
  else if (full > reached_)
    reached_ = 0.0;
  leastLoose_ = std::numeric_limits<double>::infinity();
  inVain_ = 0;
  return true;
}

std::optional<std::vector<Bin>> CheaperSheets::step(double cost) {
  constexpr int kTries = 200, kPatience = 400;
  constexpr double kSame = 1e-9;
  if (givenCost_ >= cost - kSame || inVain_ > kPatience) {
    given_.reset();
    return std::nullopt;
  }
  for (int i = 0; i < kTries && !isEnough_(); ++i) {
    ++inVain_;
    if (!given_->step()) continue;
    std::vector<Bin> bins = given_->bins();
    given_.reset();
    return bins;
  }
  tellLoose(given_->looseArea());
  return std::nullopt;
}

}  // namespace drapery
