// The prices of a covering problem, drawn towards those that bounded best so far.
#pragma once

#include <vector>

#include "core/cutting/cover_master.h"

namespace drapery {

/// Prices drawn towards those that bounded best so far: they swing less (Wentges 1997, "Weighted
/// Dantzig-Wolfe decomposition for linear mixed-integer programming", International Transactions
/// in Operational Research 4; from memory).
class PriceCentre {
 public:
  [[nodiscard]] double bound() const { return bound_; }
  [[nodiscard]] bool isDrawing() const { return !prices_.empty() && !isPaused_; }
  [[nodiscard]] std::vector<double> drawn(const CoverMaster& master) const {
    constexpr double kDrawn = 0.5;
    std::vector<double> prices;
    for (std::size_t row = 0; row < master.rows(); ++row)
      prices.push_back(isDrawing() ? kDrawn * prices_[row] + (1 - kDrawn) * master.price(row)
                                   : master.price(row));
    return prices;
  }
  /// @param isPaused whether nothing came of these: then the true ones are looked at.
  void look(const std::vector<double>& prices, double bound, bool isPaused) {
    isPaused_ = isPaused;
    if (bound <= bound_) return;
    bound_ = bound;
    prices_ = prices;
  }

  void measureAnew() {
    bound_ = 0.0;
    isPaused_ = false;
  }

 private:
  std::vector<double> prices_;
  double bound_ = 0.0;
  bool isPaused_ = false;
};

}  // namespace drapery
