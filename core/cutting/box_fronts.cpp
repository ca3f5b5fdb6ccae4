#include "core/cutting/box_fronts.h"

#include <algorithm>

namespace drapery {

namespace {

constexpr std::uint8_t kBeside = 1, kAbove = 2;

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
      waste_(limits.waste),
      areas_(index.kinds(), 0.0) {
  usable_.along = std::min(usable_.along, limits.along);
  begin(job, stock);
  find(work, isEnough);
  begins_.resize(index.size() + 1, static_cast<std::uint32_t>(boxes_.size()));
}

void BoxFronts::begin(const MaterialJob& job, std::size_t stock) {
  for (std::size_t kind = 0; kind < index_.kinds(); ++kind) {
    if (index_.count(index_.all(), kind) == 0) continue;
    Front& front = alone_[index_.one(kind)];
    for (const LyingSize& size : job.sizes[stock][kind]) {
      areas_[kind] = double(size.across) * double(size.along);
      addBox(front,
             {size.across, size.along, 0, 0, 0, 0, false, static_cast<std::uint32_t>(kind),
              size.isTurned},
             usable_);
    }
    if (waste_ < 0.0) front.clear();
  }
}

void BoxFronts::find(std::uint64_t& work, const std::function<bool()>& isEnough) {
  constexpr std::uint64_t kLook = 1 << 18;  // joins between two questions: some milliseconds
  constexpr std::size_t kLookSets = 64;
  std::uint64_t asked = work;
  begins_.reserve(index_.size() + 1);
  begins_ = {0, 0};
  for (std::size_t set = 1; set < index_.size() && isWhole_; ++set) {
    const auto alone = alone_.find(set);
    if (alone != alone_.end())
      front_ = alone->second;
    else
      join(set, work);
    keepFront();
    if (asked - work < kLook && set % kLookSets != 0) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
}

void BoxFronts::keepFront() {
  for (const CutBox& box : front_) {
    boxes_.push_back(box);
    extents_.push_back(
        {static_cast<std::uint32_t>(box.across), static_cast<std::uint32_t>(box.along)});
    made_.push_back(madeOf(box));
  }
  begins_.push_back(static_cast<std::uint32_t>(boxes_.size()));
  front_.clear();
}

double BoxFronts::areaOf(std::size_t set) const {
  double area = 0.0;
  for (std::size_t kind = 0; kind < areas_.size(); ++kind)
    area += index_.count(set, kind) * areas_[kind];
  return area;
}

void BoxFronts::join(std::size_t set, std::uint64_t& work) {
  const double area = areaOf(set);
  if (area > double(usable_.across) * double(usable_.along)) return;
  most_ = wholeArea(area + waste_);
  constexpr std::uint64_t kLooks = 8;  // for parts of it take about as long as a join
  const std::uint64_t looks = index_.partsOf(set) / 2 / kLooks;
  isWhole_ = looks <= work;
  if (!isWhole_) return;
  work -= looks;
  // Of boxes side by side, none of which is made so itself, the lowest taking is the one; all that
  // lies beside it, as small as can be, is the other.
  index_.eachHalfOf(set, [&](std::size_t low) {
    const std::size_t high = set - low;
    const std::uint64_t lows = begins_[low + 1] - begins_[low];
    if (lows == 0 || !isWhole_) return;
    const std::uint64_t highs = begins_[high + 1] - begins_[high];
    if (highs == 0) return;
    isWhole_ = lows + highs <= work;
    if (!isWhole_) return;
    work -= lows + highs;
    joinEach<true>(low, high);
    joinEach<false>(low, high);
  });
}

template <bool isBeside>
void BoxFronts::joinEach(std::size_t low, std::size_t high) {
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
    if (sum * far <= most_) {
      CutBox joined;
      joined.across = static_cast<Micrometres>(isBeside ? sum : far);
      joined.along = static_cast<Micrometres>(isBeside ? far : sum);
      joined.low = static_cast<std::uint32_t>(low);
      joined.high = static_cast<std::uint32_t>(high);
      joined.lowBox = static_cast<std::uint32_t>(i) - begins_[low];
      joined.highBox = static_cast<std::uint32_t>(j) - begins_[high];
      joined.isBeside = isBeside;
      addBox(front_, joined, usable_);
    }
    const bool isLowNext = across(i) >= across(j), isHighNext = across(j) >= across(i);
    if (isLowNext) i += kStep;
    if (isHighNext) j += kStep;
  }
}

}  // namespace drapery
