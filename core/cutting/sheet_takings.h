// Every taking of what is wanted that one sheet can hold, where few pieces fill it.
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class SheetTakings {
 public:
  /// Of one of the job's sheets. Takes its looks from `work`, some nanoseconds each; where they do
  /// not suffice, or `isOver` says so, it is not whole.
  SheetTakings(const MaterialJob& job, std::size_t stock, std::uint64_t& work,
               const std::function<bool()>& isOver);
  [[nodiscard]] bool isWhole() const { return isWhole_; }
  /// How many there are to which nothing can be added.
  [[nodiscard]] std::size_t size() const { return ends_.size(); }

  /// The greatest worth of what fits on the sheet; what it is, by kind, is then in `counts`.
  /// @param worth by kind, not negative.
  double best(const std::vector<std::int32_t>& worth, Counts& counts) const;

 private:
  bool isWhole_ = true;
  std::vector<std::uint32_t> kinds_;  // of one after the other, each as often as it is taken
  std::vector<std::size_t> ends_;     // of each among them
};

/// By stock, where few pieces fill a sheet of it and they can all be told in a second or so.
std::vector<std::optional<SheetTakings>> takingsOf(const MaterialJob& job,
                                                   const std::function<bool()>& isOver);

}  // namespace drapery
