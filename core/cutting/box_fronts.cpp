#include "core/cutting/box_fronts.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr std::uint8_t kBeside = 1, kAbove = 2;
constexpr std::uint64_t kLook = 1 << 18;  // joins between two questions: some milliseconds
constexpr std::uint64_t kLooks = 8;       // for parts of a taking take about as long as a join

/// A length squared is counted in whole numbers.
std::uint64_t wholeArea(double area) {
  constexpr double kMost = 1e19;
  return area < kMost ? static_cast<std::uint64_t>(std::max(0.0, area)) : std::uint64_t(kMost);
}

}  // namespace

void addBox(std::vector<CutBox>& front, const CutBox& box, const UsableSize& usable) {
  if (box.across > usable.across || box.along > usable.along) return;
  const auto at =
      std::lower_bound(front.begin(), front.end(), box,
                       [](const CutBox& a, const CutBox& b) { return a.across < b.across; });
  // One that is no wider and no higher is there already.
  if (at != front.begin() && std::prev(at)->along <= box.along) return;
  if (at != front.end() && at->across == box.across && at->along <= box.along) return;
  auto end = at;
  while (end != front.end() && end->along >= box.along) ++end;
  const auto place = front.erase(at, end);
  front.insert(place, box);
}

BoxFronts::BoxFronts(const MaterialJob& job, std::size_t stock, const CountIndex& index,
                     std::uint64_t& work, const std::function<bool()>& isEnough,
                     const BoxLimits& limits)
    : index_(index),
      usable_(usableOf(job.stock(stock))),
      isForAll_(limits.isForAll),
      isAllLost_(limits.isForAll || limits.isWhole),
      waste_(limits.lost),
      kinds_(index.kinds()) {
  usable_.along = std::min(usable_.along, limits.along);
  if (limits.prices != nullptr) {
    worths_ = &limits.prices->stocks[stock];
    for (std::size_t kind = 0; kind < index.kinds(); ++kind)
      kinds_[kind].worths = limits.prices->kinds[kind];
  }
  begin(job, stock);
  ranges_.resize(index_.size());
  if (isForAll_ || std::isfinite(waste_.area))
    findFew(work, isEnough);
  else
    findAll(work, isEnough);
}

void BoxFronts::begin(const MaterialJob& job, std::size_t stock) {
  for (std::size_t kind = 0; kind < index_.kinds(); ++kind) {
    if (index_.count(index_.all(), kind) == 0) continue;
    Front& front = alone_[index_.one(kind)];
    UsableSize least = usable_;
    for (const LyingSize& size : job.sizes[stock][kind]) {
      kinds_[kind].area = double(size.across) * double(size.along);
      least = {std::min(least.across, size.across), std::min(least.along, size.along)};
    }
    byAcross_.emplace_back(least.across, kind);
    byAlong_.emplace_back(least.along, kind);
    Measures most = kinds_[kind];
    most += waste_;
    setMost(most);
    for (const LyingSize& size : job.sizes[stock][kind]) {
      const auto across = static_cast<std::uint64_t>(size.across);
      if (waste_.area < 0.0 || !isWorth(across, static_cast<std::uint64_t>(size.along))) continue;
      addBox(front,
             {size.across, size.along, 0, 0, 0, 0, false, static_cast<std::uint32_t>(kind),
              size.isTurned},
             usable_);
    }
  }
  std::sort(byAcross_.begin(), byAcross_.end());
  std::sort(byAlong_.begin(), byAlong_.end());
}

void BoxFronts::findAll(std::uint64_t& work, const std::function<bool()>& isEnough) {
  constexpr std::size_t kLookSets = 64;
  std::uint64_t asked = work;
  for (std::size_t set = 1; set < index_.size() && isWhole_; ++set) {
    const auto alone = alone_.find(set);
    if (alone == alone_.end()) {
      front_.clear();
      join(set, work);
      keep(set, front_);
    } else {
      keep(set, alone->second);
    }
    if (asked - work < kLook && set % kLookSets != 0) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
}

void BoxFronts::findFew(std::uint64_t& work, const std::function<bool()>& isEnough) {
  constexpr std::size_t kLookSets = 4096;
  std::uint64_t asked = work;
  FoundTakings found(index_);
  fronts_.resize(index_.size());
  for (const auto& [set, front] : alone_) fronts_[set] = front;
  for (std::size_t set = 1; set < index_.size() && isWhole_; ++set) {
    if (!fronts_[set].empty()) {
      keep(set, fronts_[set]);
      Front().swap(fronts_[set]);
      joinToFound(set, found, work);
    }
    if (asked - work < kLook && set % kLookSets != 0) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
  fronts_ = {};
  holds_ = {};
  joins_ = {};
  if (isForAll_ && isWhole_) addRows(work, isEnough);
}

void BoxFronts::keep(std::size_t set, const Front& front) {
  ranges_[set].from = static_cast<std::uint32_t>(boxes_.size());
  for (const CutBox& box : front) {
    boxes_.push_back(box);
    extents_.push_back(
        {static_cast<std::uint32_t>(box.across), static_cast<std::uint32_t>(box.along)});
    made_.push_back(box.isJoined(true) ? kBeside : box.isJoined(false) ? kAbove : 0);
  }
  ranges_[set].to = static_cast<std::uint32_t>(boxes_.size());
}

Measures BoxFronts::measuresOf(std::size_t set) const {
  Measures measures;
  for (std::size_t kind = 0; kind < kinds_.size(); ++kind)
    for (int i = 0; i < index_.count(set, kind); ++i) measures += kinds_[kind];
  return measures;
}

LostParts BoxFronts::lostIn(Micrometres across, Micrometres along, const Measures& holds) const {
  std::array<double, LostParts::kThings> lost{};
  const auto partOf = [](double much, double most) { return much / std::max(most, 1e-9); };
  if (worths_ != nullptr) {
    const Worths most = worths_->most(across, along);
    for (std::size_t which = 0; which < kPrices; ++which)
      lost[which] = partOf(most[which] - holds.worths[which], waste_.worths[which]);
  }
  lost.back() = partOf(double(across) * double(along) - holds.area, waste_.area);
  return LostParts(lost);
}

LostParts BoxFronts::lostOf(Range boxes, const Measures& holds) const {
  LostParts least = LostParts::most();
  for (std::uint32_t i = boxes.from; i < boxes.to; ++i)
    least = leastOf(least, lostIn(extents_[i].across, extents_[i].along, holds));
  return least;
}

void BoxFronts::setMost(const Measures& most) {
  mostArea_ = wholeArea(most.area);
  mostWorths_ = most.worths;
}

/// A line along the stock that meets the box can hold no more beyond it than what is as long as
/// what is left; so one across it. (Of two boxes only what is lost within them adds up: they may
/// meet the same lines.)
bool BoxFronts::isWorth(std::uint64_t across, std::uint64_t along) const {
  if (across * along > mostArea_) return false;
  if (worths_ == nullptr) return true;
  if (across > static_cast<std::uint64_t>(usable_.across) ||
      along > static_cast<std::uint64_t>(usable_.along))
    return false;
  const auto wide = static_cast<Micrometres>(across), tall = static_cast<Micrometres>(along);
  const Worths& above = worths_->along.of(isAllLost_ ? usable_.along : tall);
  const Worths& beyond = worths_->along.of(isAllLost_ ? usable_.along - tall : 0);
  for (std::size_t which = 0; which < kPrices; ++which)
    if (double(wide) * (above[which] - beyond[which]) > mostWorths_[which]) return false;
  if (!worths_->isAnyAcross()) return true;
  const Worths& beside = worths_->across.of(usable_.across);
  const Worths& rest = worths_->across.of(usable_.across - wide);
  for (std::size_t which = 0; which < kPrices; ++which)
    if (double(tall) * (beside[which] - rest[which]) > mostWorths_[which]) return false;
  return true;
}

void BoxFronts::join(std::size_t set, std::uint64_t& work) {
  const Measures holds = measuresOf(set);
  if (holds.area > double(usable_.across) * double(usable_.along)) return;
  const std::uint64_t looks = index_.partsOf(set) / 2 / kLooks;
  isWhole_ = looks <= work;
  if (!isWhole_) return;
  work -= looks;
  Measures most = holds;
  most += waste_;
  // Of boxes side by side, none of which is made so itself, the lowest taking is the one; all that
  // lies beside it, as small as can be, is the other.
  index_.eachHalfOf(set, [&](std::size_t low) {
    if (isWhole_)
      joinBoth({low, ranges_[low]}, {set - low, ranges_[set - low]}, most, front_, work);
  });
}

/// As above, but from the higher of two.
void BoxFronts::joinToFound(std::size_t high, FoundTakings& found, std::uint64_t& work) {
  const Part with{high, isForAll_ ? openBoxesOf(high) : ranges_[high]};
  if (with.boxes.from >= with.boxes.to) return;
  joins_.push_back(with.boxes);
  holds_.push_back(measuresOf(high));
  const LostParts lost = lostOf(with.boxes, holds_.back());
  found.add(high, lost);
  const std::size_t looks = found.besides(high, lost, besides_);
  isWhole_ = looks <= work;
  if (isWhole_) work -= looks;
  Measures alone = waste_;
  alone += holds_.back();
  for (const std::uint32_t low : besides_) {
    if (!isWhole_) return;
    const std::size_t set = found.set(low);
    if (isForAll_ && set + high == index_.all()) continue;
    Measures most = alone;
    most += holds_[low];
    joinBoth({set, joins_[low]}, with, most, fronts_[set + high], work);
  }
}

void BoxFronts::joinBoth(const Part& low, const Part& high, const Measures& most, Front& front,
                         std::uint64_t& work) {
  const std::uint64_t lows = low.boxes.to - low.boxes.from;
  const std::uint64_t highs = high.boxes.to - high.boxes.from;
  if (lows == 0 || highs == 0) return;
  isWhole_ = lows + highs <= work;
  if (!isWhole_) return;
  work -= lows + highs;
  setMost(most);
  joinEach<true>(low, high, front);
  joinEach<false>(low, high, front);
}

template <bool isBeside>
void BoxFronts::joinEach(const Part& low, const Part& high, Front& front) {
  // From what is shortest along the join: of two it is as far across it as the farther, and only
  // with the next of that one is it less. Fronts grow beside, and upwards backwards.
  constexpr std::ptrdiff_t kStep = isBeside ? 1 : -1;
  const auto startOf = [](const Part& part) {
    return isBeside ? std::ptrdiff_t(part.boxes.from) : std::ptrdiff_t(part.boxes.to) - 1;
  };
  const auto endOf = [](const Part& part) {
    return isBeside ? std::ptrdiff_t(part.boxes.to) : std::ptrdiff_t(part.boxes.from) - 1;
  };
  const auto along = [&](std::ptrdiff_t i) -> std::uint64_t {
    const Extent& extent = extents_[static_cast<std::size_t>(i)];
    return isBeside ? extent.across : extent.along;
  };
  const auto across = [&](std::ptrdiff_t i) -> std::uint64_t {
    const Extent& extent = extents_[static_cast<std::size_t>(i)];
    return isBeside ? extent.along : extent.across;
  };
  const auto room = static_cast<std::uint64_t>(isBeside ? usable_.across : usable_.along);
  const std::ptrdiff_t endLow = endOf(low), endHigh = endOf(high);
  for (std::ptrdiff_t i = startOf(low), j = startOf(high); i != endLow && j != endHigh;) {
    if (made_[static_cast<std::size_t>(i)] == (isBeside ? kBeside : kAbove)) {
      i += kStep;
      continue;
    }
    const std::uint64_t sum = along(i) + along(j), far = std::max(across(i), across(j));
    if (sum > room) return;
    const std::uint64_t wide = isBeside ? sum : far, tall = isBeside ? far : sum;
    if (isWorth(wide, tall) &&
        (!isForAll_ || isWorthForAll<isBeside>(low.set + high.set, wide, tall))) {
      CutBox joined;
      joined.across = static_cast<Micrometres>(wide);
      joined.along = static_cast<Micrometres>(tall);
      joined.low = static_cast<std::uint32_t>(low.set);
      joined.high = static_cast<std::uint32_t>(high.set);
      joined.lowBox = static_cast<std::uint32_t>(i) - ranges_[low.set].from;
      joined.highBox = static_cast<std::uint32_t>(j) - ranges_[high.set].from;
      joined.isBeside = isBeside;
      addBox(front, joined, usable_);
    }
    const bool isLowNext = across(i) >= across(j), isHighNext = across(j) >= across(i);
    if (isLowNext) i += kStep;
    if (isHighNext) j += kStep;
  }
}

/// Where it leaves no room beyond, it is as if it reached to the edge; and what is joined of two
/// that both do stands in a row.
template <bool isBeside>
bool BoxFronts::isWorthForAll(std::size_t set, std::uint64_t across, std::uint64_t along) const {
  const UsableSize open = openOf(set);
  const bool isWide = static_cast<Micrometres>(across) > open.across;
  const bool isLong = static_cast<Micrometres>(along) > open.along;
  if (isBeside ? isLong : isWide) return false;
  if (!isWide && !isLong) return true;
  return isWorth(isWide ? static_cast<std::uint64_t>(usable_.across) : across,
                 isLong ? static_cast<std::uint64_t>(usable_.along) : along);
}

UsableSize BoxFronts::openOf(std::size_t set) const {
  const std::size_t rest = index_.all() - set;
  const auto leastOf = [&](const std::vector<std::pair<Micrometres, std::size_t>>& kinds) {
    for (const auto& [um, kind] : kinds)
      if (index_.count(rest, kind) > 0) return um;
    return std::numeric_limits<Micrometres>::max();
  };
  return {usable_.across - leastOf(byAcross_), usable_.along - leastOf(byAlong_)};
}

BoxFronts::Range BoxFronts::openBoxesOf(std::size_t set) const {
  const UsableSize open = openOf(set);
  Range boxes = ranges_[set];
  while (boxes.from < boxes.to && extents_[boxes.from].along > open.along) ++boxes.from;
  while (boxes.from < boxes.to && extents_[boxes.to - 1].across > open.across) --boxes.to;
  return boxes;
}

}  // namespace drapery
