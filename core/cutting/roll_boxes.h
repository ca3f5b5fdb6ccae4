// One roll as boxes within boxes: some are opened until a dozen lie there, boxes and pieces, and
// all of those are joined anew so that together they are as short as can be.
#pragma once

#include <functional>
#include <random>
#include <vector>

#include "core/cutting/laid_box.h"

namespace drapery {

class RollBoxes {
 public:
  /// Of a job whose one stock is the roll.
  RollBoxes(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// From what lies on the roll: one piece at least.
  void begin(const std::vector<SheetPart>& parts);
  /// One try.
  void step();
  /// How much of the roll, enlarged, the shortest takes so far.
  [[nodiscard]] Micrometres along() const;
  [[nodiscard]] std::vector<Slab> shortest() const;

 private:
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  LaidBoxPtr whole_, best_;
  std::size_t inVain_ = 0;  // tries since it was bettered
};

}  // namespace drapery
