// All of it in one row along the stock or across it, of boxes beyond which none of the rest has
// room.
#include <algorithm>

#include "core/cutting/box_fronts.h"

namespace drapery {

void BoxFronts::addRows(std::uint64_t& work, const std::function<bool()>& isEnough) {
  const auto above = addRow(false, usable_.along, work, isEnough);
  // Only what is shorter is better than that.
  for (Micrometres along = above ? *above - 1 : usable_.along; isWhole_ && along > 0;) {
    const auto beside = addRow(true, along, work, isEnough);
    if (!beside) break;
    along = *beside - 1;
  }
  for (const auto& [set, front] : inRows_) {
    Front whole(of(set).begin(), of(set).end());
    whole.insert(whole.end(), front.begin(), front.end());
    keep(set, whole);
  }
  inRows_ = {};
}

std::optional<Micrometres> BoxFronts::addRow(bool isBeside, Micrometres along, std::uint64_t& work,
                                             const std::function<bool()>& isEnough) {
  // The largest pieces first: few boxes hold them.
  std::vector<std::size_t> first;
  for (const auto& each : byAlong_) first.push_back(each.second);
  std::stable_sort(first.begin(), first.end(),
                   [&](std::size_t a, std::size_t b) { return kinds_[a].area > kinds_[b].area; });
  constexpr std::size_t kLookSets = 4096;
  BoxRow row(index_, first);
  for (std::size_t set = 1; set < index_.size(); ++set) {
    if (set % kLookSets == 0 && isEnough()) {
      isWhole_ = false;
      return std::nullopt;
    }
    const auto boxes = of(set);
    if (boxes.empty()) continue;
    // What is joined in the row's own way stands there in parts.
    const CutBox* least = nullptr;
    for (const CutBox& box : boxes)
      if (box.along <= along && !box.isJoined(isBeside) && (least == nullptr || !isBeside))
        least = &box;
    if (least == nullptr) continue;
    const LostParts lost = isBeside ? lostIn(least->across, usable_.along, measuresOf(set))
                                    : lostIn(usable_.across, least->along, measuresOf(set));
    if (!isWithin(lost, {})) continue;
    row.add({static_cast<std::uint32_t>(set), static_cast<std::uint32_t>(least - boxes.data())},
            isBeside ? least->across : least->along, lost);
  }
  const auto parts = row.narrowest(isBeside ? usable_.across : along, work, isEnough);
  isWhole_ = isWhole_ && row.isWhole();
  if (parts.empty()) return std::nullopt;
  return joinRow(parts, isBeside);
}

Micrometres BoxFronts::joinRow(const std::vector<BoxRow::Part>& row, bool isBeside) {
  CutBox joined = of(row.back().set)[row.back().box];
  std::size_t set = row.back().set, which = row.back().box;
  for (std::size_t i = row.size() - 1; i-- > 0;) {
    const CutBox& low = of(row[i].set)[row[i].box];
    CutBox both;
    both.across = isBeside ? low.across + joined.across : std::max(low.across, joined.across);
    both.along = isBeside ? std::max(low.along, joined.along) : low.along + joined.along;
    both.low = row[i].set;
    both.lowBox = row[i].box;
    both.high = static_cast<std::uint32_t>(set);
    both.highBox = static_cast<std::uint32_t>(which);
    both.isBeside = isBeside;
    joined = both;
    set += row[i].set;
    Front& front = inRows_[set];
    which = of(set).size() + front.size();
    if (set == index_.all())
      addBox(front, joined, usable_);
    else
      front.push_back(joined);
  }
  return joined.along;
}

}  // namespace drapery
