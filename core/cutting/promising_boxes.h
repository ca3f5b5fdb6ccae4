// What is worth most on one sheet, no more of each piece than there are: boxes joined beside and
// above one another, what promises most first (K. V. Viswanathan and A. Bagchi, "Best-first search
// methods for constrained two-dimensional cutting stock problems", Operations Research 41, 1993).
#pragma once

#include <cstdint>
#include <functional>
#include <queue>
#include <vector>

#include "core/cutting/packed_counts.h"
#include "core/cutting/rationed_values.h"
#include "core/cutting/slab.h"

namespace drapery {

class PromisingBoxes {
 public:
  /// Of a job's first stock, a sheet.
  /// @param values by kind; what more of them might be worth outlives it.
  PromisingBoxes(const MaterialJob& job, const std::vector<double>& values,
                 const RationedValues& rationed);

  /// Whether so many kinds, and so many of each, can be told.
  [[nodiscard]] bool isUsable() const { return isUsable_; }

  /// Until nothing promises more than `known`, or it is enough, or too much.
  /// @param known what is worth most by now.
  /// @param eagerness how much more, of what it is worth, a box counts than it promises: of more
  ///   pieces than can all be tried something better is then found sooner, but nothing is told of
  ///   what else there is, unless all was tried.
  /// @param better called with what is worth more, as it lies on the sheet.
  /// @returns what nothing is worth more than.
  double find(double known, double eagerness, std::uint64_t work,
              const std::function<void(std::vector<SheetPart>)>& better,
              const std::function<bool()>& isEnough);

 private:
  using Taken = PackedCountsOf<8>;
  struct Box {
    std::uint32_t across = 0, along = 0;  // um
    std::uint32_t low = 0, high = 0;      // of a piece its kind, and whether it is turned
    enum class Made : std::uint8_t { Piece, Beside, Above } made = Made::Piece;
    double value = 0.0;      // in units
    std::int64_t worth = 0;  // less the prices
    Taken taken;
    std::uint64_t hash = 0;  // of what it holds
    std::uint32_t next = 0;  // of those in the same bucket
  };
  /// What those that have been joined to each other are looked at by.
  struct Looked {
    std::uint32_t box = 0, across = 0, along = 0;
    std::int64_t lost = 0;
  };
  struct Promise {
    std::int64_t rank = 0, most = 0;
    std::uint32_t box = 0;
    friend bool operator<(const Promise& a, const Promise& b) {
      return a.rank != b.rank ? a.rank < b.rank : a.box > b.box;
    }
  };
  /// False where `isEnough` ended it.
  bool reckonRests(const std::function<bool()>& isEnough);
  void begin();
  /// One more look, if neither that is too much nor it is enough.
  bool isOpen(std::uint64_t& work, const std::function<bool()>& isEnough) const;
  /// To all that was taken before it and may go with it; false where it was ended.
  bool joinToAll(const Promise& promise, std::uint64_t& work,
                 const std::function<bool()>& isEnough);
  [[nodiscard]] std::size_t at(std::uint32_t across, std::uint32_t along) const;
  void join(std::uint32_t low, std::uint32_t high, bool isBeside);
  void add(Box& box);
  void moreBuckets();
  [[nodiscard]] bool isThere(const Box& box) const;
  [[nodiscard]] std::vector<SheetPart> layOut(std::uint32_t box) const;
  void lay(std::uint32_t box, std::size_t at, Slab& slab) const;

  const MaterialJob& job_;
  const RationedValues& rationed_;
  std::vector<double> values_;  // in units
  UsableSize usable_;
  bool isUsable_ = false;
  double known_ = 0.0, eagerness_ = 0.0;
  std::function<void(std::vector<SheetPart>)> better_;
  std::vector<PlateValues::Worth> rests_;  // by room: what lies beside and above it on the sheet
  Taken lacking_;
  std::vector<Box> boxes_;
  std::priority_queue<Promise> open_;
  std::vector<std::vector<Looked>> closed_;  // by what they lose
  double perLoss_ = 0.0;                     // steps of that
  std::vector<std::uint32_t> buckets_;       // by what they hold: the last box, or none
};

}  // namespace drapery
