// Exactly which rectangles some of the pieces can be cut out of, edge to edge: for every taking the
// least boxes, found by joining the boxes of its parts beside and above one another.
#pragma once

#include <cstdint>
#include <functional>
#include <limits>
#include <map>
#include <optional>
#include <span>
#include <utility>

#include "core/cutting/box_row.h"
#include "core/cutting/box_worths.h"
#include "core/cutting/found_takings.h"
#include "core/cutting/material_job.h"

namespace drapery {

/// A box, enlarged by the kerf, and what it is joined of.
struct CutBox {
  Micrometres across = 0, along = 0;
  std::uint32_t low = 0, high = 0;        // takings; 0: a single piece
  std::uint32_t lowBox = 0, highBox = 0;  // of theirs
  bool isBeside = false;                  // joined along x
  std::uint32_t kind = 0;                 // of a single piece
  bool isTurned = false;
  /// Of two, beside or above one another.
  [[nodiscard]] bool isJoined(bool beside) const { return low != 0 && isBeside == beside; }
};

/// One more box among those of a taking, if it lies within `usable` and none is as small; those
/// that are no smaller than it go.
void addBox(std::vector<CutBox>& front, const CutBox& box, const UsableSize& usable);

/// What is looked for: nothing longer, and nothing of which more is lost than that.
struct BoxLimits {
  Micrometres along = std::numeric_limits<Micrometres>::max();
  /// Within the box, um2; and of what could be in it at the prices.
  Measures lost = {std::numeric_limits<double>::infinity(), {}};
  const PiecePrices* prices = nullptr;  // none: not looked at
  /// What is not used of the stock, as far along, is lost too, also what is beyond a box.
  bool isWhole = false;
  /// Only of all of it: what reaches so far that none of the rest has room beyond it is joined to
  /// nothing before all of it stands in a row.
  bool isForAll = false;
};

class BoxFronts {
 public:
  /// Of one of the job's stocks, within its usable rectangle. Takes its joins from `work`; where
  /// they do not suffice, or `isEnough` says so, it is not whole.
  BoxFronts(const MaterialJob& job, std::size_t stock, const CountIndex& index, std::uint64_t& work,
            const std::function<bool()>& isEnough, const BoxLimits& limits = {});
  [[nodiscard]] bool isWhole() const { return isWhole_; }
  /// Of its pieces, enlarged; nothing of what has no room at all.
  [[nodiscard]] Measures measuresOf(std::size_t set) const;

  /// By growing width, with falling height; empty where the taking does not fit. Where only all of
  /// it is looked for, its last is the shortest, and of parts of it not all are there.
  [[nodiscard]] std::span<const CutBox> of(std::size_t set) const {
    return {boxes_.data() + ranges_[set].from, ranges_[set].to - ranges_[set].from};
  }

 private:
  /// What is looked at for every join, little and close together: um, of which a stock with its
  /// kerf has two thousand million at most.
  struct Extent {
    std::uint32_t across = 0, along = 0;
  };
  using Front = std::vector<CutBox>;
  /// Of the boxes one after the other.
  struct Range {
    std::uint32_t from = 0, to = 0;
  };
  struct Part {
    std::size_t set = 0;
    Range boxes;
  };
  void begin(const MaterialJob& job, std::size_t stock);
  /// Taking after taking from all its halves; or, where most have no box that is worth it, each
  /// that has joined to all that it can be joined to.
  void findAll(std::uint64_t& work, const std::function<bool()>& isEnough);
  void findFew(std::uint64_t& work, const std::function<bool()>& isEnough);
  void join(std::size_t set, std::uint64_t& work);
  void joinToFound(std::size_t high, FoundTakings& found, std::uint64_t& work);
  /// In a box so large, of what is lost at prices where there are any.
  [[nodiscard]] LostParts lostIn(Micrometres across, Micrometres along,
                                 const Measures& holds) const;
  /// By the best of some of its boxes.
  [[nodiscard]] LostParts lostOf(Range boxes, const Measures& holds) const;
  /// What is worth it of all boxes of two takings joined, the low ones first.
  /// @param most what it holds, and what may be lost.
  void joinBoth(const Part& low, const Part& high, const Measures& most, Front& front,
                std::uint64_t& work);
  template <bool isBeside>
  void joinEach(const Part& low, const Part& high, Front& front);
  template <bool isBeside>
  [[nodiscard]] bool isWorthForAll(std::size_t set, std::uint64_t across,
                                   std::uint64_t along) const;
  void setMost(const Measures& most);
  [[nodiscard]] bool isWorth(std::uint64_t across, std::uint64_t along) const;
  void keep(std::size_t set, const Front& front);

  /// Up to where a taking leaves room for some of the rest.
  [[nodiscard]] UsableSize openOf(std::size_t set) const;
  /// The boxes that do, beside and above.
  [[nodiscard]] Range openBoxesOf(std::size_t set) const;
  /// All of it in rows along the stock, and in rows across it.
  void addRows(std::uint64_t& work, const std::function<bool()>& isEnough);
  /// The narrowest row, of boxes that are no longer than that; what it is joined of is added.
  /// @returns how long it is; none: there is no such row.
  std::optional<Micrometres> addRow(bool isBeside, Micrometres along, std::uint64_t& work,
                                    const std::function<bool()>& isEnough);
  Micrometres joinRow(const std::vector<BoxRow::Part>& row, bool isBeside);

  const CountIndex& index_;
  UsableSize usable_;
  const BoxWorths* worths_ = nullptr;  // none: only area is looked at
  bool isForAll_, isAllLost_;
  const Measures waste_;
  std::vector<Measures> kinds_;  // what a piece holds, enlarged
  bool isWhole_ = true;
  std::map<std::size_t, Front> alone_;  // by taking: of single pieces
  std::vector<Range> ranges_;           // by taking
  std::vector<CutBox> boxes_;
  std::vector<Extent> extents_;
  std::vector<std::uint8_t> made_;  // how each is joined
  // Of few: what those hold and lose that have any that are joined, and boxes of those to come.
  std::vector<Measures> holds_;
  std::vector<Range> joins_;
  std::vector<Front> fronts_;
  std::vector<std::uint32_t> besides_;
  Front front_;
  // Of those for all: kinds by growing size, and boxes of takings that stand in rows.
  std::vector<std::pair<Micrometres, std::size_t>> byAcross_, byAlong_;
  std::map<std::size_t, Front> inRows_;
  // Of the taking that is being joined, what a box may come to.
  std::uint64_t mostArea_ = 0;  // um2
  Worths mostWorths_{};
};

}  // namespace drapery
