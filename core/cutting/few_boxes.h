// A few boxes and pieces as a job of their own, of which all ways to join them are tried.
#pragma once

#include <vector>

#include "core/cutting/box_fronts.h"
#include "core/cutting/laid_box.h"

namespace drapery {

class FewBoxes {
 public:
  /// @param stocks of the job, on which they may lie. The job outlives it.
  FewBoxes(const MaterialJob& job, const std::vector<std::size_t>& stocks,
           const std::vector<LaidBoxPtr>& boxes);

  /// Its kinds are those that are alike; its stocks those, in that order.
  [[nodiscard]] const MaterialJob& job() const { return few_; }
  /// Of all of them, boxes as they are, um2.
  [[nodiscard]] double area() const { return area_; }
  /// Of the kinds of its job, one of each that are alike.
  [[nodiscard]] const LaidBox& one(std::size_t kind) const { return *alike_[kind].back(); }

  /// One of the boxes of a taking. What it is made of is taken.
  LaidBoxPtr take(const BoxFronts& fronts, std::size_t set, std::size_t which);
  /// What is not taken.
  [[nodiscard]] std::vector<LaidBoxPtr> rest() const;

 private:
  /// A piece may lie in any of its ways; what is joined as it is, where its pieces may.
  [[nodiscard]] std::vector<LyingSize> waysOf(const LaidBox& box, std::size_t stock) const;
  [[nodiscard]] bool mayLie(const LaidBox& box, std::size_t stock) const;

  const MaterialJob& whole_;
  MaterialJob few_;
  double area_ = 0.0;
  /// Boxes of one size that hold as much, or pieces of one kind: which of them is taken does not
  /// matter.
  std::vector<std::vector<LaidBoxPtr>> alike_;
};

}  // namespace drapery
