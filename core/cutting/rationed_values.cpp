#include "core/cutting/rationed_values.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr std::size_t kRooms = 800;  // each way
constexpr double kRounding = 1e-12;  // of a value

/// Whether there are as many as are used.
bool isWithin(const Counts& counts, const MaterialJob& job) {
  for (std::size_t kind = 0; kind < counts.size(); ++kind)
    if (counts[kind] > job.counts[kind]) return false;
  return true;
}

/// By tens, so that values of a few decimals stay as they are; 0 where nothing is worth anything.
double unitOf(const PlateValues& plate, const std::vector<double>& values) {
  constexpr double kMost = double(std::numeric_limits<PlateValues::Worth>::max()) / 2.0;
  const double ceiling = plate.ceiling(values);
  return ceiling > 0.0 ? std::pow(10.0, std::floor(std::log10(kMost / ceiling))) : 0.0;
}

class Rationing {
 public:
  Rationing(const MaterialJob& job, PlateValues& plate, double unit,
            const std::vector<double>& values, const std::vector<double>& from)
      : job_(job), plate_(plate) {
    found_.unit = unit;
    for (std::size_t kind = 0; kind < values.size(); ++kind) {
      whole_.push_back(std::ceil(values[kind] * unit * (1.0 - kRounding)));
      prices_.push_back(std::clamp(std::round(from[kind] * unit), 0.0, whole_.back()));
    }
  }

  std::optional<RationedValues> find(double work, const std::function<double()>& known,
                                     const std::function<void(std::vector<SheetPart>)>& tried,
                                     const std::function<bool()>& isOver) {
    constexpr double kFewLooks = 2, kMostLooks = 200;
    constexpr double kLessPace = 0.7;
    constexpr int kInVain = 8;
    const double looks = std::clamp(work / plate_.work(), kFewLooks, kMostLooks);
    double pace = 1.0;
    int inVain = 0;
    for (int look = 0; look < looks; ++look) {
      const auto counts = lookAt(isOver);
      if (!counts) break;
      if (isBest_) inVain = 0;
      if (isWithin(*counts, job_))
        if (auto parts = plate_.filling()) tried(std::move(*parts));
      const double open = double(last_) - known() * found_.unit;
      if (open <= 0.0) break;
      if (++inVain > kInVain) {
        inVain = 0;
        pace *= kLessPace;
      }
      if (!step(*counts, pace * open)) break;
    }
    if (!isAny_) return std::nullopt;
    for (double& price : found_.prices) price /= found_.unit;
    return std::move(found_);
  }

 private:
  /// What is worth most at the prices, which are kept if they are the best.
  std::optional<Counts> lookAt(const std::function<bool()>& isOver) {
    std::vector<PlateValues::Worth> worth;
    std::int64_t all = 0;
    for (std::size_t kind = 0; kind < prices_.size(); ++kind) {
      worth.push_back(static_cast<PlateValues::Worth>(whole_[kind] - prices_[kind]));
      all += static_cast<std::int64_t>(prices_[kind]) * job_.counts[kind];
    }
    Counts counts;
    const auto most = plate_.best(worth, 0.0, counts, isOver);
    if (!most) return std::nullopt;
    last_ = all + *most;
    isBest_ = !isAny_ || last_ < found_.most;
    if (!isBest_) return counts;
    isAny_ = true;
    found_.prices = prices_;
    found_.worth.assign(worth.begin(), worth.end());
    found_.allPrices = all;
    found_.most = last_;
    found_.rooms = plate_.bySteps(kRooms);
    return counts;
  }
  /// Dearer what is used too often, cheaper what is used too seldom; false where neither is.
  bool step(const Counts& counts, double much) {
    std::vector<double> over(prices_.size(), 0.0);
    double squares = 0.0;
    for (std::size_t kind = 0; kind < prices_.size(); ++kind) {
      over[kind] = double(counts[kind] - job_.counts[kind]);
      if (over[kind] < 0.0 && prices_[kind] <= 0.0) over[kind] = 0.0;
      squares += over[kind] * over[kind];
    }
    if (squares <= 0.0) return false;
    for (std::size_t kind = 0; kind < prices_.size(); ++kind)
      prices_[kind] =
          std::clamp(std::round(prices_[kind] + much / squares * over[kind]), 0.0, whole_[kind]);
    return true;
  }

  const MaterialJob& job_;
  PlateValues& plate_;
  std::vector<double> whole_, prices_;  // in units
  bool isAny_ = false, isBest_ = false;
  std::int64_t last_ = 0;
  RationedValues found_;
};

Micrometres shortestSide(const MaterialJob& job, std::size_t kind) {
  Micrometres shortest = std::numeric_limits<Micrometres>::max();
  for (const LyingSize& size : job.sizes[0][kind])
    shortest = std::min({shortest, size.across, size.along});
  return shortest;
}

/// Those that a step of a room's length may hold are too small to be told apart in it.
Micrometres tooSmallFor(const MaterialJob& job) {
  constexpr Micrometres kSteps = 3;
  const UsableSize usable = usableOf(job.stock(0));
  return kSteps * std::max(usable.across, usable.along) / static_cast<Micrometres>(kRooms);
}

/// With those that were left out: they are worth as much as their price, since all of them are
/// there and take no room.
RationedValues amongAll(RationedValues found, const std::vector<double>& values,
                        const Counts& counts, const Counts& larger) {
  const std::vector<double> prices = std::move(found.prices);
  const std::vector<std::int64_t> worth = std::move(found.worth);
  found.prices = values;
  found.worth.assign(values.size(), 0);
  for (std::size_t kind = 0, i = 0; kind < values.size(); ++kind) {
    if (larger[kind] > 0) {
      found.prices[kind] = prices[i];
      found.worth[kind] = worth[i++];
      continue;
    }
    const auto price = static_cast<std::int64_t>(std::ceil(values[kind] * found.unit));
    found.allPrices += price * counts[kind];
    found.most += price * counts[kind];
  }
  return found;
}

/// Of a part of a job's kinds.
std::vector<double> ofKinds(const std::vector<double>& all, const std::vector<std::size_t>& kinds) {
  std::vector<double> some;
  some.reserve(kinds.size());
  for (const std::size_t kind : kinds) some.push_back(all[kind]);
  return some;
}

}  // namespace

std::optional<RationedValues> rationedValues(
    const MaterialJob& job, const std::vector<double>& values, const std::vector<double>& from,
    const RationingWork& work, const std::function<double()>& known,
    const std::function<void(std::vector<SheetPart>)>& tried, const std::function<bool()>& isOver) {
  constexpr double kMore = 1.5;  // times as small as the smallest, where that is too small
  for (Micrometres tooSmall = tooSmallFor(job);;) {
    Counts larger = job.counts;
    Micrometres smallest = std::numeric_limits<Micrometres>::max();
    double leftOut = 0.0;
    for (std::size_t kind = 0; kind < larger.size(); ++kind) {
      const Micrometres side = shortestSide(job, kind);
      if (side < tooSmall) {
        leftOut += values[kind] * larger[kind];
        larger[kind] = 0;
      } else {
        smallest = std::min(smallest, side);
      }
    }
    std::vector<std::size_t> kinds;
    const MaterialJob part = onlyWanted(job, larger, kinds);
    if (kinds.empty()) return std::nullopt;
    PlateValues plate(part, 0, PlateValues::Coarse::Down, work.look);
    if (!plate.isUsable()) {
      tooSmall = static_cast<Micrometres>(kMore * double(smallest)) + 1;
      continue;
    }
    const std::vector<double> worth = ofKinds(values, kinds);
    const double unit = unitOf(plate, worth);
    constexpr double kMost = 1e15;  // in units: more is not told exactly
    if (unit <= 0.0 || leftOut * unit > kMost) return std::nullopt;
    const auto knownOfPart = [&] { return known() - leftOut; };
    const auto take = [&](std::vector<SheetPart> parts) {
      for (SheetPart& each : parts) each.piece = kinds[each.piece];
      tried(std::move(parts));
    };
    auto found = Rationing(part, plate, unit, worth, ofKinds(from, kinds))
                     .find(work.all, knownOfPart, take, isOver);
    if (!found) return std::nullopt;
    return amongAll(std::move(*found), values, job.counts, larger);
  }
}

}  // namespace drapery
