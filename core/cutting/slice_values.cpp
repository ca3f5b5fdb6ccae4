#include "core/cutting/slice_values.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace drapery {

SliceValues::SliceValues(const MaterialJob& job, std::size_t stock) {
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (const LyingSize& size : job.sizes[stock][kind]) {
      ways_.push_back({kind, size.across, double(size.along)});
      step_ = std::gcd(step_, size.across);
    }
  room_ = usableOf(job.stock(stock)).across / std::max<Micrometres>(step_, 1);
}

bool SliceValues::isUsable() const {
  constexpr double kMostPlaces = 1e5;
  return !ways_.empty() && double(room_) <= kMostPlaces;
}

double SliceValues::best(const std::vector<double>& worth, Micrometres along) {
  constexpr double kWhole = 1e15;  // what a slice may be worth, in whole numbers
  double most = 0.0;               // of one side by side with itself
  for (const Way& way : ways_)
    most = std::max(most, worth[way.kind] / way.along / double(way.across));
  values_.clear();
  if (most <= 0.0) return 0.0;
  const double unit = most * double(room_ * step_) / kWhole;
  for (Way& way : ways_)
    way.worth = static_cast<std::int64_t>(std::ceil(worth[way.kind] / way.along / unit));
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
  return double(values_.back()) * unit * double(along);
}

std::vector<std::pair<std::size_t, double>> SliceValues::slice(Micrometres along) const {
  std::vector<std::pair<std::size_t, double>> slice;
  for (std::size_t place = values_.empty() ? 0 : values_.size() - 1; place > 0;) {
    if (taken_[place] == ways_.size()) {
      --place;
      continue;
    }
    const Way& way = ways_[taken_[place]];
    slice.emplace_back(way.kind, double(along) / way.along);
    place -= static_cast<std::size_t>(way.across / step_);
  }
  return slice;
}

}  // namespace drapery
