#include "core/cutting/most_value.h"

#include <algorithm>
#include <array>
#include <numeric>
#include <optional>
#include <random>
#include <utility>

#include "core/cutting/bin.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/layout_of_bins.h"
#include "core/cutting/promising_boxes.h"
#include "core/cutting/rationed_values.h"

namespace drapery {

namespace {

constexpr double kRounding = 1e-12;  // of a sum

/// Kinds, the dearest by their area first.
std::vector<std::size_t> dearestFirst(const MaterialJob& job) {
  std::vector<std::size_t> kinds(job.kinds.size());
  std::iota(kinds.begin(), kinds.end(), std::size_t{0});
  std::stable_sort(kinds.begin(), kinds.end(), [&](std::size_t a, std::size_t b) {
    return job.kind(a).value * leastAreaOf(job, b) > job.kind(b).value * leastAreaOf(job, a);
  });
  return kinds;
}

/// If pieces could be cut to pieces.
double valueOfArea(const MaterialJob& job, const std::vector<std::size_t>& order) {
  const UsableSize usable = usableOf(job.stock(0));
  double room = double(usable.across) * double(usable.along), value = 0.0;
  for (const std::size_t kind : order) {
    const double area = leastAreaOf(job, kind) * job.counts[kind];
    const double part = std::min(1.0, room / area);
    value += part * job.kind(kind).value * job.counts[kind];
    room -= part * area;
  }
  return value;
}

/// What promises most first; of too many pieces also what is large, to find something better.
struct Pass {
  RationingWork rationing;  // none: at the prices that are known
  double eagerness;
  std::uint64_t work;  // looks at two boxes: a hundred million in some tenths of a second
  double until;        // that much of the time is over
};
constexpr std::array<Pass, 6> kPasses{{{{4e6, 4e7}, 0.0, 20'000'000, 0.1},
                                       {{4e6, 6e8}, 0.0, 20'000'000, 0.2},
                                       {{1.2e8, 1.2e9}, 0.0, 50'000'000, 0.4},
                                       {{}, 0.05, 3'000'000'000, 0.55},
                                       {{}, 0.02, 3'000'000'000, 0.7},
                                       {{}, 0.0, 3'000'000'000, 0.8}}};

class MostValue {
 public:
  MostValue(const MaterialJob& job, std::uint64_t seed, const Watch& watch,
            const std::function<void(const MaterialLayOut&)>& better)
      : job_(job),
        watch_(watch),
        better_(better),
        random_(seed),
        filler_(job, random_, [&watch] { return watch.isOver(); }),
        order_(dearestFirst(job)) {
    best_.bound = valueOfArea(job, order_);
    std::vector<std::size_t> kinds(job.kinds.size());
    std::iota(kinds.begin(), kinds.end(), std::size_t{0});
    for (const std::size_t kind : kinds) values_.push_back(job.kind(kind).value);
    filler_.begin(0, kinds, values_);
  }

  MaterialLayOut find() {
    constexpr int kFirst = 1'000, kMost = 32'000;  // that patiently
    fill(0);
    if (!isMet()) fill(kFirst);
    if (!isMet()) tryPromising();
    int again = kFirst;
    for (std::uint64_t i = 0; !isMet() && !watch_.isOver() && i < watch_.tries(i + 1); ++i)
      fill(again = std::min(kMost, 2 * again));
    if (isMet()) best_.bound = best_.cost;
    return std::move(best_);
  }

 private:
  [[nodiscard]] bool isMet() const { return best_.cost >= best_.bound * (1.0 - kRounding); }

  /// As chance has it, and parts of it anew so often.
  void fill(int again) {
    constexpr int kFills = 80;
    Bin bin = emptyBin(job_, 0);
    Counts left = job_.counts;
    auto [filling, got] = filler_.best(bin.parts.front(), kFills, left);
    if (got <= 0.0) return;
    filler_.better(filling, again, left);
    take(std::move(filling.parts));
  }

  void take(std::vector<SheetPart> parts) {
    Bin bin = emptyBin(job_, 0);
    takeFilling(job_, bin, {0.0, std::move(parts)}, 0);
    double value = 0.0;
    for (const std::size_t kind : bin.holds) value += values_[kind];
    if (value <= best_.cost) return;
    best_.cost = value;
    best_.sheets = layOutOf(job_, {bin}, {}, [this] { return watch_.isOver(); }).sheets;
    better_(best_);
  }

  /// All that promises more than what is known, as long as that is not too much; else what it
  /// could be worth.
  void tryPromising() {
    // A roll that is to hold as much as it can is a sheet as long as it is.
    CutProblem problem = *job_.problem;
    problem.stocks[job_.stocks[0]].form = StockForm::Sheet;
    MaterialJob job = job_;
    job.problem = &problem;
    const double left = watch_.left(), effort = watch_.effort();
    double until = 0.0;
    const auto isEnough = [&] {
      return watch_.isOver() || (!watch_.isCounted() && watch_.left() < left * (1.0 - until));
    };
    const auto known = [this] { return best_.cost; };
    const auto take = [this](std::vector<SheetPart> parts) { this->take(std::move(parts)); };
    std::optional<RationedValues> rationed;
    std::optional<PromisingBoxes> boxes;  // at those
    for (const Pass& pass : kPasses) {
      until = pass.until;
      if (pass.rationing.all > 0.0) {
        const std::vector<double> from =
            rationed ? rationed->prices : std::vector<double>(values_.size(), 0.0);
        const RationingWork work{pass.rationing.look, pass.rationing.all * effort};
        auto found = rationedValues(job, values_, from, work, known, take, isEnough);
        if (found) {
          rationed = std::move(found);
          boundBy(double(rationed->most) / rationed->unit);
          boxes.emplace(job, values_, *rationed);
        }
      }
      if (isMet()) return;
      if (!boxes || !boxes->isUsable()) continue;
      const auto work = static_cast<std::uint64_t>(double(pass.work) * effort);
      boundBy(boxes->find(best_.cost, pass.eagerness, work, take, isEnough));
    }
  }
  void boundBy(double most) { best_.bound = std::min(best_.bound, std::max(best_.cost, most)); }

  const MaterialJob& job_;
  const Watch& watch_;
  const std::function<void(const MaterialLayOut&)>& better_;
  std::mt19937_64 random_;
  ChanceFiller filler_;
  std::vector<double> values_;  // by kind
  std::vector<std::size_t> order_;
  MaterialLayOut best_;
};

}  // namespace

MaterialLayOut mostValue(const MaterialJob& job, std::uint64_t seed, const Watch& watch,
                         const std::function<void(const MaterialLayOut&)>& better) {
  return MostValue(job, seed, watch, better).find();
}

}  // namespace drapery
