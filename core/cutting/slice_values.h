// What is worth most in a slice of a stock, as many of each piece as one likes: side by side across
// it, or end to end along it.
#pragma once

#include <cstdint>
#include <utility>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class SliceValues {
 public:
  /// Across one of the job's stocks.
  SliceValues(const MaterialJob& job, std::size_t stock);
  /// Along one of them, as far as that: of pieces that are a little shorter where lengths are too
  /// fine to be counted, so that no slice that there is is left out.
  SliceValues(const MaterialJob& job, std::size_t stock, Micrometres along);

  /// Whether no piece has room in one.
  [[nodiscard]] bool isEmpty() const { return ways_.empty(); }
  /// False where widths are too fine to be counted.
  [[nodiscard]] bool isUsable() const;
  /// How much one `best` takes, in steps of some nanoseconds.
  [[nodiscard]] double work() const { return double(room_) * double(ways_.size()); }
  /// Of each kind how many lie in slices as long as `length` that hold nothing else, at most.
  [[nodiscard]] std::vector<double> alone(std::size_t kinds, double length) const;

  static constexpr double kWhole = 1e15;
  /// @param worth by kind, of a whole piece; not negative.
  /// @param length of the slice, in the other direction.
  /// @param whole no slice is worth more in whole numbers, but for their rounding.
  /// @returns what a slice as long as `length` can be worth at most: rounding makes it no less.
  double best(const std::vector<double>& worth, Micrometres length, double whole = kWhole);
  /// The last best: of each kind so many pieces in a slice as long as `length`; a kind may come
  /// more than once.
  [[nodiscard]] std::vector<std::pair<std::size_t, double>> slice(Micrometres length) const;
  /// The last best in whole numbers: of a slice that reaches so many steps, for each um of its
  /// length.
  [[nodiscard]] const std::vector<std::int64_t>& values() const { return values_; }
  [[nodiscard]] Micrometres step() const { return step_; }
  /// And of a whole piece, as it lies where it is worth least; 0 where it lies nowhere.
  [[nodiscard]] double worthOf(std::size_t kind) const;

 private:
  /// A piece as it may lie, within its slice and along it; worth so much for each unit of a slice's
  /// length.
  struct Way {
    std::size_t kind = 0;
    Micrometres reach = 0;
    double length = 0.0;
    std::size_t places = 0;  // of its reach, in steps
    std::int64_t worth = 0;
  };
  void countIn(Micrometres step, Micrometres reach);

  std::vector<Way> ways_;
  Micrometres step_ = 0, room_ = 0;
  std::vector<std::int64_t> values_;
  std::vector<std::uint32_t> taken_;  // the way that ends at each place
};

}  // namespace drapery
