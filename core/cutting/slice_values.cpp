#include "core/cutting/slice_values.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <optional>

namespace drapery {

namespace {

/// As often as it is worth more than what was there.
void take(std::vector<std::int64_t>& values, std::vector<std::uint32_t>& taken, std::size_t places,
          std::int64_t worth, std::uint32_t way) {
  for (std::size_t place = places; place < values.size(); ++place) {
    const std::int64_t with = values[place - places] + worth;
    if (with <= values[place]) continue;
    values[place] = with;
    taken[place] = way;
  }
}

}  // namespace

SliceValues::SliceValues(const MaterialJob& job, std::size_t stock) {
  Micrometres step = 0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (const LyingSize& size : job.sizes[stock][kind]) {
      ways_.push_back({kind, size.across, double(size.along)});
      step = std::gcd(step, size.across);
    }
  countIn(step, usableOf(job.stock(stock)).across);
}

SliceValues::SliceValues(const MaterialJob& job, std::size_t stock, Micrometres along) {
  constexpr Micrometres kMostPlaces = 4000;
  Micrometres whole = 0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (const LyingSize& size : job.sizes[stock][kind]) {
      if (size.along > along) continue;
      ways_.push_back({kind, size.along, double(size.across)});
      whole = std::gcd(whole, size.along);
    }
  countIn(std::max(along / kMostPlaces, whole), along);
}

void SliceValues::countIn(Micrometres step, Micrometres reach) {
  step_ = std::max<Micrometres>(step, 1);
  room_ = reach / step_;
  for (Way& way : ways_) way.places = static_cast<std::size_t>(way.reach / step_);
}

bool SliceValues::isUsable() const {
  constexpr double kMostPlaces = 1e5;
  return !ways_.empty() && double(room_) <= kMostPlaces &&
         std::all_of(ways_.begin(), ways_.end(), [](const Way& way) { return way.places > 0; });
}

std::vector<double> SliceValues::alone(std::size_t kinds, double length) const {
  std::vector<double> most(kinds, 0.0);
  for (const Way& way : ways_)
    most[way.kind] = std::max(most[way.kind],
                              std::floor(double(room_) / double(way.places)) * length / way.length);
  return most;
}

double SliceValues::best(const std::vector<double>& worth, Micrometres length, double whole) {
  double most = 0.0;  // of one side by side with itself
  for (const Way& way : ways_)
    most = std::max(most, worth[way.kind] / way.length / double(way.places));
  values_.clear();
  if (most <= 0.0) return 0.0;
  const double unit = most * double(room_) / whole;
  for (Way& way : ways_)
    way.worth = static_cast<std::int64_t>(std::ceil(worth[way.kind] / way.length / unit));
  values_.assign(static_cast<std::size_t>(room_) + 1, 0);
  taken_.assign(values_.size(), static_cast<std::uint32_t>(ways_.size()));
  for (std::size_t w = 0; w < ways_.size(); ++w) {
    const Way& way = ways_[w];
    if (way.worth > 0) take(values_, taken_, way.places, way.worth, static_cast<std::uint32_t>(w));
  }
  // What is taken up to a place is there up to the next.
  for (std::size_t place = 1; place < values_.size(); ++place) {
    if (values_[place - 1] <= values_[place]) continue;
    values_[place] = values_[place - 1];
    taken_[place] = static_cast<std::uint32_t>(ways_.size());
  }
  return double(values_.back()) * unit * double(length);
}

std::vector<std::pair<std::size_t, double>> SliceValues::slice(Micrometres length) const {
  std::vector<std::pair<std::size_t, double>> slice;
  for (std::size_t place = values_.empty() ? 0 : values_.size() - 1; place > 0;) {
    if (taken_[place] == ways_.size()) {
      --place;
      continue;
    }
    const Way& way = ways_[taken_[place]];
    slice.emplace_back(way.kind, double(length) / way.length);
    place -= way.places;
  }
  return slice;
}

double SliceValues::worthOf(std::size_t kind) const {
  std::optional<double> least;
  for (const Way& way : ways_) {
    const double worth = double(way.worth) * way.length;
    if (way.kind == kind) least = std::min(worth, least.value_or(worth));
  }
  return least.value_or(0.0);
}

}  // namespace drapery
