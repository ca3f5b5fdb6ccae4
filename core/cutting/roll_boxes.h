// One roll as boxes within boxes: some are opened until a dozen lie there, boxes and pieces, and
// all of those are joined anew so that together they are as short as can be.
#pragma once

#include <functional>
#include <memory>
#include <random>

#include "core/cutting/box_fronts.h"
#include "core/cutting/slab.h"

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
  /// What no box is joined of any more: a piece; or boxes side by side or one above the other, none
  /// of them joined in the same way itself.
  struct Box;
  using BoxPtr = std::shared_ptr<const Box>;
  struct Box {
    Micrometres across = 0, along = 0;
    bool isBeside = false;
    std::vector<BoxPtr> of;  // none: a piece
    std::size_t kind = 0;
    bool isTurned = false;
    std::size_t pieces = 1;
  };
  /// Boxes of one size, or pieces of one kind: which of them is taken does not matter.
  struct Alike {
    std::vector<LyingSize> ways;
    std::vector<BoxPtr> boxes;
  };

  static BoxPtr joined(bool isBeside, const std::vector<BoxPtr>& of);
  static BoxPtr boxOf(const std::vector<SheetPart>& parts, std::size_t at);
  static void lay(const Box& box, std::size_t at, Slab& slab);
  /// A few boxes, of which all of it is joined.
  std::vector<BoxPtr> opened();
  void open(std::vector<BoxPtr>& boxes, std::size_t which);
  [[nodiscard]] std::vector<Alike> alikeOf(const std::vector<BoxPtr>& boxes) const;
  static BoxPtr made(const BoxFronts& fronts, std::size_t set, std::size_t which,
                     std::vector<Alike>& from);
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  BoxPtr whole_, best_;
  std::size_t inVain_ = 0;  // tries since it was bettered
};

}  // namespace drapery
