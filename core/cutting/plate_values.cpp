#include "core/cutting/plate_values.h"

#include <algorithm>
#include <array>
#include <numeric>

#include "core/cutting/raise.h"

namespace drapery {

namespace {

constexpr std::size_t kMostPlaces = 2500;  // each way
constexpr double kMostLooked = 2e7;

/// What one `best` takes where only the places are looked at; the first is done several at a time.
double workOfPlaces(double x, double y) { return x * x / 4 * y / 4 + x * y * y / 4; }
/// Where every step is one, so that what is left beside a cut need not be looked up.
double workOfSteps(double x, double y) { return x * y * (x + y) / 32; }

/// For each place, by the cuts up to its middle: the last place that is not beyond what a cut
/// leaves.
std::vector<std::vector<std::uint32_t>> restsOf(const std::vector<std::int64_t>& places) {
  std::vector<std::vector<std::uint32_t>> rests(places.size());
  for (std::size_t i = 0; i < places.size(); ++i) {
    auto rest = static_cast<std::uint32_t>(i);
    for (std::size_t a = 1; a < i && 2 * places[a] <= places[i]; ++a) {
      while (places[rest] > places[i] - places[a]) --rest;
      rests[i].push_back(rest);
    }
  }
  return rests;
}

UsableSize plateOf(const MaterialJob& job, std::size_t stock) {
  constexpr double kLong = 1.4;
  UsableSize usable = usableOf(job.stock(stock));
  if (job.stock(stock).form == StockForm::Sheet) return usable;
  Micrometres longest = usable.across;
  for (const auto& kind : job.sizes[stock])
    for (const LyingSize& size : kind) longest = std::max(longest, size.along);
  usable.along = std::min(usable.along, static_cast<Micrometres>(kLong * double(longest)));
  return usable;
}

}  // namespace

PlateValues::PlateValues(const MaterialJob& job, std::size_t stock, Coarse coarse,
                         double mostWork) {
  std::int64_t exact = 0;  // a step that all lengths are whole numbers of
  for (const auto& kind : job.sizes[stock])
    for (const LyingSize& size : kind) exact = std::gcd(std::gcd(exact, size.across), size.along);
  const std::int64_t least = std::max<std::int64_t>(exact, 1);
  const UsableSize usable = plateOf(job, stock);
  const std::int64_t coarsest = std::max(usable.across, usable.along) / 500;
  for (const std::int64_t step : std::initializer_list<std::int64_t>{
           least, 100, 500, 1000, 2000, 3000, 5000, 8000, 12000, std::max(least, coarsest)}) {
    if (step < least) continue;
    if (measure(job, stock, step, coarse) && work() <= mostWork) break;
  }
  if (isDense_) return;
  restX_ = restsOf(xs_);
  restY_ = restsOf(ys_);
}

bool PlateValues::measure(const MaterialJob& job, std::size_t stock, std::int64_t step,
                          Coarse coarse) {
  usable_ = plateOf(job, stock);
  step_ = step;
  sizes_.clear();
  std::vector<Weighed> acrosses, alongs;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (const LyingSize& size : job.sizes[stock][kind]) {
      sizes_.push_back({kind, 0, 0, size});
      const double area = double(job.counts[kind]) * double(size.across) * double(size.along);
      acrosses.push_back({size.across, area});
      alongs.push_back({size.along, area});
    }
  const auto isWhole = [&](const Weighed& each) { return each.length % step == 0; };
  isExact_ = std::all_of(acrosses.begin(), acrosses.end(), isWhole) &&
             std::all_of(alongs.begin(), alongs.end(), isWhole);
  const Steps x = stepsOf(acrosses, usable_.across, step, coarse);
  const Steps y = stepsOf(alongs, usable_.along, step, coarse);
  columnsPer_ = x.per;
  rowsPer_ = y.per;
  for (std::size_t i = 0; i < sizes_.size(); ++i) {
    sizes_[i].across = x.lengths[i];
    sizes_[i].along = y.lengths[i];
  }
  // Of what comes to nothing any number would fit.
  const auto isNothing = [](const Size& size) { return size.across <= 0 || size.along <= 0; };
  xs_ = ys_ = {};
  if (std::any_of(sizes_.begin(), sizes_.end(), isNothing)) return false;
  xs_ = places(x.lengths, x.room);
  ys_ = places(y.lengths, y.room);
  if (xs_.empty() || ys_.empty()) return false;
  isDense_ = x.room < std::int64_t(kMostPlaces) && y.room < std::int64_t(kMostPlaces) &&
             workOfSteps(double(x.room), double(y.room)) <
                 workOfPlaces(double(xs_.size()), double(ys_.size()));
  if (!isDense_) return true;
  const auto allOf = [](std::vector<std::int64_t>& places, std::int64_t room) {
    places.resize(static_cast<std::size_t>(room) + 1);
    std::iota(places.begin(), places.end(), 0);
  };
  allOf(xs_, x.room);
  allOf(ys_, y.room);
  return true;
}

/// Lengths in steps. Rounded down so that what fits beside each other still does: a length is the
/// part of (n + 1) it takes, of a room of n (the dual feasible functions of Fekete and Schepers
/// 2001, "New classes of fast lower bounds for bin packing problems", Mathematical Programming 91);
/// of some rooms that which loses least.
PlateValues::Steps PlateValues::stepsOf(const std::vector<Weighed>& lengths, Micrometres room,
                                        std::int64_t step, Coarse coarse) {
  Steps result{room / step, 1.0 / double(step), {}};
  const auto isWhole = [&](const Weighed& each) { return each.length % step == 0; };
  if (coarse == Coarse::Up || std::all_of(lengths.begin(), lengths.end(), isWhole)) {
    for (const Weighed& each : lengths)
      result.lengths.push_back(std::max<std::int64_t>(1, (each.length + step - 1) / step));
    return result;
  }
  const auto inSteps = [&](Micrometres length, std::int64_t n) {
    const std::int64_t whole = (n + 1) * length / room;
    return length < room && whole * room == (n + 1) * length ? whole - 1 : std::min(whole, n);
  };
  constexpr double kLeast = 0.8;
  double most = -1.0;
  const std::int64_t finest = result.room;
  for (std::int64_t n = finest; n > 0 && double(n) >= kLeast * double(finest); --n) {
    double kept = 0.0;
    for (const Weighed& each : lengths)
      kept += each.weight * double(inSteps(each.length, n)) * double(room) /
              (double(n) * double(each.length));
    if (kept <= most) continue;
    most = kept;
    result.room = n;
  }
  for (const Weighed& each : lengths) result.lengths.push_back(inSteps(each.length, result.room));
  result.per = double(result.room + 1) / double(room);
  return result;
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
  return isDense_ ? workOfSteps(x, y) : workOfPlaces(x, y);
}

double PlateValues::ceiling(const std::vector<double>& worth) const {
  double most = 0.0;
  for (const Size& size : sizes_)
    most = std::max(most, worth[size.kind] / (double(size.across) * double(size.along)));
  return most * double(xs_.back()) * double(ys_.back());
}

/// The greatest of low[b] + here[rest[b]]; four at a time, as none waits for the one before it.
static PlateValues::Worth greatest(const PlateValues::Worth* low, const PlateValues::Worth* here,
                                   const std::vector<std::uint32_t>& rest) {
  std::array<PlateValues::Worth, 4> most{};
  const std::size_t count = rest.size(), fours = count - count % most.size();
  for (std::size_t b = 0; b < fours; b += most.size())
    for (std::size_t k = 0; k < most.size(); ++k)
      most[k] = std::max(most[k], low[b + k] + here[rest[b + k]]);
  for (std::size_t b = fours; b < count; ++b) most[0] = std::max(most[0], low[b] + here[rest[b]]);
  return std::max(std::max(most[0], most[1]), std::max(most[2], most[3]));
}

std::optional<PlateValues::Worth> PlateValues::best(const std::vector<Worth>& worth, double spared,
                                                    Counts& counts,
                                                    const std::function<bool()>& isOver) {
  worth_ = worth;
  byWorth_.clear();
  for (const Size& size : sizes_) byWorth_.push_back(&size);
  std::stable_sort(byWorth_.begin(), byWorth_.end(), IsLess{worth_});
  sparedWhole_ = static_cast<Worth>(spared);
  spared_.clear();
  for (const std::int64_t place : ys_)
    spared_.push_back(static_cast<Worth>(spared * double(place * step_) / double(usable_.along)));
  const std::size_t high = ys_.size();
  values_.assign(xs_.size() * high, 0);
  for (const Size& size : sizes_) {  // a piece alone, where it just fits
    const auto i = static_cast<std::size_t>(std::lower_bound(xs_.begin(), xs_.end(), size.across) -
                                            xs_.begin());
    const auto j = static_cast<std::size_t>(std::lower_bound(ys_.begin(), ys_.end(), size.along) -
                                            ys_.begin());
    if (i < xs_.size() && j < high) at(i, j) = std::max(at(i, j), worth[size.kind]);
  }
  if (isDense_ ? !fillDense(isOver) : !fill(isOver)) return std::nullopt;
  counts.assign(worth.size(), 0);
  trace(takenApart(xs_.size() - 1, high - 1), counts);
  return at(xs_.size() - 1, high - 1) + sparedWhole_;
}

void PlateValues::spare(Worth* here) const {
  for (std::size_t j = 0; j < spared_.size(); ++j) here[j] = std::max(0, here[j] - spared_[j]);
}

bool PlateValues::fillDense(const std::function<bool()>& isOver) {
  constexpr std::size_t kRows = 128;    // of all columns at a time: what is looked at stays at hand
  constexpr std::size_t kColumns = 16;  // between two questions
  const std::size_t wide = xs_.size(), high = ys_.size();
  std::vector<std::size_t> cuts;  // where there a column is worth more than the one before it
  for (std::size_t from = 0; from < high; from += kRows) {
    if (isOver()) return false;
    const std::size_t to = std::min(high, from + kRows);
    cuts.clear();
    for (std::size_t i = 1; i + 1 < wide; ++i) {
      if (i % kColumns == 0 && isOver()) return false;
      fillRows(i, from, to, cuts);
      const Worth* here = &values_[i * high];
      if (!std::equal(here + from, here + to, here + from - high)) cuts.push_back(i);
    }
  }
  if (wide < 2) return true;
  cuts.resize((wide - 1) / 2);
  std::iota(cuts.begin(), cuts.end(), std::size_t{1});
  fillRows(wide - 1, 0, high, cuts);
  return true;
}

void PlateValues::fillRows(std::size_t column, std::size_t from, std::size_t to,
                           const std::vector<std::size_t>& cuts) {
  const std::size_t high = ys_.size(), rows = to - from;
  Worth* here = &values_[column * high];
  const Worth* before = here - high;
  for (std::size_t j = from; j < to; ++j) here[j] = std::max(here[j], before[j]);
  for (const std::size_t a : cuts) {
    if (2 * a > column) break;
    raise(here + from, &values_[a * high + from], &values_[(column - a) * high + from], rows);
  }
  if (column == xs_.size() - 1) spare(here);
  for (std::size_t b = std::max<std::size_t>(1, from); b < to; ++b) {
    if (here[b] <= here[b - 1]) {
      here[b] = here[b - 1];  // a cut there is no better than one a step lower
      continue;
    }
    // What lies above is not more than what lies below: the other way round is the same.
    const std::size_t above = std::min(b, high - 1 - b);
    raiseAbove(here + b + 1, here[b], here + 1, above);
  }
}

bool PlateValues::fill(const std::function<bool()>& isOver) {
  const std::size_t high = ys_.size();
  for (std::size_t i = 1; i < xs_.size(); ++i) {
    if (isOver()) return false;
    Worth* __restrict here = &values_[i * high];
    const Worth* before = here - high;
    for (std::size_t j = 0; j < high; ++j) here[j] = std::max(here[j], before[j]);
    for (std::size_t a = 0; a < restX_[i].size(); ++a) {
      const Worth* low = &values_[(a + 1) * high];
      const Worth* rest = &values_[restX_[i][a] * high];
      for (std::size_t j = 0; j < high; ++j) here[j] = std::max(here[j], low[j] + rest[j]);
    }
    if (i == xs_.size() - 1) spare(here);
    for (std::size_t j = 1; j < high; ++j)
      here[j] = std::max({here[j], here[j - 1], greatest(here + 1, here, restY_[j])});
  }
  return true;
}

std::size_t PlateValues::besides(std::size_t i, std::size_t a) const {
  return isDense_ ? i - a : restX_[i][a - 1];
}
std::size_t PlateValues::above(std::size_t j, std::size_t b) const {
  return isDense_ ? j - b : restY_[j][b - 1];
}

/// The same comparisons again.
PlateValues::Taken PlateValues::takenApart(std::size_t i, std::size_t j) const {
  while (true) {
    if (at(i, j) <= 0) return {};
    if (at(i, j - 1) == at(i, j)) {
      --j;
      continue;
    }
    const Worth value = at(i, j) + (i == xs_.size() - 1 ? spared_[j] : 0);
    if (at(i - 1, j) == value) {
      --i;
      continue;
    }
    const auto [first, last] =
        std::equal_range(byWorth_.begin(), byWorth_.end(), value, IsLess{worth_});
    for (auto each = first; each != last; ++each)
      if ((*each)->across <= xs_[i] && (*each)->along <= ys_[j])
        return {Taken::Kind::Piece, *each, i, j, 0, 0};
    for (std::size_t a = 1; a < i && 2 * xs_[a] <= xs_[i]; ++a)
      if (const std::size_t rest = besides(i, a); at(a, j) + at(rest, j) == value)
        return {Taken::Kind::Beside, nullptr, a, j, rest, j};
    for (std::size_t b = 1; b < j && 2 * ys_[b] <= ys_[j]; ++b)
      if (const std::size_t rest = above(j, b); at(i, b) + at(i, rest) == at(i, j))
        return {Taken::Kind::Above, nullptr, i, b, i, rest};
    return {};
  }
}

void PlateValues::trace(const Taken& taken, Counts& counts) const {
  if (taken.kind == Taken::Kind::Nothing) return;
  if (taken.kind == Taken::Kind::Piece) {
    ++counts[taken.size->kind];
    return;
  }
  trace(takenApart(taken.lowX, taken.lowY), counts);
  trace(takenApart(taken.highX, taken.highY), counts);
}

UsableSize PlateValues::extentOf(const Taken& taken) const {
  if (taken.kind == Taken::Kind::Nothing) return {};
  if (taken.kind == Taken::Kind::Piece) return {taken.size->lies.across, taken.size->lies.along};
  const UsableSize low = extentOf(takenApart(taken.lowX, taken.lowY));
  const UsableSize high = extentOf(takenApart(taken.highX, taken.highY));
  if (taken.kind == Taken::Kind::Beside)
    return {low.across + high.across, std::max(low.along, high.along)};
  return {std::max(low.across, high.across), low.along + high.along};
}

void PlateValues::lay(const Taken& taken, std::size_t at, std::vector<SheetPart>& parts) const {
  if (taken.kind == Taken::Kind::Nothing) return;
  if (taken.kind == Taken::Kind::Piece) {
    const LyingSize& size = taken.size->lies;
    for (const bool isBeside : {true, false}) {
      const Micrometres length = isBeside ? size.across : size.along;
      if ((isBeside ? parts[at].across : parts[at].along) <= length) continue;
      splitPart(parts, at, isBeside, length);
      at = parts[at].low;
    }
    parts[at].kind = SheetPart::Kind::Piece;
    parts[at].piece = taken.size->kind;
    parts[at].isTurned = size.isTurned;
    return;
  }
  const bool isBeside = taken.kind == Taken::Kind::Beside;
  const Taken lower = takenApart(taken.lowX, taken.lowY);
  const Taken higher = takenApart(taken.highX, taken.highY);
  const UsableSize extent = extentOf(lower);
  const Micrometres first = isBeside ? extent.across : extent.along;
  const Micrometres room = isBeside ? parts[at].across : parts[at].along;
  if (first <= 0) return lay(higher, at, parts);
  if (first >= room) return lay(lower, at, parts);
  splitPart(parts, at, isBeside, first);
  const std::size_t low = parts[at].low;
  lay(lower, low, parts);
  lay(higher, low + 1, parts);
}

std::optional<std::vector<SheetPart>> PlateValues::fillingOf(const Taken& taken) const {
  const UsableSize extent = extentOf(taken);
  if (extent.across > usable_.across || extent.along > usable_.along) return std::nullopt;
  std::vector<SheetPart> parts(1);
  parts[0].across = usable_.across;
  parts[0].along = usable_.along;
  lay(taken, 0, parts);
  return parts;
}

/// By steps, so many of them taken together, the last place that is within them.
static std::vector<std::size_t> lastPlaces(const std::vector<std::int64_t>& places,
                                           std::size_t together) {
  std::vector<std::size_t> last;
  const auto room = static_cast<std::size_t>(places.back());
  for (std::size_t step = 0, i = 0; step <= room; step += together) {
    const auto upTo = static_cast<std::int64_t>(step + together - 1);
    while (i + 1 < places.size() && places[i + 1] <= upTo) ++i;
    last.push_back(i);
  }
  return last;
}

PlateValues::BySteps PlateValues::bySteps(std::size_t most) const {
  const auto togetherOf = [&](const std::vector<std::int64_t>& places) {
    return static_cast<std::size_t>(places.back()) / most + 1;
  };
  const std::size_t x = togetherOf(xs_), y = togetherOf(ys_);
  const std::vector<std::size_t> columns = lastPlaces(xs_, x), rows = lastPlaces(ys_, y);
  BySteps all{columns.size(), rows.size(), columnsPer_ / double(x), rowsPer_ / double(y), {}};
  all.worth.reserve(all.columns * all.rows);
  for (const std::size_t i : columns)
    for (const std::size_t j : rows) all.worth.push_back(at(i, j));
  return all;
}

std::optional<std::vector<SheetPart>> PlateValues::filling() const {
  return fillingOf(takenApart(xs_.size() - 1, ys_.size() - 1));
}

std::vector<PlateValues::Other> PlateValues::others(Worth least, std::size_t most,
                                                    const std::function<bool()>& isOver) const {
  const std::size_t i = xs_.size() - 1, j = ys_.size() - 1;
  std::vector<std::pair<Worth, Taken>> ways;
  const auto consider = [&](Worth worth, const Taken& taken) {
    if (worth > least) ways.emplace_back(worth, taken);
  };
  for (std::size_t a = 1; a < i && 2 * xs_[a] <= xs_[i]; ++a)
    if (at(a, j) > at(a - 1, j))
      consider(at(a, j) + at(besides(i, a), j),
               {Taken::Kind::Beside, nullptr, a, j, besides(i, a), j});
  const auto isMore = [&](std::size_t b) { return at(i, b) > at(i, b - 1); };
  const bool isSparing = sparedWhole_ > 0;  // then what lies above may be all there is
  for (std::size_t b = 1; b < j && 2 * ys_[b] <= ys_[j]; ++b)
    if (isMore(b) || (isSparing && isMore(above(j, b))))
      consider(at(i, b) + at(i, above(j, b)) + sparedWhole_,
               {Taken::Kind::Above, nullptr, i, b, i, above(j, b)});
  std::stable_sort(ways.begin(), ways.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  std::vector<Other> found;
  Counts best(worth_.size(), 0);
  trace(takenApart(i, j), best);
  std::size_t looked = 0;
  for (const auto& [worth, taken] : ways) {
    constexpr std::size_t kLooked = 4;  // times as many, since some hold the same
    if (found.size() == most || ++looked > kLooked * most || isOver()) break;
    Counts counts(worth_.size(), 0);
    trace(taken, counts);
    const auto isSame = [&](const Other& other) { return other.counts == counts; };
    if (counts == best || std::any_of(found.begin(), found.end(), isSame)) continue;
    auto parts = fillingOf(taken);
    found.push_back({std::move(counts), std::move(parts)});
  }
  return found;
}

}  // namespace drapery
