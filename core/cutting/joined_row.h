// A row across a roll of which hardly anything is lost, of few pieces: boxes that are nearly as
// high as each other, side by side until they reach across. Where there is much to choose from,
// laying piece after piece comes as near; of a hundred pieces this loses half of that.
#pragma once

#include <functional>
#include <optional>
#include <random>
#include <vector>

#include "core/cutting/end_to_end.h"
#include "core/cutting/joined_boxes.h"
#include "core/cutting/region_filler.h"

namespace drapery {

/// Whether rows lose less than slabs filled piece after piece also of some hundred pieces, and not
/// only of the last: of so many kinds there are always some that are nearly as high.
bool isOfManyKinds(const MaterialJob& job);
/// Whether there are so few of each that patterns, which hold as many as they like of them, come
/// less near than rows.
bool areFewOfEach(const MaterialJob& job);

class JoinedRow {
 public:
  /// @param isEnough asked every few milliseconds; then what has been found is all.
  JoinedRow(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// The row that is worth most for its area, from the beginning of a room and as long as it is
  /// high: what it places is taken out of `pool`. None where each would lose much: two hundredths
  /// of five hundred pieces, a tenth of the last.
  /// @param tallest as high as it must be able to be: else what is tall would all be left for the
  /// end. @param worth of one of each kind, um2; no more than its area.
  std::optional<Filling> best(std::size_t stock, const SheetPart& room, Micrometres tallest,
                              const std::vector<std::size_t>& kinds,
                              const std::vector<double>& worth, Counts& pool);

  struct Found {
    double lost = 0.0;  // of what it might be worth, um2
    Filling row;
    Counts left;  // of the pool
  };
  /// Of each of some heights such a row; no two of the same pieces.
  std::vector<Found> some(std::size_t stock, const SheetPart& room, Micrometres tallest,
                          const std::vector<std::size_t>& kinds, const std::vector<double>& worth,
                          const Counts& pool);

 private:
  struct Row {
    double lost = 0.0;  // of its area
    Micrometres along = 0;
    PackedCounts taken;
    std::vector<std::uint32_t> boxes;
  };

  /// Boxes for rows in that room.
  /// @returns the heights of rows.
  std::vector<std::size_t> join(const JoinedChoice& choice, Micrometres tallest);
  void sortByHeight();
  /// Of some boxes that are nearly as high the highest, by its place in that order: those heights
  /// of which there are most.
  [[nodiscard]] std::vector<std::size_t> heights(double least) const;
  /// What is nearly as high as that, and no higher; those that lose least first.
  void lookAtThose(std::size_t highest);
  /// A row of what is nearly as high as that; none where each loses as much as `mostLost`.
  std::optional<Row> rowOf(std::size_t highest, Micrometres across, double mostLost);
  /// Of its area, a row on the way.
  [[nodiscard]] double mostLost() const;
  [[nodiscard]] Filling filling(const Row& row, const SheetPart& room) const;
  [[nodiscard]] Micrometres alongOf(std::size_t i) const { return boxes_.all()[sorted_[i]].along; }
  /// How low a box may be in a row that is so high.
  [[nodiscard]] Micrometres lowest(Micrometres along) const;

  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  JoinedBoxes boxes_;
  std::vector<std::uint32_t> sorted_;  // boxes by their heights
  std::vector<std::uint32_t> looked_;  // boxes
  std::vector<EndToEnd::Part> parts_;  // the same
  EndToEnd endToEnd_;
};

}  // namespace drapery
