// Boxes of a few pieces in which hardly anything is lost: pieces that are nearly as high as each
// other are joined beside one another, such as are nearly as wide above one another, and so on with
// what comes of it (Wang 1983, "Two Algorithms for Constrained Two-Dimensional Cutting Stock
// Problems", Operations Research 31). Of few pieces that finds what laying piece after piece
// misses.
#pragma once

#include <cstdint>
#include <functional>
#include <random>
#include <vector>

#include "core/cutting/material_job.h"
#include "core/cutting/packed_counts.h"
#include "core/cutting/sheet_part.h"

namespace drapery {

/// What there is to choose from.
struct JoinedChoice {
  std::size_t stock = 0;                  // of the job
  Micrometres across = 0, along = 0;      // no box is larger
  const std::vector<std::size_t>& kinds;  // of the job
  const std::vector<double>& worth;       // of one of each, um2
  const Counts& pool;                     // of each
};

struct JoinedBox {
  PackedCounts taken;  // of the kinds that are looked at
  Micrometres across = 0, along = 0;
  double area = 0.0, worth = 0.0;   // of its pieces, um2
  std::uint32_t low = 0, high = 0;  // boxes it is joined of; of a single piece its kind
  bool isPiece = false, isBeside = false, isTurned = false;
  [[nodiscard]] double lost() const { return double(across) * double(along) - area; }
};

class JoinedBoxes {
 public:
  JoinedBoxes(const MaterialJob& job, std::mt19937_64& random);

  /// Of more than 64 kinds those are looked at that chance has.
  /// @returns false where `isEnough` ended it: then there are fewer.
  bool join(const JoinedChoice& choice, const std::function<bool()>& isEnough);
  [[nodiscard]] const std::vector<JoinedBox>& all() const { return boxes_; }
  /// How much of a box may be lost, of its area: the more, the less there is to choose from.
  [[nodiscard]] double mayLose() const { return mayLose_; }
  /// Of what there is of the kinds that are looked at.
  [[nodiscard]] const PackedCounts& lacking() const { return lacking_; }
  /// Takes what a box or more hold out of a pool.
  void takeFrom(Counts& pool, const PackedCounts& taken) const;
  /// A box in the corner of a free part that is no smaller.
  void lay(std::uint32_t box, std::size_t at, std::vector<SheetPart>& parts) const;

 private:
  using Level = std::vector<std::uint32_t>;  // boxes of as many pieces

  void choose(const JoinedChoice& choice);
  void addPieces(const JoinedChoice& choice);
  /// @param few by the length that is to be alike.
  void joinEach(const Level& few, const Level& many, bool isBeside, bool isSame);
  void joinTwo(std::uint32_t low, std::uint32_t high, bool isBeside);
  /// Of very many those that lose least, more or less.
  void keepSome();
  /// Whether none holds the same and is as large.
  bool isNew(const JoinedBox& box);

  const MaterialJob& job_;
  std::mt19937_64& random_;
  Micrometres across_ = 0, along_ = 0;
  double mayLose_ = 0.0;
  std::vector<std::size_t> looked_, kinds_;  // of the choice's, and which of the job's they are
  PackedCounts lacking_;
  std::vector<JoinedBox> boxes_, made_;
  std::vector<std::uint64_t> seen_;  // by their hashes
  std::size_t seenCount_ = 0;
};

}  // namespace drapery
