#include "core/cutting/proving.h"

#include <limits>
#include <memory>
#include <numeric>
#include <utility>

#include "core/cutting/count_index.h"
#include "core/cutting/fewer_kinds.h"
#include "core/cutting/joined_row.h"
#include "core/cutting/largest_alone.h"
#include "core/cutting/least_sum.h"
#include "core/cutting/roll_alone.h"
#include "core/cutting/slice_bound.h"
#include "core/cutting/stack_bound.h"
#include "core/cutting/worst_slabs.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

/// Whether most of its pieces are alike, as those of an edition are.
bool isOfCopies(const MaterialJob& job) {
  constexpr int kOften = 4;
  return std::accumulate(job.counts.begin(), job.counts.end(), 0) >=
         kOften * static_cast<int>(job.counts.size());
}

}  // namespace

bool isFewToTry(const MaterialJob& job) {
  return job.pinned.empty() && canTryCheaper(job, job.counts);
}

Proving::Proving(const MaterialJob& job, Packer& packer, bool isPinned,
                 const std::atomic<double>& otherCost, const Watch& watch,
                 std::function<bool()> isOver)
    : job_(job),
      packer_(packer),
      isPinned_(isPinned),
      otherCost_(otherCost),
      watch_(watch),
      isOver_(std::move(isOver)) {}

std::function<bool()> Proving::within(double part) const {
  if (watch_.isCounted()) return isOver_;
  return
      [this, enough = (1.0 - part) * watch_.left()] { return isOver_() || watch_.left() < enough; };
}

ExactCheaper Proving::find(double least) {
  constexpr double kMoment = 0.1;  // of the time that is left
  found_ = {least, {}};
  // What bounds say in a moment need not be tried: of copies they mostly do.
  if (isFewToTry(job_) && isOfCopies(job_) && !watch_.isCounted()) raise(within(kMoment));
  tryCheaper();
  if (!found_.laid) {
    found_.bound = leastSumFrom(job_, found_.bound);
    raise(isOver_);
  }
  return std::move(found_);
}

void Proving::raise(const std::function<bool()>& isEnough) {
  double& bound = found_.bound;
  const double enough =
      packer_.lost() > 0 ? std::numeric_limits<double>::infinity() : packer_.cost();
  if (bound >= enough - kSame) return;
  if (isOneRoll(job_))
    bound = std::max(bound, leastSumFrom(job_, sliceBound(job_, bound, isEnough)));
  // Of one roll patterns bound nothing.
  const bool isByRows =
      isOneRoll(job_) && piecesOf(job_.counts).size() <= kFewOnARoll && areFewOfEach(job_);
  if (bound >= enough - kSame || isByRows || beginOnRoll(isEnough)) return;
  const auto patterns = std::make_shared<const Patterns>(
      findPatterns(job_, bound, enough, watch_.effort(), isEnough));
  if (!isPinned_) packer_.begin(patterns);
  bound = std::max(bound, leastSumFrom(job_, patterns->bound, patterns->covers));
}

bool Proving::beginOnRoll(const std::function<bool()>& isEnough) {
  constexpr double kHardly = 1.01;
  constexpr double kEndless = std::numeric_limits<double>::infinity();  // no bound is wanted
  const auto roll = isPinned_ ? std::nullopt : rollBesideFew(job_);
  if (!roll) return false;
  const MaterialJob alone = onStockAlone(job_, *roll);
  auto patterns = std::make_shared<Patterns>(
      findPatterns(alone, kEndless, kEndless, watch_.effort(), isEnough));
  const CutStock& stock = job_.stock(*roll);
  const double least =
      areaOf(job_, job_.counts) / double(usableOf(stock).across) * stock.cost / 1e6;
  if (patterns->uses.empty() || patterns->cost > kHardly * least) return false;
  for (auto* uses : {&patterns->uses, &patterns->known})
    for (PatternUse& use : *uses) use.stock = *roll;
  packer_.begin(std::move(patterns));
  return true;
}

void Proving::tryCheaper() {
  constexpr std::uint64_t kBefore = 48;  // tries
  constexpr double kForBefore = 0.03, kAtOnce = 0.06, kForLargest = 0.5, kForFewer = 0.6,
                   kForAll = 0.8;                  // of the time that is left
  constexpr double kWork = 2e8, kLeastWork = 4e6;  // joins of boxes: some seconds; a moment
  constexpr double kEndless = 1e12;                // where the clock ends it
  constexpr double kAsTheyAre = 2e9;               // pairs that are better joined at once
  const bool isFew = !isPinned_ && isFewToTry(job_);
  const bool isAsItIs = isFew && CountIndex::pairsOf(job_.counts) <= kAsTheyAre;
  const bool isOfFewer = !isAsItIs && !isPinned_ && canTryFewerKinds(job_);
  if (packer_.lost() > 0 || !(isFew || isOfFewer || isAnyLarge(job_))) return;
  const std::uint64_t tries = watch_.tries(kBefore);
  const auto isLong = within(kForBefore);
  for (std::uint64_t i = 0; i < tries && !isLong() && packer_.cost() > found_.bound + kSame; ++i)
    packer_.step();
  const double most = watch_.isCounted() ? std::max(kLeastWork, watch_.effort() * kWork) : kEndless;
  auto forLargest = static_cast<std::uint64_t>(most / 2), forAll = static_cast<std::uint64_t>(most);
  if (!isPinned_) found_.bound = stackBound(job_, found_.bound, known(), isOver_);
  const auto isOpen = [&] { return !found_.laid && found_.bound < known() - kSame; };
  const auto tryLargest = [&](double part) {
    if (isOpen())
      found_.bound = boundOfLargest(
          job_, forLargest, found_.bound, [this] { return known(); }, within(part));
  };
  // Where they do not settle it at once, all together are better tried than more of them.
  tryLargest(isFew || isOfFewer ? kAtOnce : kForLargest);
  if (isOfFewer && isOpen()) {
    found_.bound = boundOfFewerKinds(
        job_, forAll, found_.bound, [this] { return known(); }, within(kForFewer));
    if (!isFew) tryLargest(kForAll);
  }
  if (!isFew || !isOpen()) return;
  found_ = exactCheaper(
      job_, forAll, found_.bound, [this] { return known(); }, within(kForAll));
  tryLargest(kForLargest);
}

}  // namespace drapery
