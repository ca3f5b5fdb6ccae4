// What pieces are worth so that nothing that lies end to end along a stock is worth more than one:
// then what a box holds tells how much of its room is lost, also of what is too short for any more.
#pragma once

#include <array>
#include <cstdint>
#include <functional>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class StackPrices {
 public:
  /// At each of so many prices, which say different things.
  static constexpr std::size_t kPrices = 7;
  using Worths = std::array<double, kPrices>;

  /// At the first of them all of a job's pieces are worth as much as can be, at the others some of
  /// them are: what loses little at one loses much at another.
  /// @param along so much of one of its stocks is used, um, enlarged by the kerf.
  StackPrices(const MaterialJob& job, std::size_t stock, Micrometres along,
              const std::function<bool()>& isOver);

  /// Not where lengths or pieces are too many, or there was no time.
  [[nodiscard]] bool isAny() const { return !worths_.empty(); }
  /// Of a piece of a kind.
  [[nodiscard]] const Worths& of(std::size_t kind) const { return worths_[kind]; }
  /// What nothing that lies in a box so long, no longer than the stock is, is worth more than, for
  /// each um of its width.
  [[nodiscard]] const Worths& most(Micrometres along) const {
    return most_[static_cast<std::uint32_t>(along) / step_];
  }
  /// What all of the stock can be worth more than so many of each kind are; a little more, for
  /// rounding.
  [[nodiscard]] Worths spare(Micrometres across, const Counts& counts) const;

 private:
  /// The prices at one place, where they are found.
  bool reckon(const std::vector<double>& weights, std::size_t at, const MaterialJob& job,
              std::size_t stock, Micrometres along, const std::function<bool()>& isOver);
  [[nodiscard]] bool isNew(std::size_t at) const;

  std::uint32_t step_ = 1;             // um
  std::vector<Worths> worths_, most_;  // by kind; by the length of a box in steps
};

}  // namespace drapery
