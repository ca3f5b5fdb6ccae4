#include "core/cutting/found_takings.h"

#include <algorithm>
#include <array>

#include "core/cutting/wide.h"

namespace drapery {

namespace {

/// Which go with it, 1 or 0.
DRAPERY_WIDE void mark(const std::uint64_t* __restrict packed, const float* __restrict loses,
                       std::size_t count, std::uint64_t with, std::uint64_t guards, float mostLost,
                       std::uint64_t* __restrict goes) {
  for (std::size_t i = 0; i < count; ++i)
    goes[i] = static_cast<std::uint64_t>(((packed[i] + with) & guards) == 0) &
              static_cast<std::uint64_t>(loses[i] <= mostLost);
}

}  // namespace

void FoundTakings::add(std::size_t set, float loses) {
  const std::uint64_t packed = index_.packed(set);
  if (sets_.size() % kBlock == 0) {
    blocksPacked_.push_back(packed);
    blocksLose_.push_back(loses);
  }
  // Of each kind no more than the fewest that any of them holds.
  blocksPacked_.back() &= packed;
  blocksLose_.back() = std::min(blocksLose_.back(), loses);
  sets_.push_back(static_cast<std::uint32_t>(set));
  packed_.push_back(packed);
  loses_.push_back(loses);
}

std::size_t FoundTakings::besides(std::size_t set, float mostLost,
                                  std::vector<std::uint32_t>& found) const {
  const std::uint64_t with = index_.packed(set) + index_.spare(), guards = index_.guards();
  std::array<std::uint64_t, kBlock> blocks{}, each{};
  std::size_t looks = 0;
  found.clear();
  for (std::size_t from = 0; from < blocksPacked_.size(); from += kBlock) {
    const std::size_t many = std::min(kBlock, blocksPacked_.size() - from);
    mark(&blocksPacked_[from], &blocksLose_[from], many, with, guards, mostLost, blocks.data());
    looks += many;
    for (std::size_t b = 0; b < many; ++b) {
      if (blocks[b] == 0) continue;
      const std::size_t first = (from + b) * kBlock;
      const std::size_t count = std::min(kBlock, sets_.size() - first);
      mark(&packed_[first], &loses_[first], count, with, guards, mostLost, each.data());
      looks += count;
      for (std::size_t i = 0; i < count; ++i)
        if (each[i] != 0) found.push_back(static_cast<std::uint32_t>(first + i));
    }
  }
  return looks;
}

}  // namespace drapery
