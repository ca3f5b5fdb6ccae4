// A lay-out of any size, quickly, and then better ones: sheets are emptied and filled anew.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>

#include "core/cutting/exact_lay_out.h"
#include "core/cutting/pattern_bound.h"

namespace drapery {

/// When to stop. What is begun is left undone, but for the first lay-out, for which only `isEnded`
/// counts.
struct PackerPatience {
  std::function<bool()> isOver;   // the time is over, or `isEnded`
  std::function<bool()> isEnded;  // nobody waits for it any more
};

class Packer {
 public:
  /// With a first lay-out. The job outlives it.
  Packer(const MaterialJob& job, std::uint64_t seed, PackerPatience patience);
  ~Packer();
  Packer(const Packer&) = delete;
  Packer& operator=(const Packer&) = delete;

  /// One try: another first lay-out while there are ways to begin, then one sheet fewer, or some
  /// sheets emptied and filled again. The best stays.
  void step();
  /// One try at no more cost with more left in one piece.
  void gather();
  /// Also begins by these, now and then as chance has it.
  void begin(std::shared_ptr<const Patterns> patterns);
  /// Goes on from another's best, where that is better, and by its patterns.
  void follow(const Packer& other);
  [[nodiscard]] double cost() const;
  /// What its best leaves in one piece, um2, once that was looked for; else 0.
  [[nodiscard]] double offCut() const;
  /// Where the last piece of its best ends on one roll, enlarged by the kerf.
  [[nodiscard]] Micrometres end() const;
  /// How many pieces its best leaves unplaced.
  [[nodiscard]] std::size_t lost() const;
  /// @param isLast whether it is worth the time to leave the largest off-cut that there can be.
  [[nodiscard]] MaterialLayOut layOut(bool isLast) const;

 private:
  class Work;
  std::unique_ptr<Work> work_;
};

}  // namespace drapery
