// What is worth most side by side in a slice across a roll, as many of each piece as one likes.
#pragma once

#include <cstdint>
#include <utility>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class SliceValues {
 public:
  /// Of one of the job's rolls.
  SliceValues(const MaterialJob& job, std::size_t stock);

  /// False where widths are too fine to be counted.
  [[nodiscard]] bool isUsable() const;
  /// How much one `best` takes, in steps of some nanoseconds.
  [[nodiscard]] double work() const { return double(room_) * double(ways_.size()); }

  /// @param worth by kind, of a whole piece; not negative.
  /// @returns what a slice as long as `along` can be worth at most: rounding makes it no less.
  double best(const std::vector<double>& worth, Micrometres along);
  /// The last best: of each kind so many pieces in a slice as long as `along`; a kind may come more
  /// than once.
  [[nodiscard]] std::vector<std::pair<std::size_t, double>> slice(Micrometres along) const;

 private:
  /// A piece as it may lie; worth so much for each unit of a slice's length.
  struct Way {
    std::size_t kind = 0;
    Micrometres across = 0;
    double along = 0.0;
    std::int64_t worth = 0;
  };

  std::vector<Way> ways_;
  Micrometres step_ = 0, room_ = 0;
  std::vector<std::int64_t> values_;
  std::vector<std::size_t> taken_;  // the way that ends at each place
};

}  // namespace drapery
