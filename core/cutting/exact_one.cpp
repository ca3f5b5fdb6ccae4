#include "core/cutting/exact_one.h"

#include <algorithm>

#include "core/cutting/box_fronts.h"
#include "core/cutting/sheet_builder.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 2e7;
constexpr double kWork = 2e8, kLeastWork = 2e7;  // joins of boxes: some seconds; a tenth of that

class TryingOne {
 public:
  TryingOne(const MaterialJob& job, double effort, const std::function<bool()>& isEnough)
      : job_(job),
        isEnough_(isEnough),
        index_(job.counts),
        across_(double(usableOf(job.stock(0)).across)),
        work_(static_cast<std::uint64_t>(std::max(kLeastWork, effort * kWork))) {
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
      const LyingSize& size = job.sizes[0][kind].front();
      area_ += job.counts[kind] * double(size.across) * double(size.along);
    }
  }

  /// As short as all of it is without waste.
  [[nodiscard]] double shortest() const { return area_ / across_; }

  enum class Found { Unknown, Nothing, Laid };
  /// Whether all of it lies within that length; then as short as can be, in `result`.
  Found within(Micrometres along, ExactOne& result) {
    const double waste = across_ * double(along) - area_;
    if (waste < 0) return Found::Nothing;
    const BoxFronts fronts(job_, 0, index_, work_, isEnough_, {along, waste});
    if (!fronts.isWhole()) return Found::Unknown;
    const auto& front = fronts.of(index_.all());
    if (front.empty()) return Found::Nothing;
    const CutStock& stock = job_.stock(0);
    MaterialLayOut laid;
    laid.cost = laid.bound = result.bound = costOf(stock, front.back().along);
    SheetBuilder builder(job_, 0);
    const CutRegion whole = stock.form == StockForm::Roll
                                ? builder.whole(front.back().along - stock.kerf)
                                : builder.whole();
    laid.sheets.push_back(
        builder.finish(builder.box(fronts, index_.all(), front.size() - 1, whole)));
    result.laid = std::move(laid);
    return Found::Laid;
  }

 private:
  const MaterialJob& job_;
  const std::function<bool()>& isEnough_;
  CountIndex index_;
  double across_, area_ = 0.0;
  std::uint64_t work_;
};

}  // namespace

bool canTryOne(const MaterialJob& job) {
  return job.stocks.size() == 1 && job.pinned.empty() &&
         CountIndex::pairsOf(job.counts) <= kMostPairs;
}

ExactOne exactRoll(const MaterialJob& job, double effort, double least, Micrometres known,
                   const std::function<bool()>& isEnough) {
  ExactOne result;
  if (!isOneRoll(job) || !canTryOne(job)) return result;
  TryingOne trying(job, effort, isEnough);
  const CutStock& roll = job.stock(0);
  const double from = std::max(trying.shortest(), least / std::max(roll.cost, 1e-12) * 1e6 -
                                                      double(roll.bottom) + double(roll.kerf));
  // Where nothing lies within some length, it is more; where something does, the least is among it.
  for (const double part : {0.25, 0.5, 0.75, 1.0}) {
    const auto most =
        std::min(known - 1, static_cast<Micrometres>(from + part * (double(known) - from)));
    if (trying.within(most, result) != TryingOne::Found::Nothing) return result;
    result.bound = costOf(roll, most + 1);
  }
  return result;
}

ExactOne exactSheet(const MaterialJob& job, double effort, const std::function<bool()>& isEnough) {
  ExactOne result;
  if (!canTryOne(job) || job.stock(0).form != StockForm::Sheet) return result;
  TryingOne trying(job, effort, isEnough);
  if (trying.within(usableOf(job.stock(0)).along, result) == TryingOne::Found::Nothing)
    result.bound = 2 * job.stock(0).cost;
  return result;
}

}  // namespace drapery
