// A roll's slabs taken as sheets of their lengths: as much as can be of one of them is laid on the
// others and on what lies beside the roll, as where one sheet fewer is looked for, and what then is
// loose on a slab as short as can be. No other roll grows longer by it.
#pragma once

#include <functional>
#include <random>

#include "core/cutting/one_fewer.h"
#include "core/cutting/slab.h"

namespace drapery {

class SlabSheets {
 public:
  /// @param bins of the job. @param roll which of them it is, not empty; some slabs of it that lie
  /// next to each other make a sheet.
  SlabSheets(const MaterialJob& job, const std::vector<Bin>& bins, std::size_t roll,
             std::mt19937_64& random, std::function<bool()> isEnough);
  SlabSheets(const SlabSheets&) = delete;
  SlabSheets& operator=(const SlabSheets&) = delete;

  /// One try; true once all lies on less of the roll than before.
  bool step();
  [[nodiscard]] double looseArea() const { return fewer_.looseArea(); }
  /// Of the job, what holds something: rolls last.
  [[nodiscard]] std::vector<Bin> bins() const;

 private:
  [[nodiscard]] std::vector<std::vector<Slab>> sheetsOf(std::vector<Slab> slabs,
                                                        Micrometres across) const;
  std::size_t addStock(Micrometres along, std::size_t roll);
  /// A roll's, by some slabs that lie next to each other.
  void addSheets(const Bin& bin, std::size_t roll, std::vector<Bin>& sheets);
  bool layLast();

  const MaterialJob& whole_;
  std::size_t roll_;                  // of the bins it began with
  std::vector<std::size_t> stockOf_;  // of each of those
  std::vector<std::size_t> ofBin_;    // which of them it is part of, by added stock
  std::vector<Bin> aside_;            // rolls with pins: what lies on them stays there
  Micrometres across_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  CutProblem problem_;
  MaterialJob job_;  // with a stock for each sheet of slabs, behind those there are
  OneFewer fewer_;
  ChanceFiller filler_;
  Micrometres before_ = 0;  // what the slab took that is gone
  double tried_ = 0.0;      // what was loose when a last one was looked for in vain
  std::vector<Slab> last_;
  std::size_t steps_ = 0;
};

}  // namespace drapery
