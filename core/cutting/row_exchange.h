// A roll that is to be shorter: of what lies in a row or two and on the slab that loses most other
// rows are joined, and the rest of it fills what is left along the roll. Rows of some dozen pieces
// lose next to nothing; all depends on what is left over for that slab.
#pragma once

#include <array>
#include <functional>
#include <random>

#include "core/cutting/chance_filler.h"
#include "core/cutting/joined_row.h"
#include "core/cutting/slab.h"

namespace drapery {

class RowExchange {
 public:
  /// Of a job whose one stock is the roll.
  RowExchange(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// From a lay-out: a little of its length goes, and what lies on its worst slab is loose.
  void begin(const std::vector<Slab>& slabs);
  /// One try; true once all lies somewhere.
  bool step();
  [[nodiscard]] const std::vector<Slab>& slabs() const { return slabs_; }
  /// Tries since it began.
  [[nodiscard]] int tried() const { return tried_; }

 private:
  using Found = JoinedRow::Found;
  /// Other rows in the place of some, and what is left over for what is left along the roll.
  struct Other {
    std::vector<std::size_t> gone;  // of the rows, by falling place
    std::vector<Slab> rows;
    Pool rest;
    Micrometres along = 0;
    Filling filling;
    double loose = 0.0;  // of the rest, um2
  };

  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }
  [[nodiscard]] double areaOf(const Pool& pool) const;
  /// A row or two of all taken off.
  Other withoutRows();
  /// Rows of what is loose, those that lose least first, more or less.
  std::vector<Found> rowsOf(const Other& other);
  void take(const Found& found, Other& other) const;
  /// The row that leaves least of the rest loose.
  /// @returns false where there is none.
  bool takeLast(Other& other);
  /// As much as goes in of what that row leaves over, as long as there is hope to have no more of
  /// it loose than `mostLoose`.
  void fill(Other& other, double mostLoose);
  void accept(Other other);

  const MaterialJob& job_;
  std::mt19937_64& random_;
  JoinedRow row_;
  ChanceFiller filler_;
  Micrometres across_;
  std::vector<double> areas_, worth_;  // by kind
  std::vector<Slab> rows_, slabs_;
  std::vector<std::size_t> rest_;  // kinds of the pieces that lie in no row
  Micrometres along_ = 0;          // what there is for them
  double loose_ = 0.0;             // of them, um2
  /// As in one_fewer.
  std::array<double, 8> before_{};
  int tried_ = 0;
};

}  // namespace drapery
