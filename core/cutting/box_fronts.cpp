#include "core/cutting/box_fronts.h"

#include <algorithm>

namespace drapery {

BoxFronts::BoxFronts(const MaterialJob& job, std::size_t stock, const CountIndex& index,
                     std::uint64_t& work, const std::function<bool()>& isEnough)
    : index_(index), usable_(usableOf(job.stock(stock))), fronts_(index.size()) {
  for (std::size_t kind = 0; kind < index.kinds(); ++kind) {
    if (index.count(index.all(), kind) == 0) continue;
    auto& front = fronts_[index.one(kind)];
    for (const LyingSize& size : job.sizes[stock][kind])
      add(front, {size.across, size.along, 0, 0, 0, 0, false, static_cast<std::uint32_t>(kind),
                  size.isTurned});
  }
  constexpr std::uint64_t kLook = 1 << 18;  // joins between two questions: some milliseconds
  std::uint64_t asked = work;
  for (std::size_t set = 1; set < index.size() && isWhole_; ++set) {
    join(set, work);
    if (asked - work < kLook) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
}

void BoxFronts::add(std::vector<CutBox>& front, const CutBox& box) const {
  if (box.across > usable_.across || box.along > usable_.along) return;
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

void BoxFronts::join(std::size_t set, std::uint64_t& work) {
  auto& front = fronts_[set];
  index_.eachPartOf(set, [&](std::size_t low) {
    const std::size_t high = set - low;
    if (low == 0 || low > high || !isWhole_) return;
    const auto &lows = fronts_[low], &highs = fronts_[high];
    const std::uint64_t joins = lows.size() * highs.size();
    isWhole_ = joins <= work;
    if (!isWhole_) return;
    work -= joins;
    for (std::uint32_t i = 0; i < lows.size(); ++i)
      for (std::uint32_t j = 0; j < highs.size(); ++j) {
        const CutBox &a = lows[i], &b = highs[j];
        CutBox joined;
        joined.low = static_cast<std::uint32_t>(low);
        joined.high = static_cast<std::uint32_t>(high);
        joined.lowBox = i;
        joined.highBox = j;
        joined.isBeside = true;
        joined.across = a.across + b.across;
        joined.along = std::max(a.along, b.along);
        add(front, joined);
        joined.isBeside = false;
        joined.across = std::max(a.across, b.across);
        joined.along = a.along + b.along;
        add(front, joined);
      }
  });
}

}  // namespace drapery
