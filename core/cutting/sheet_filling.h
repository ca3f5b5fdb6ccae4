// What is loose laid on sheets, one after the other, each as full as can be.
#pragma once

#include <functional>
#include <optional>
#include <random>
#include <span>

#include "core/cutting/beginning.h"
#include "core/cutting/bin.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/joined_row.h"
#include "core/cutting/region_filler.h"

namespace drapery {

class SheetFilling {
 public:
  /// @param isEnough asked now and then; then it ends with what it has.
  SheetFilling(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// First what is free around pins and, filling slab by slab, beyond what lies on rolls; then a
  /// sheet of each stock named. What is left over stays loose.
  /// @param used sheets by stock of the job.
  void fill(const std::vector<std::size_t>& stocks, const Beginning& how, std::vector<Bin>& bins,
            std::vector<int>& used, std::vector<std::size_t>& loose);
  /// One after the other where there is room, else on one sheet more.
  /// @param lost what finds none. @returns false where it was left undone.
  bool putEach(const std::vector<std::size_t>& loose, const PlacingHabit& habit,
               std::vector<Bin>& bins, std::vector<int>& used, std::vector<std::size_t>& lost);
  /// Sheets of those stocks that cost less than this one for their room, each the fullest of some
  /// patient fills.
  void fillCheaper(std::size_t than, std::vector<Bin>& bins, std::vector<int>& used,
                   std::vector<std::size_t>& loose);
  /// The cheapest stock by its area of those that hold one of them and that there still are.
  [[nodiscard]] std::optional<std::size_t> stockFor(const std::vector<int>& used,
                                                    std::span<const std::size_t> kinds) const;

 private:
  /// The fullest of some fills as chance has them.
  void fillQuickly(const Beginning& how, Bin& bin, const std::vector<std::size_t>& kinds,
                   Counts& pool);
  /// What it fills with next, and what each of the kinds is worth.
  std::vector<double> beginQuick(const Beginning& how, std::size_t stock,
                                 const std::vector<std::size_t>& kinds);
  /// Beyond what is used of a roll: slabs across it, of those lengths that lose least.
  /// @param pool what there is of those that were gathered.
  /// @param isAll whether no others follow: else it ends while there is still much to choose from.
  void slabs(const Beginning& how, Bin& bin, const Pool& gathered, Counts& pool, bool isAll);
  /// How many pieces one takes that is neither short nor long: where losses are told the more, the
  /// fewer kinds there are.
  [[nodiscard]] double piecesOfASlab(const Beginning& how, std::size_t kinds) const;
  /// What there still is of what fits a roll.
  struct Left {
    double pieces = 0.0, area = 0.0;  // um2
    Micrometres high = 0, low = 0;    // the highest piece; where each lies as low as it may
  };
  [[nodiscard]] Left leftOf(std::size_t stock, const Pool& gathered, const Counts& pool) const;
  /// @param usual how long slabs of these pieces are.
  std::optional<Filling> fullSlab(const Beginning& how, SheetPart room, double usual,
                                  const std::vector<std::size_t>& kinds, Counts& pool);
  /// One for all that is left, as short as it is found, and no shorter than `least`.
  std::optional<Filling> lastSlab(const Beginning& how, SheetPart room, double least, Counts& pool);
  [[nodiscard]] double areaOf(const std::vector<std::size_t>& kinds, const Counts& pool) const;
  /// The fewer pieces there are left to choose from, the more often; what goes on one sheet easily
  /// needs little.
  [[nodiscard]] int timesAgain(const Beginning& how, const SheetPart& region,
                               const std::vector<std::size_t>& kinds, const Counts& pool) const;
  /// What is free around its pins; on a roll not what lies beyond them.
  void fillAround(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool);
  /// A roll from its beginning: each shelf as high as one of the higher pieces that are left.
  void shelves(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool);
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  RegionFiller filler_;
  ChanceFiller quick_;
  JoinedRow row_;
  std::vector<double> areas_;  // by kind
};

}  // namespace drapery
