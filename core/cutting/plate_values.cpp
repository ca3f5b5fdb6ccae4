#include "core/cutting/plate_values.h"

#include <algorithm>
#include <numeric>

namespace drapery {

namespace {

constexpr std::size_t kMostPlaces = 2500;  // each way
constexpr double kMostLooked = 2e7;

/// The index of the last place that is not beyond.
std::uint32_t upTo(const std::vector<std::int64_t>& places, std::int64_t length) {
  return static_cast<std::uint32_t>(std::upper_bound(places.begin(), places.end(), length) -
                                    places.begin() - 1);
}

}  // namespace

PlateValues::PlateValues(const MaterialJob& job, std::size_t stock, Coarse coarse,
                         double mostWork) {
  std::int64_t exact = 0;  // a step that all lengths are whole numbers of
  for (const auto& kind : job.sizes[stock])
    for (const LyingSize& size : kind) exact = std::gcd(std::gcd(exact, size.across), size.along);
  const std::int64_t least = std::max<std::int64_t>(exact, 1);
  const UsableSize usable = usableOf(job.stock(stock));
  const std::int64_t coarsest = std::max(usable.across, usable.along) / 500;
  for (const std::int64_t step : std::initializer_list<std::int64_t>{
           least, 100, 500, 1000, 2000, 3000, 5000, 8000, 12000, std::max(least, coarsest)}) {
    if (step < least) continue;
    if (measure(job, stock, step, coarse) && work() <= mostWork) break;
  }
  for (std::size_t i = 0; i < xs_.size(); ++i) {
    restX_.emplace_back();
    for (std::size_t a = 1; a < i && 2 * xs_[a] <= xs_[i]; ++a)
      restX_[i].push_back(upTo(xs_, xs_[i] - xs_[a]));
  }
  for (std::size_t j = 0; j < ys_.size(); ++j) {
    restY_.emplace_back();
    for (std::size_t b = 1; b < j && 2 * ys_[b] <= ys_[j]; ++b)
      restY_[j].push_back(upTo(ys_, ys_[j] - ys_[b]));
  }
}

bool PlateValues::measure(const MaterialJob& job, std::size_t stock, std::int64_t step,
                          Coarse coarse) {
  const std::int64_t up = coarse == Coarse::Up ? step - 1 : 0;
  sizes_.clear();
  std::vector<std::int64_t> acrosses, alongs;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (const LyingSize& size : job.sizes[stock][kind]) {
      sizes_.push_back({kind, std::max<std::int64_t>(1, (size.across + up) / step),
                        std::max<std::int64_t>(1, (size.along + up) / step), size});
      acrosses.push_back(sizes_.back().across);
      alongs.push_back(sizes_.back().along);
    }
  usable_ = usableOf(job.stock(stock));
  xs_ = places(acrosses, usable_.across / step);
  ys_ = places(alongs, usable_.along / step);
  return !xs_.empty() && !ys_.empty();
}

/// All sums of lengths within the room, and the room itself; nothing where they are too many.
std::vector<std::int64_t> PlateValues::places(std::vector<std::int64_t> lengths,
                                              std::int64_t room) {
  std::sort(lengths.begin(), lengths.end());
  lengths.erase(std::unique(lengths.begin(), lengths.end()), lengths.end());
  if (double(room) * double(lengths.size()) > kMostLooked) return {};
  std::vector<char> isSum(static_cast<std::size_t>(room) + 1, 0);
  isSum[0] = 1;
  std::vector<std::int64_t> all;
  for (std::int64_t place = 0; place <= room; ++place) {
    if (isSum[static_cast<std::size_t>(place)] == 0 && place != room) continue;
    all.push_back(place);
    if (all.size() > kMostPlaces) return {};
    for (const std::int64_t length : lengths) {
      if (place + length > room) break;
      isSum[static_cast<std::size_t>(place + length)] = 1;
    }
  }
  return all;
}

double PlateValues::work() const {
  const double x = double(xs_.size()), y = double(ys_.size());
  return x * x / 4 * y / 4 + x * y * y / 4;  // the first is done several at a time
}

std::int64_t PlateValues::best(const std::vector<std::int64_t>& worth, Counts& counts) {
  worth_ = worth;
  const std::size_t high = ys_.size();
  values_.assign(xs_.size() * high, 0);
  for (const Size& size : sizes_) {  // a piece alone, where it just fits
    const auto i = static_cast<std::size_t>(std::lower_bound(xs_.begin(), xs_.end(), size.across) -
                                            xs_.begin());
    const auto j = static_cast<std::size_t>(std::lower_bound(ys_.begin(), ys_.end(), size.along) -
                                            ys_.begin());
    if (i < xs_.size() && j < high) at(i, j) = std::max(at(i, j), worth[size.kind]);
  }
  for (std::size_t i = 1; i < xs_.size(); ++i) {
    std::int64_t* here = &values_[i * high];
    const std::int64_t* before = here - high;
    for (std::size_t j = 0; j < high; ++j) here[j] = std::max(here[j], before[j]);
    for (std::size_t a = 0; a < restX_[i].size(); ++a) {
      const std::int64_t* low = &values_[(a + 1) * high];
      const std::int64_t* rest = &values_[restX_[i][a] * high];
      for (std::size_t j = 0; j < high; ++j) here[j] = std::max(here[j], low[j] + rest[j]);
    }
    for (std::size_t j = 1; j < high; ++j) {
      std::int64_t most = std::max(here[j], here[j - 1]);
      for (std::size_t b = 0; b < restY_[j].size(); ++b)
        most = std::max(most, here[b + 1] + here[restY_[j][b]]);
      here[j] = most;
    }
  }
  counts.assign(worth.size(), 0);
  trace(xs_.size() - 1, high - 1, counts);
  return at(xs_.size() - 1, high - 1);
}

/// The same comparisons again.
PlateValues::Taken PlateValues::takenApart(std::size_t i, std::size_t j) const {
  while (true) {
    const std::int64_t value = at(i, j);
    if (value <= 0) return {};
    if (at(i - 1, j) == value) {
      --i;
      continue;
    }
    if (at(i, j - 1) == value) {
      --j;
      continue;
    }
    for (const Size& size : sizes_)
      if (size.across <= xs_[i] && size.along <= ys_[j] && worth_[size.kind] == value)
        return {Taken::Kind::Piece, &size, i, j, 0, 0};
    for (std::size_t a = 0; a < restX_[i].size(); ++a)
      if (at(a + 1, j) + at(restX_[i][a], j) == value)
        return {Taken::Kind::Beside, nullptr, a + 1, j, restX_[i][a], j};
    for (std::size_t b = 0; b < restY_[j].size(); ++b)
      if (at(i, b + 1) + at(i, restY_[j][b]) == value)
        return {Taken::Kind::Above, nullptr, i, b + 1, i, restY_[j][b]};
    return {};
  }
}

void PlateValues::trace(std::size_t i, std::size_t j, Counts& counts) const {
  const Taken taken = takenApart(i, j);
  if (taken.kind == Taken::Kind::Nothing) return;
  if (taken.kind == Taken::Kind::Piece) {
    ++counts[taken.size->kind];
    return;
  }
  trace(taken.lowX, taken.lowY, counts);
  trace(taken.highX, taken.highY, counts);
}

UsableSize PlateValues::extentOf(std::size_t i, std::size_t j) const {
  const Taken taken = takenApart(i, j);
  if (taken.kind == Taken::Kind::Nothing) return {};
  if (taken.kind == Taken::Kind::Piece) return {taken.size->lies.across, taken.size->lies.along};
  const UsableSize low = extentOf(taken.lowX, taken.lowY);
  const UsableSize high = extentOf(taken.highX, taken.highY);
  if (taken.kind == Taken::Kind::Beside)
    return {low.across + high.across, std::max(low.along, high.along)};
  return {std::max(low.across, high.across), low.along + high.along};
}

/// Splits a part of the sheet in two; the lower one's index, the upper one is behind it.
static std::size_t split(std::vector<SheetPart>& parts, std::size_t at, bool isBeside,
                         Micrometres low) {
  SheetPart first = parts[at], second = parts[at];
  (isBeside ? first.across : first.along) = low;
  (isBeside ? second.x : second.y) += low;
  (isBeside ? second.across : second.along) -= low;
  SheetPart& whole = parts[at];
  whole.kind = SheetPart::Kind::Split;
  whole.isBeside = isBeside;
  whole.low = parts.size();
  whole.high = parts.size() + 1;
  parts.push_back(first);
  parts.push_back(second);
  return parts.size() - 2;
}

void PlateValues::lay(std::size_t i, std::size_t j, std::size_t at,
                      std::vector<SheetPart>& parts) const {
  const Taken taken = takenApart(i, j);
  if (taken.kind == Taken::Kind::Nothing) return;
  if (taken.kind == Taken::Kind::Piece) {
    const LyingSize& size = taken.size->lies;
    if (parts[at].across > size.across) at = split(parts, at, true, size.across);
    if (parts[at].along > size.along) at = split(parts, at, false, size.along);
    parts[at].kind = SheetPart::Kind::Piece;
    parts[at].piece = taken.size->kind;
    parts[at].isTurned = size.isTurned;
    return;
  }
  const bool isBeside = taken.kind == Taken::Kind::Beside;
  const UsableSize extent = extentOf(taken.lowX, taken.lowY);
  const Micrometres first = isBeside ? extent.across : extent.along;
  const Micrometres room = isBeside ? parts[at].across : parts[at].along;
  if (first <= 0) return lay(taken.highX, taken.highY, at, parts);
  if (first >= room) return lay(taken.lowX, taken.lowY, at, parts);
  const std::size_t low = split(parts, at, isBeside, first);
  lay(taken.lowX, taken.lowY, low, parts);
  lay(taken.highX, taken.highY, low + 1, parts);
}

std::optional<std::vector<SheetPart>> PlateValues::filling() const {
  const std::size_t i = xs_.size() - 1, j = ys_.size() - 1;
  const UsableSize extent = extentOf(i, j);
  if (extent.across > usable_.across || extent.along > usable_.along) return std::nullopt;
  std::vector<SheetPart> parts(1);
  parts[0].across = usable_.across;
  parts[0].along = usable_.along;
  lay(i, j, 0, parts);
  return parts;
}

}  // namespace drapery
