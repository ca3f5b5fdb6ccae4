#include "core/cutting/slice_bound.h"

#include <algorithm>
#include <cmath>
#include <numeric>

#include "core/cutting/cover_master.h"

namespace drapery {

namespace {

constexpr std::size_t kMostKinds = 250;
constexpr double kMostPlaces = 1e5;
constexpr double kMostWork = 3e8;
constexpr double kWhole = 1e15;  // what a slice may be worth, in whole numbers
constexpr double kBetter = 1e-9;
constexpr double kHardly = 5e-4;

class SliceBound {
 public:
  explicit SliceBound(const MaterialJob& job) : job_(job) {
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
      for (const LyingSize& size : job.sizes[0][kind]) {
        ways_.push_back({kind, size.across, double(size.along)});
        step_ = std::gcd(step_, size.across);
      }
    room_ = usableOf(job.stock(0)).across / std::max<Micrometres>(step_, 1);
  }

  double find(double known, const std::function<bool()>& isOver) {
    if (double(room_) > kMostPlaces || job_.kinds.size() > kMostKinds) return 0.0;
    CoverMaster master(rows());
    double best = 0.0;
    const double effort = double(room_) * double(ways_.size());
    for (double work = 0.0; work < kMostWork && !isOver(); work += effort) {
      if (const auto slack = master.slack()) {
        if (!master.enterSlack(*slack)) break;
        continue;
      }
      if (rollCost(lengthOf(master)) <= known * (1 + kHardly)) break;
      price(master);
      const std::int64_t most = knapsack();
      best = std::max(best, boundOf(most));
      if (double(most) <= kWhole * (1 + kBetter) || !master.enter(slice(), 1.0, -1)) break;
    }
    return rollCost(best * (1 - 1e-12));
  }

 private:
  /// @param length of all slices, enlarged.
  [[nodiscard]] double rollCost(double length) const {
    const CutStock& roll = job_.stock(0);
    return std::max(0.0, roll.cost * (double(roll.bottom) + length - double(roll.kerf)) / 1e6);
  }
  /// Of the slices that are taken now: no bound is above that.
  [[nodiscard]] double lengthOf(const CoverMaster& master) const {
    double length = 0.0;
    for (std::size_t kind = 0; kind < job_.counts.size(); ++kind)
      length += job_.counts[kind] * master.price(kind);
    return length;
  }
  /// A piece as it may lie; worth so much for each unit of a slice's length.
  struct Way {
    std::size_t kind = 0;
    Micrometres across = 0;
    double along = 0.0;
    std::int64_t worth = 0;
  };

  /// Each kind in slices of its own to begin with.
  [[nodiscard]] std::vector<CoverMaster::Row> rows() const {
    std::vector<CoverMaster::Row> rows;
    const auto across = double(usableOf(job_.stock(0)).across);
    for (const int count : job_.counts) rows.push_back({double(count), false, 0.0, 1.0});
    for (const Way& way : ways_)
      rows[way.kind].holds =
          std::max(rows[way.kind].holds, std::floor(across / double(way.across)) / way.along);
    return rows;
  }
  /// A piece's price, spread over its length, rounded down.
  void price(const CoverMaster& master) {
    for (Way& way : ways_)
      way.worth = static_cast<std::int64_t>(
          std::floor(std::max(0.0, master.price(way.kind)) / way.along * kWhole));
  }
  /// The most that a slice can be worth.
  std::int64_t knapsack() {
    values_.assign(static_cast<std::size_t>(room_) + 1, 0);
    taken_.assign(values_.size(), ways_.size());
    for (std::size_t place = 1; place < values_.size(); ++place) {
      values_[place] = values_[place - 1];
      for (std::size_t w = 0; w < ways_.size(); ++w) {
        const auto wide = static_cast<std::size_t>(ways_[w].across / step_);
        if (wide > place || values_[place - wide] + ways_[w].worth <= values_[place]) continue;
        values_[place] = values_[place - wide] + ways_[w].worth;
        taken_[place] = w;
      }
    }
    return values_.back();
  }
  /// That slice: of each kind so many pieces' part for each unit of its length.
  [[nodiscard]] CoverMaster::Column slice() const {
    CoverMaster::Column column;
    for (std::size_t place = values_.size() - 1; place > 0;) {
      if (taken_[place] == ways_.size()) {
        --place;
        continue;
      }
      const Way& way = ways_[taken_[place]];
      column.emplace_back(way.kind, 1.0 / way.along);
      place -= static_cast<std::size_t>(way.across / step_);
    }
    return column;
  }
  /// A piece is worth what it is in the way in which it is worth least; no slice more than `most`.
  [[nodiscard]] double boundOf(std::int64_t most) const {
    if (most <= 0) return 0.0;
    std::vector<double> least(job_.kinds.size(), std::numeric_limits<double>::infinity());
    for (const Way& way : ways_)
      least[way.kind] = std::min(least[way.kind], double(way.worth) * way.along);
    double sum = 0.0;
    for (std::size_t kind = 0; kind < least.size(); ++kind) sum += least[kind] * job_.counts[kind];
    return sum / double(most);
  }

  const MaterialJob& job_;
  std::vector<Way> ways_;
  Micrometres step_ = 0, room_ = 0;
  std::vector<std::int64_t> values_;
  std::vector<std::size_t> taken_;  // the way that ends at each place
};

}  // namespace

double sliceBound(const MaterialJob& job, double known, const std::function<bool()>& isOver) {
  if (!isOneRoll(job) || job.stock(0).cost <= 0) return 0.0;
  return SliceBound(job).find(known, isOver);
}

}  // namespace drapery
