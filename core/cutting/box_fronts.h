// Exactly which rectangles some of the pieces can be cut out of, edge to edge: for every taking the
// least boxes, found by joining the boxes of its parts beside and above one another.
#pragma once

#include <cstdint>
#include <functional>
#include <limits>
#include <map>
#include <span>

#include "core/cutting/count_index.h"

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

  void begin(const MaterialJob& job, std::size_t stock);
  void find(std::uint64_t& work, const std::function<bool()>& isEnough);
  void join(std::size_t set, std::uint64_t& work);
  /// What is worth it of all boxes of two takings joined, the low ones first.
  template <bool isBeside>
  void joinEach(std::size_t low, std::size_t high);
  void keepFront();

  const CountIndex& index_;
  UsableSize usable_;
  double waste_;
  std::vector<double> areas_;  // by kind, enlarged
  bool isWhole_ = true;
  std::map<std::size_t, Front> alone_;  // by taking: of single pieces
  // Of all takings one after the other, each from where it begins to where the next does.
  std::vector<std::uint32_t> begins_;
  std::vector<CutBox> boxes_;
  std::vector<Extent> extents_;
  std::vector<std::uint8_t> made_;  // how each is joined
  Front front_;                     // of the taking that is being looked at
  std::uint64_t most_ = 0;          // what a box of it may come to, um2
};

}  // namespace drapery
