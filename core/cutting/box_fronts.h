// Exactly which rectangles some of the pieces can be cut out of, edge to edge: for every taking the
// least boxes, found by joining the boxes of its parts beside and above one another.
#pragma once

#include <cstdint>
#include <functional>
#include <limits>
#include <map>
#include <span>

#include "core/cutting/found_takings.h"
#include "core/cutting/stack_prices.h"

namespace drapery {

/// A box, enlarged by the kerf, and what it is joined of.
struct CutBox {
  Micrometres across = 0, along = 0;
  std::uint32_t low = 0, high = 0;        // takings; 0: a single piece
  std::uint32_t lowBox = 0, highBox = 0;  // of theirs
  bool isBeside = false;                  // joined along x
  std::uint32_t kind = 0;                 // of a single piece
  bool isTurned = false;
};

/// One more box among those of a taking, if it lies within `usable` and none is as small; those
/// that are no smaller than it go.
void addBox(std::vector<CutBox>& front, const CutBox& box, const UsableSize& usable);

/// What is looked for: nothing longer, and nothing of which more is lost than that.
struct BoxLimits {
  Micrometres along = std::numeric_limits<Micrometres>::max();
  double waste = std::numeric_limits<double>::infinity();  // um2, within the box
  /// And at these prices of the job's pieces; none: not looked at.
  const StackPrices* prices = nullptr;
  StackPrices::Worths lost = {};  // of what could be in the box
};

class BoxFronts {
 public:
  /// Of one of the job's stocks, within its usable rectangle. Takes its joins from `work`; where
  /// they do not suffice, or `isEnough` says so, it is not whole.
  BoxFronts(const MaterialJob& job, std::size_t stock, const CountIndex& index, std::uint64_t& work,
            const std::function<bool()>& isEnough, const BoxLimits& limits = {});
  [[nodiscard]] bool isWhole() const { return isWhole_; }
  /// Of its pieces, enlarged, um2; 0 of what has no room at all.
  [[nodiscard]] double areaOf(std::size_t set) const;

  /// By growing width, with falling height; empty where the taking does not fit.
  [[nodiscard]] std::span<const CutBox> of(std::size_t set) const {
    return {boxes_.data() + begins_[set], begins_[set + 1] - begins_[set]};
  }

 private:
  /// What is looked at for every join, little and close together: um, of which a stock with its
  /// kerf has two thousand million at most.
  struct Extent {
    std::uint32_t across = 0, along = 0;
  };
  using Front = std::vector<CutBox>;
  /// What it holds, or what is lost in a box, which is never less in one that it is joined to.
  struct Measures {
    double area = 0.0;
    StackPrices::Worths worths{};
    Measures& operator+=(const Measures& other);
  };
  /// Of what may be lost, parts that two takings lose, little and close together.
  using Losses = std::array<float, StackPrices::kPrices + 1>;

  void begin(const MaterialJob& job, std::size_t stock);
  /// Taking after taking from all its halves; or, where most have no box that is worth it, each
  /// that has joined to all that it can be joined to.
  void findAll(std::uint64_t& work, const std::function<bool()>& isEnough);
  void findFew(std::uint64_t& work, const std::function<bool()>& isEnough);
  void join(std::size_t set, std::uint64_t& work);
  void joinToFound(std::size_t high, FoundTakings& found, std::uint64_t& work);
  [[nodiscard]] Measures measuresOf(std::size_t set) const;
  /// By the best of its boxes; of what is lost at prices where there are any.
  [[nodiscard]] Losses lostOf(std::size_t set) const;
  /// What is worth it of all boxes of two takings joined, the low ones first.
  /// @param most what it holds, and what may be lost.
  void joinBoth(std::size_t low, std::size_t high, const Measures& most, Front& front,
                std::uint64_t& work);
  template <bool isBeside>
  void joinEach(std::size_t low, std::size_t high, Front& front);
  [[nodiscard]] bool isWorth(std::uint64_t across, std::uint64_t along) const;
  void keep(const Front& front);

  const CountIndex& index_;
  UsableSize usable_;
  const StackPrices* prices_;
  Measures waste_;
  std::vector<Measures> kinds_;  // what a piece holds, enlarged
  bool isWhole_ = true;
  std::map<std::size_t, Front> alone_;  // by taking: of single pieces
  // Of all takings one after the other, each from where it begins to where the next does.
  std::vector<std::uint32_t> begins_;
  std::vector<CutBox> boxes_;
  std::vector<Extent> extents_;
  std::vector<std::uint8_t> made_;  // how each is joined
  // Of few: what those hold and lose that have any, and boxes of those to come.
  std::vector<Measures> holds_;
  std::vector<Losses> lost_;
  std::vector<Front> fronts_;
  std::vector<std::uint32_t> besides_;
  Front front_;
  // Of the taking that is being joined, what a box may come to.
  std::uint64_t mostArea_ = 0;  // um2
  StackPrices::Worths mostWorths_{};
};

}  // namespace drapery
