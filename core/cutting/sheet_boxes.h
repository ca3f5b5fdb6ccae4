// What lies on a sheet or two, and what is loose, as boxes within boxes: some are opened until a
// few lie there, boxes and pieces, and of all ways to join these anew one is taken that leaves
// least loose.
#pragma once

#include <functional>
#include <optional>
#include <random>
#include <vector>

#include "core/cutting/bin.h"
#include "core/cutting/laid_box.h"

namespace drapery {

class SheetBoxes {
 public:
  /// Of a job whose stocks are sheets.
  SheetBoxes(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// The same sheets, and what is loose then.
  struct Joined {
    std::vector<Bin> bins;
    std::vector<std::size_t> loose;  // kinds, each as often as one of it is
  };
  /// One try.
  /// @param bins one or two without pins. @param worth of each of the job's kinds.
  /// @param most that what is loose may be worth; none where that is not met.
  std::optional<Joined> joined(const std::vector<const Bin*>& bins,
                               const std::vector<std::size_t>& loose,
                               const std::vector<double>& worth, double most);

 private:
  /// Some of what is loose, of what may lie on any of the stocks; it is taken from there.
  std::vector<LaidBoxPtr> some(std::vector<std::size_t>& loose,
                               const std::vector<std::size_t>& stocks);
  [[nodiscard]] Bin binOf(std::size_t stock, const LaidBoxPtr& box) const;
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
};

}  // namespace drapery
