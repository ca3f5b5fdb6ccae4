// What is worth most on a plate of any size, as many of each piece as one likes: by cuts from edge
// to edge, any number of stages (Gilmore and Gomory 1966, "The theory and computation of knapsack
// functions", Operations Research 14).
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class PlateValues {
 public:
  /// Lengths of pieces that are counted in coarser steps: rounded down more fits than there is room
  /// for, rounded up less.
  enum class Coarse { Down, Up };
  /// Of one of the job's stocks, in steps so coarse that it takes no more work than that. Of a roll
  /// a slab as long as a few pieces.
  PlateValues(const MaterialJob& job, std::size_t stock, Coarse coarse, double mostWork);

  /// False where no such step keeps apart what is to be.
  [[nodiscard]] bool isUsable() const { return !xs_.empty() && !ys_.empty(); }

  /// Whether all lengths are whole numbers of its steps: then its values are the true ones.
  [[nodiscard]] bool isExact() const { return isExact_; }

  /// The sheet, or slab.
  [[nodiscard]] const UsableSize& usable() const { return usable_; }

  /// How much one `best` takes, in steps of some nanoseconds.
  [[nodiscard]] double work() const;

  using Worth = std::int32_t;  // twice as many at a time as of 64 bits

  /// What the sheet is worth at most if all of it is like the piece worth most for its size.
  [[nodiscard]] double ceiling(const std::vector<double>& worth) const;

  /// The greatest worth of what fits on the sheet; what it is, by kind, is then in `counts`.
  /// @param worth by kind, not negative, and so little that the ceiling is within `Worth`.
  /// @param spared what all of its length is worth where nothing lies on it; of a part of it that
  /// is as wide as the sheet so much less.
  /// @returns none where `isOver` ended it.
  std::optional<Worth> best(const std::vector<Worth>& worth, double spared, Counts& counts,
                            const std::function<bool()>& isOver);

  /// What was worth most in a part of it of so many steps each way, at most: column after column
  /// from none on. A length takes as many of them as go into it. Of more than that each way some
  /// are taken together.
  struct BySteps {
    std::size_t columns = 0, rows = 0;
    double columnsPer = 0.0, rowsPer = 0.0;  // um
    std::vector<Worth> worth;
  };
  [[nodiscard]] BySteps bySteps(std::size_t most) const;

  /// How the last best lies on the sheet, at its true sizes; the first part is the whole. None
  /// where it only fits in coarse steps.
  [[nodiscard]] std::optional<std::vector<SheetPart>> filling() const;

  /// What else is worth more than that on the sheet, by another first cut: so many, the best first,
  /// of which no two hold the same. Their `parts` are none where they only fit in coarse steps.
  /// Once `isOver` says so, those that have been found.
  struct Other {
    Counts counts;
    std::optional<std::vector<SheetPart>> parts;
  };
  [[nodiscard]] std::vector<Other> others(Worth least, std::size_t most,
                                          const std::function<bool()>& isOver) const;

 private:
  struct Size {
    std::size_t kind = 0;
    std::int64_t across = 0, along = 0;
    LyingSize lies;  // as it is
  };
  /// A place of the table taken apart once.
  struct Taken {
    enum class Kind { Nothing, Piece, Beside, Above } kind = Kind::Nothing;
    const Size* size = nullptr;
    std::size_t lowX = 0, lowY = 0, highX = 0, highY = 0;
  };
  /// False where it was ended.
  bool fill(const std::function<bool()>& isOver);
  bool fillDense(const std::function<bool()>& isOver);
  /// Of a column those rows, when all before it and all below them are filled.
  /// @param cuts columns that may be cut off.
  void fillRows(std::size_t column, std::size_t from, std::size_t to,
                const std::vector<std::size_t>& cuts);
  /// In the column as wide as the sheet: how much more than sparing all of its length.
  void spare(Worth* here) const;
  /// The place that is left beside or above a cut.
  [[nodiscard]] std::size_t besides(std::size_t i, std::size_t a) const;
  [[nodiscard]] std::size_t above(std::size_t j, std::size_t b) const;
  [[nodiscard]] Taken takenApart(std::size_t i, std::size_t j) const;
  /// What its pieces take, as they are.
  [[nodiscard]] UsableSize extentOf(const Taken& taken) const;
  void lay(const Taken& taken, std::size_t at, std::vector<SheetPart>& parts) const;
  [[nodiscard]] std::optional<std::vector<SheetPart>> fillingOf(const Taken& taken) const;
  struct Weighed {
    Micrometres length = 0;
    double weight = 0.0;
  };
  struct Steps {
    std::int64_t room = 0;
    double per = 0.0;  // um
    std::vector<std::int64_t> lengths;
  };
  static Steps stepsOf(const std::vector<Weighed>& lengths, Micrometres room, std::int64_t step,
                       Coarse coarse);
  static std::vector<std::int64_t> places(std::vector<std::int64_t> lengths, std::int64_t room);
  bool measure(const MaterialJob& job, std::size_t stock, std::int64_t step, Coarse coarse);
  void trace(const Taken& taken, Counts& counts) const;
  [[nodiscard]] Worth& at(std::size_t i, std::size_t j) { return values_[i * ys_.size() + j]; }
  [[nodiscard]] Worth at(std::size_t i, std::size_t j) const { return values_[i * ys_.size() + j]; }

  std::vector<Size> sizes_;
  std::vector<std::int64_t> xs_, ys_;  // where cuts may lie, from 0 to the whole
  bool isExact_ = false;
  bool isDense_ = false;                                   // every step is such a place
  std::vector<std::vector<std::uint32_t>> restX_, restY_;  // else what is left beside each cut
  std::vector<Worth> values_;  // of the last column, what they are more than is spared
  std::vector<Worth> worth_;
  struct IsLess {
    const std::vector<Worth>& worth;
    bool operator()(const Size* a, const Size* b) const { return worth[a->kind] < worth[b->kind]; }
    bool operator()(const Size* a, Worth value) const { return worth[a->kind] < value; }
    bool operator()(Worth value, const Size* b) const { return value < worth[b->kind]; }
  };
  std::vector<const Size*> byWorth_;
  std::vector<Worth> spared_;  // by place along
  Worth sparedWhole_ = 0;
  std::int64_t step_ = 1;
  double columnsPer_ = 0.0, rowsPer_ = 0.0;  // um
  UsableSize usable_;
};

}  // namespace drapery
