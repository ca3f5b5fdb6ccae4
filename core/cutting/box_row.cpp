#include "core/cutting/box_row.h"

#include <algorithm>
#include <utility>

namespace drapery {

BoxRow::BoxRow(const CountIndex& index, std::vector<std::size_t> first)
    : index_(index),
      first_(std::move(first)),
      groups_(first_.size(), Group{FoundTakings(index), {}, {}, {}}) {}

std::size_t BoxRow::groupOf(std::size_t set) const {
  std::size_t group = 0;
  while (index_.count(set, first_[group]) == 0) ++group;
  return group;
}

void BoxRow::add(const Part& part, Micrometres wide, const LostParts& lost) {
  Group& group = groups_[groupOf(part.set)];
  group.found.add(part.set, lost);
  group.boxes.push_back(part.box);
  group.wide.push_back(static_cast<std::uint32_t>(wide));
  group.lost.push_back(lost);
}

/// Which stands first in a row does not matter: that which holds most of what is still wanted first
/// does.
void BoxRow::goOn(std::size_t set, std::size_t group, std::uint32_t most, std::uint64_t& work) {
  const Begun begun = begun_[set];
  const Group& next = groups_[group];
  const std::uint64_t looks = next.found.besides(set, begun.lost, besides_);
  isWhole_ = looks + besides_.size() <= work;
  if (!isWhole_) return;
  work -= looks + besides_.size();
  for (const std::uint32_t i : besides_) {
    const std::uint32_t wide = begun.wide + next.wide[i];
    Begun& with = begun_[set + next.found.set(i)];
    if (wide > most || wide >= with.wide) continue;
    with = {wide,
            {static_cast<std::uint32_t>(next.found.set(i)), next.boxes[i]},
            begun.lost + next.lost[i]};
  }
}

std::vector<BoxRow::Part> BoxRow::narrowest(Micrometres most, std::uint64_t& work,
                                            const std::function<bool()>& isEnough) {
  constexpr std::size_t kLookSets = 4096;
  constexpr std::uint64_t kLook = 1 << 18;
  begun_.assign(index_.size(), {});
  begun_.front().wide = 0;
  std::uint64_t asked = work;
  for (std::size_t set = 0; set < index_.all() && isWhole_; ++set) {
    if (begun_[set].wide != kNone)
      goOn(set, groupOf(index_.all() - set), static_cast<std::uint32_t>(most), work);
    if (asked - work < kLook && (set + 1) % kLookSets != 0) continue;
    asked = work;
    isWhole_ = isWhole_ && !isEnough();
  }
  std::vector<Part> row;
  if (!isWhole_ || begun_.back().wide == kNone) return row;
  for (std::size_t set = index_.all(); set > 0; set -= row.back().set)
    row.push_back(begun_[set].last);
  return row;
}

}  // namespace drapery
