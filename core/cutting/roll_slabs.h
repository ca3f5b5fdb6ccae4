// One roll as slabs across it, one after the other: a few are taken together and laid anew so that
// they are as short as those pieces can be.
#pragma once

#include <functional>
#include <random>

#include "core/cutting/box_fronts.h"
#include "core/cutting/slab.h"

namespace drapery {

class RollSlabs {
 public:
  /// Of a job whose one stock is the roll.
  RollSlabs(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// From what lies on the roll.
  void begin(const std::vector<SheetPart>& parts);
  /// One try.
  void step();
  /// How much of the roll, enlarged, the shortest takes so far.
  [[nodiscard]] Micrometres along() const { return bestAlong_; }
  [[nodiscard]] const std::vector<Slab>& shortest() const { return best_; }

 private:
  void takeApart(std::vector<Slab>& slabs, std::size_t which) const;
  std::vector<std::size_t> chosen();
  void layAnew(const std::vector<std::size_t>& which);
  void addSlabs(const BoxFronts& fronts, const CountIndex& index,
                const std::vector<std::size_t>& kinds, std::size_t set, std::size_t box);
  void lay(const BoxFronts& fronts, const std::vector<std::size_t>& kinds, std::size_t set,
           std::size_t box, std::size_t at, Slab& slab) const;
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  std::vector<Slab> slabs_, best_;
  Micrometres bestAlong_ = std::numeric_limits<Micrometres>::max();
  std::size_t vain_ = 0;  // tries since it was bettered
};

}  // namespace drapery
