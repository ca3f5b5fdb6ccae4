#include "core/cutting/box_fronts.h"

#include <algorithm>

namespace drapery {

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
      areas_(index.kinds(), 0.0),
      fronts_(index.size()),
      isThere_(index.size(), 0) {
  usable_.along = std::min(usable_.along, limits.along);
  for (std::size_t kind = 0; kind < index.kinds(); ++kind) {
    if (index.count(index.all(), kind) == 0) continue;
    auto& front = fronts_[index.one(kind)];
    for (const LyingSize& size : job.sizes[stock][kind])
      areas_[kind] = double(size.across) * double(size.along);
    for (const LyingSize& size : job.sizes[stock][kind])
      add(front,
          {size.across, size.along, 0, 0, 0, 0, false, static_cast<std::uint32_t>(kind),
           size.isTurned},
          areaOf(index.one(kind)) + waste_);
    isThere_[index.one(kind)] = front.empty() ? 0 : 1;
  }
  constexpr std::uint64_t kLook = 1 << 18;  // joins between two questions: some milliseconds
  constexpr std::size_t kLookSets = 64;
  std::uint64_t asked = work;
  for (std::size_t set = 1; set < index.size() && isWhole_; ++set) {
    join(set, work);
    if (asked - work < kLook && set % kLookSets != 0) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
}

double BoxFronts::areaOf(std::size_t set) const {
  double area = 0.0;
  for (std::size_t kind = 0; kind < areas_.size(); ++kind)
    area += index_.count(set, kind) * areas_[kind];
  return area;
}

void BoxFronts::add(std::vector<CutBox>& front, const CutBox& box, double most) const {
  if (double(box.across) * double(box.along) <= most) addBox(front, box, usable_);
}

void BoxFronts::join(std::size_t set, std::uint64_t& work) {
  auto& front = fronts_[set];
  const double area = areaOf(set), most = area + waste_;
  if (area > double(usable_.across) * double(usable_.along)) return;
  constexpr std::uint64_t kLooks = 8;  // for parts of it take about as long as a join
  const std::uint64_t looks = index_.partsOf(set) / 2 / kLooks;
  isWhole_ = looks <= work;
  if (!isWhole_) return;
  work -= looks;
  // Of boxes side by side, none of which is made so itself, the lowest taking is the one; all that
  // lies beside it, as small as can be, is the other.
  index_.eachHalfOf(set, [&](std::size_t low) {
    const std::size_t high = set - low;
    if (!isThere_[low] || !isThere_[high] || !isWhole_) return;
    const auto &lows = fronts_[low], &highs = fronts_[high];
    const std::uint64_t joins = lows.size() * highs.size();
    isWhole_ = joins <= work;
    if (!isWhole_) return;
    work -= joins;
    for (std::uint32_t i = 0; i < lows.size(); ++i) {
      const CutBox& a = lows[i];
      CutBox joined{0, 0,   static_cast<std::uint32_t>(low), static_cast<std::uint32_t>(high), i,
                    0, true};
      const bool isPiece = a.low == 0;
      if (isPiece || !a.isBeside)
        for (std::uint32_t j = 0; j < highs.size(); ++j) {
          joined.across = a.across + highs[j].across;
          if (joined.across > usable_.across) break;
          joined.along = std::max(a.along, highs[j].along);
          joined.highBox = j;
          add(front, joined, most);
        }
      joined.isBeside = false;
      if (isPiece || a.isBeside)
        for (auto j = static_cast<std::uint32_t>(highs.size()); j-- > 0;) {
          joined.along = a.along + highs[j].along;
          if (joined.along > usable_.along) break;
          joined.across = std::max(a.across, highs[j].across);
          joined.highBox = j;
          add(front, joined, most);
        }
    }
  });
  isThere_[set] = front.empty() ? 0 : 1;
}

}  // namespace drapery
