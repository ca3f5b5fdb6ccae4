#include "core/cutting/box_fronts.h"

#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

constexpr std::uint8_t kBeside = 1, kAbove = 2;
constexpr std::uint64_t kLook = 1 << 18;  // joins between two questions: some milliseconds
constexpr std::uint64_t kLooks = 8;       // for parts of a taking take about as long as a join

/// How it is joined; a single piece is not.
std::uint8_t madeOf(const CutBox& box) {
  return box.low == 0 ? 0 : box.isBeside ? kBeside : kAbove;
}

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
      prices_(limits.prices),
      waste_{limits.waste, limits.lost},
      kinds_(index.kinds()) {
  usable_.along = std::min(usable_.along, limits.along);
  for (std::size_t kind = 0; prices_ != nullptr && kind < index.kinds(); ++kind)
    kinds_[kind].worths = prices_->of(kind);
  begin(job, stock);
  begins_.reserve(index_.size() + 1);
  begins_ = {0, 0};
  if (std::isfinite(limits.waste))
    findFew(work, isEnough);
  else
    findAll(work, isEnough);
  begins_.resize(index.size() + 1, static_cast<std::uint32_t>(boxes_.size()));
}

void BoxFronts::begin(const MaterialJob& job, std::size_t stock) {
  for (std::size_t kind = 0; kind < index_.kinds(); ++kind) {
    if (index_.count(index_.all(), kind) == 0) continue;
    Front& front = alone_[index_.one(kind)];
    mostWorths_ = kinds_[kind].worths;
    for (std::size_t which = 0; which < mostWorths_.size(); ++which)
      mostWorths_[which] += waste_.worths[which];
    for (const LyingSize& size : job.sizes[stock][kind]) {
      kinds_[kind].area = double(size.across) * double(size.along);
      const auto across = static_cast<std::uint64_t>(size.across);
      if (waste_.area < 0.0 || !isWorth(across, static_cast<std::uint64_t>(size.along))) continue;
      addBox(front,
             {size.across, size.along, 0, 0, 0, 0, false, static_cast<std::uint32_t>(kind),
              size.isTurned},
             usable_);
    }
  }
}

void BoxFronts::findAll(std::uint64_t& work, const std::function<bool()>& isEnough) {
  constexpr std::size_t kLookSets = 64;
  std::uint64_t asked = work;
  for (std::size_t set = 1; set < index_.size() && isWhole_; ++set) {
    const auto alone = alone_.find(set);
    if (alone == alone_.end()) {
      front_.clear();
      join(set, work);
      keep(front_);
    } else {
      keep(alone->second);
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
      keep(fronts_[set]);
      Front().swap(fronts_[set]);
      joinToFound(set, found, work);
    } else {
      begins_.push_back(begins_.back());
    }
    if (asked - work < kLook && set % kLookSets != 0) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
  fronts_ = {};
  holds_ = {};
  lost_ = {};
}

void BoxFronts::keep(const Front& front) {
  for (const CutBox& box : front) {
    boxes_.push_back(box);
    extents_.push_back(
        {static_cast<std::uint32_t>(box.across), static_cast<std::uint32_t>(box.along)});
    made_.push_back(madeOf(box));
  }
  begins_.push_back(static_cast<std::uint32_t>(boxes_.size()));
}

BoxFronts::Measures BoxFronts::measuresOf(std::size_t set) const {
  Measures measures;
  for (std::size_t kind = 0; kind < kinds_.size(); ++kind)
    for (int i = 0; i < index_.count(set, kind); ++i) measures += kinds_[kind];
  return measures;
}

double BoxFronts::areaOf(std::size_t set) const {
  double area = 0.0;
  for (std::size_t kind = 0; kind < kinds_.size(); ++kind)
    area += index_.count(set, kind) * kinds_[kind].area;
  return area;
}

BoxFronts::Measures& BoxFronts::Measures::operator+=(const Measures& other) {
  area += other.area;
  for (std::size_t which = 0; which < worths.size(); ++which) worths[which] += other.worths[which];
  return *this;
}

/// Of the last of which boxes were kept.
BoxFronts::Losses BoxFronts::lostOf(std::size_t set) const {
  const Measures& holds = holds_.back();
  Measures least;
  for (std::size_t i = begins_[set]; i < begins_[set + 1]; ++i) {
    const auto across = double(extents_[i].across);
    const double area = across * double(extents_[i].along) - holds.area;
    if (i == begins_[set] || area < least.area) least.area = area;
    if (prices_ == nullptr) continue;
    const StackPrices::Worths& most = prices_->most(extents_[i].along);
    for (std::size_t which = 0; which < most.size(); ++which) {
      const double lost = across * most[which] - holds.worths[which];
      if (i == begins_[set] || lost < least.worths[which]) least.worths[which] = lost;
    }
  }
  // In front what says most: the first price, else the area.
  Losses losses{};
  const auto partOf = [](double lost, double most) {
    return static_cast<float>(lost / std::max(most, 1e-9));
  };
  if (prices_ != nullptr)
    for (std::size_t which = 0; which < least.worths.size(); ++which)
      losses[which] = partOf(least.worths[which], waste_.worths[which]);
  losses.back() = partOf(least.area, waste_.area);
  if (prices_ == nullptr) losses.front() = losses.back();
  return losses;
}

bool BoxFronts::isWorth(std::uint64_t across, std::uint64_t along) const {
  if (prices_ == nullptr) return true;
  if (along > static_cast<std::uint64_t>(usable_.along)) return false;
  const StackPrices::Worths& most = prices_->most(static_cast<Micrometres>(along));
  const auto wide = double(across);
  for (std::size_t which = 0; which < most.size(); ++which)
    if (wide * most[which] > mostWorths_[which]) return false;
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
    if (isWhole_) joinBoth(low, set - low, most, front_, work);
  });
}

/// As above, but from the higher of two.
void BoxFronts::joinToFound(std::size_t high, FoundTakings& found, std::uint64_t& work) {
  constexpr float kAll = 1.0F + 1e-5F;  // rounded
  holds_.push_back(measuresOf(high));
  lost_.push_back(lostOf(high));
  const Losses lost = lost_.back();
  found.add(high, lost.front());
  const std::size_t looks = found.besides(high, kAll - lost.front(), besides_) / kLooks;
  isWhole_ = looks <= work;
  if (isWhole_) work -= looks;
  for (const std::uint32_t low : besides_) {
    if (!isWhole_) return;
    bool isTooMuch = false;
    for (std::size_t i = 0; i < lost.size(); ++i) isTooMuch |= lost[i] + lost_[low][i] > kAll;
    if (isTooMuch) continue;
    const std::size_t set = found.set(low);
    Measures most = waste_;
    most += holds_.back();
    most += holds_[low];
    joinBoth(set, high, most, fronts_[set + high], work);
  }
}

void BoxFronts::joinBoth(std::size_t low, std::size_t high, const Measures& most, Front& front,
                         std::uint64_t& work) {
  const std::uint64_t lows = begins_[low + 1] - begins_[low];
  const std::uint64_t highs = begins_[high + 1] - begins_[high];
  if (lows == 0 || highs == 0) return;
  isWhole_ = lows + highs <= work;
  if (!isWhole_) return;
  work -= lows + highs;
  mostArea_ = wholeArea(most.area);
  mostWorths_ = most.worths;
  joinEach<true>(low, high, front);
  joinEach<false>(low, high, front);
}

template <bool isBeside>
void BoxFronts::joinEach(std::size_t low, std::size_t high, Front& front) {
  // From what is shortest along the join: of two it is as far across it as the farther, and only
  // with the next of that one is it less. Fronts grow beside, and upwards backwards.
  constexpr std::ptrdiff_t kStep = isBeside ? 1 : -1;
  const auto startOf = [&](std::size_t set) {
    return isBeside ? std::ptrdiff_t(begins_[set]) : std::ptrdiff_t(begins_[set + 1]) - 1;
  };
  const auto endOf = [&](std::size_t set) {
    return isBeside ? std::ptrdiff_t(begins_[set + 1]) : std::ptrdiff_t(begins_[set]) - 1;
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
    if (sum * far <= mostArea_ && isWorth(isBeside ? sum : far, isBeside ? far : sum)) {
      CutBox joined;
      joined.across = static_cast<Micrometres>(isBeside ? sum : far);
      joined.along = static_cast<Micrometres>(isBeside ? far : sum);
      joined.low = static_cast<std::uint32_t>(low);
      joined.high = static_cast<std::uint32_t>(high);
      joined.lowBox = static_cast<std::uint32_t>(i) - begins_[low];
      joined.highBox = static_cast<std::uint32_t>(j) - begins_[high];
      joined.isBeside = isBeside;
      addBox(front, joined, usable_);
    }
    const bool isLowNext = across(i) >= across(j), isHighNext = across(j) >= across(i);
    if (isLowNext) i += kStep;
    if (isHighNext) j += kStep;
  }
}

}  // namespace drapery
