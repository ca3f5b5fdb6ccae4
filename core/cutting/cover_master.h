// A covering problem being solved while its columns are found: so much of each thing, from columns
// that each cost something and hold something of each.
#pragma once

#include <optional>
#include <utility>
#include <vector>

namespace drapery {

/// Revised simplex (Dantzig and Orchard-Hays 1954, "The product form for the inverse in the simplex
/// method", from memory) with the inverse kept whole.
class CoverMaster {
 public:
  struct Row {
    double right = 0.0;
    bool isLimit = false;  // not more than that; else at least that
    /// A column to begin with, which holds so much of it and of nothing else, and costs that: of a
    /// limit what is left of it, 1 at no cost.
    double holds = 1.0, cost = 0.0;
  };
  explicit CoverMaster(const std::vector<Row>& rows);

  [[nodiscard]] std::size_t rows() const { return right_.size(); }
  /// What one more in a row would cost; of a limit what it would save, not above 0.
  [[nodiscard]] double price(std::size_t row) const { return prices_[row]; }

  /// A row of which more does no harm, or a limit that is not reached: of those that better it the
  /// one that does so most, for each one more.
  [[nodiscard]] std::optional<std::size_t> slack() const;
  [[nodiscard]] double slackGain(std::size_t row) const;
  /// False where nothing comes of it.
  bool enterSlack(std::size_t row);
  /// So much of a row, which may come more than once; those that do not come hold nothing of it.
  using Column = std::vector<std::pair<std::size_t, double>>;
  /// @param name what it is told as by `levels`; -1: not at all.
  bool enter(const Column& column, double cost, int name);
  /// How much of each column is taken now.
  [[nodiscard]] std::vector<std::pair<int, double>> levels() const;

 private:
  void reckonPrices();

  std::vector<double> right_, levels_, costs_, prices_;
  std::vector<bool> isLimit_;
  int entered_ = 0;
  std::vector<int> names_;  // of the columns that are taken
  [[nodiscard]] double* inverseRow(std::size_t row) { return &inverse_[row * right_.size()]; }
  std::vector<double> inverse_;  // row after row
};

}  // namespace drapery
