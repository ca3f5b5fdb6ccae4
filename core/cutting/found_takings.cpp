#include "core/cutting/found_takings.h"

#include <algorithm>

#include "core/cutting/wide.h"

namespace drapery {

namespace {

/// Of a taking, or of what all of some of them are.
struct Beside {
  std::uint64_t packed, guards, lost;
};

/// Which go with it, 1 or 0.
DRAPERY_WIDE void mark(const std::uint64_t* __restrict packed, const LostParts* __restrict lost,
                       std::size_t count, const Beside& with, std::uint64_t* __restrict goes) {
  for (std::size_t i = 0; i < count; ++i)
    goes[i] =
        static_cast<std::uint64_t>((((packed[i] + with.packed) & with.guards) |
                                    ((lost[i].word() + with.lost) & LostParts::kGuards)) == 0);
}

}  // namespace

LostParts::LostParts(const std::array<double, kThings>& lost) {
  constexpr double kAll = 100.0, kRounded = 1e-7;
  for (const double part : lost) {
    const double whole = std::clamp((part - kRounded) * kAll, 0.0, kAll + 1);
    word_ = word_ << 8U | static_cast<std::uint64_t>(whole);
  }
}

/// Each lane by itself: the guard stays where the first is no less.
LostParts leastOf(const LostParts& a, const LostParts& b) {
  constexpr std::uint64_t kOfOne = 0x7f;
  const std::uint64_t isMore = ((a.word_ | LostParts::kGuards) - b.word_) & LostParts::kGuards;
  const std::uint64_t ofB = (isMore >> 7U) * kOfOne;
  LostParts least;
  least.word_ = (b.word_ & ofB) | (a.word_ & ~ofB);
  return least;
}

void FoundTakings::add(std::size_t set, const LostParts& lost) {
  const std::uint64_t packed = index_->packed(set);
  if (sets_.size() % kBlock == 0) {
    blocksPacked_.push_back(packed);
    blocksLost_.push_back(lost);
  }
  // Of each kind no more than the fewest that any of them holds.
  blocksPacked_.back() &= packed;
  blocksLost_.back() = leastOf(blocksLost_.back(), lost);
  sets_.push_back(static_cast<std::uint32_t>(set));
  packed_.push_back(packed);
  lost_.push_back(lost);
}

std::size_t FoundTakings::besides(std::size_t set, const LostParts& lost,
                                  std::vector<std::uint32_t>& found) const {
  const Beside with{index_->packed(set) + index_->spare(), index_->guards(),
                    lost.word() + LostParts::kSpare};
  std::array<std::uint64_t, kBlock> blocks{}, each{};
  std::size_t looks = 0, goes = 0;
  for (std::size_t from = 0; from < blocksPacked_.size(); from += kBlock) {
    const std::size_t many = std::min(kBlock, blocksPacked_.size() - from);
    mark(&blocksPacked_[from], &blocksLost_[from], many, with, blocks.data());
    looks += many;
    for (std::size_t b = 0; b < many; ++b) {
      if (blocks[b] == 0) continue;
      const std::size_t first = (from + b) * kBlock;
      const std::size_t count = std::min(kBlock, sets_.size() - first);
      mark(&packed_[first], &lost_[first], count, with, each.data());
      looks += count;
      if (found.size() < goes + kBlock) found.resize(2 * (goes + kBlock));
      for (std::size_t i = 0; i < count; ++i) {
        found[goes] = static_cast<std::uint32_t>(first + i);
        goes += each[i];
      }
    }
  }
  found.resize(goes);
  return looks / kOfAJoin;
}

}  // namespace drapery
