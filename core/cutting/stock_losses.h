// How much may be lost on each stock where all of it costs less than so much: what stock so cheap
// can hold, less what all pieces are.
#pragma once

#include <vector>

#include "core/cutting/box_worths.h"
#include "core/cutting/most_room.h"

namespace drapery {

class StockLosses {
 public:
  /// @param alongs how far each stock is used, um, enlarged by its kerf; 0: not at all.
  /// @param prices none: only area is looked at. They outlive it.
  StockLosses(const MaterialJob& job, const std::vector<Micrometres>& alongs, double below,
              const PiecePrices* prices);

  /// On all together; negative where all pieces are more than any such stock holds.
  [[nodiscard]] const Measures& most() const { return spare_; }
  /// Whether what is not used of it, as far as it may be, is lost too: of sheets, and of a roll
  /// beside what costs next to nothing, of which as much may be used whatever is taken beside it.
  [[nodiscard]] bool isWhole(std::size_t stock) const {
    return isRollWhole_ || job_.stock(stock).form == StockForm::Sheet;
  }
  /// The stocks, those with the least room first and the roll last: what little can hold is soon
  /// known, and leaves less to be lost on the others.
  [[nodiscard]] std::vector<std::size_t> order() const;
  /// Nothing on one of the stock holds more than that; of the roll nothing is learnt.
  void holdsNoMore(std::size_t stock, const Measures& than);
  /// What is lost on one of a stock that holds so much, of a roll on what is used of it.
  [[nodiscard]] Measures lostOn(std::size_t stock, Micrometres along, const Measures& holds) const;

 private:
  void reckon();
  void takeRollWhole();

  const MaterialJob& job_;
  const std::vector<Micrometres> alongs_;
  const double below_;
  const PiecePrices* prices_;
  Measures wanted_;
  StockWorths rooms_;                // um2
  std::vector<StockWorths> worths_;  // by price
  Measures spare_;
  bool isRollWhole_ = false;
};

}  // namespace drapery
