// A roll's slabs taken as sheets of their lengths, with what lies beside the roll: one of them is
// made a little shorter, or as much as can be of it is laid on the others, as where one sheet fewer
// is looked for, and what then is loose on a slab as short as can be. No other roll grows longer.
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

  /// One try; true once all lies where it costs less than before.
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
  /// @param parts how many of the sheets are the roll's: the first.
  /// @returns what is loose.
  std::vector<std::size_t> leaveOut(std::vector<Bin>& sheets, std::size_t parts);
  /// A little of one of them, no matter what lies there.
  std::vector<std::size_t> shorten(std::vector<Bin>& sheets, std::size_t parts);
  /// What costs hardly anything is put in; it may be that another sheet is, or that one goes.
  /// @param all of the roll, um. @param most by which it may become shorter for it, um.
  /// @returns how much longer the roll may be for it at the same cost, um.
  double otherSheets(std::vector<Bin>& sheets, std::size_t parts, double all, double most,
                     std::vector<std::size_t>& loose);
  [[nodiscard]] bool isThereMore(const std::vector<Bin>& sheets, std::size_t stock) const;
  void fill(Bin& bin, Pool& pool);
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
