// The cheapest way to share all pieces out among the stock there is, where what each taking costs
// on each stock is known: one stock after the other.
#pragma once

#include <functional>
#include <optional>
#include <utility>
#include <vector>

#include "core/cutting/count_index.h"

namespace drapery {

class SharingOut {
 public:
  /// A taking that has room on a stock, and what it costs there.
  struct Fit {
    std::size_t set = 0;
    double cost = 0.0;
  };
  /// By stock; the takings by growing number.
  using Costs = std::vector<std::vector<Fit>>;
  /// A stock, and what lies on one of it.
  using Share = std::pair<std::size_t, std::size_t>;

  /// @param limits how many there are of each stock; none: as many as can be used.
  SharingOut(const CountIndex& index, const Costs& costs, std::vector<std::optional<int>> limits);
  SharingOut(CountIndex&&, const Costs&, std::vector<std::optional<int>>) = delete;

  /// How much one `reckon` takes at most, in steps of some nanoseconds; or one `leastOfAll`.
  [[nodiscard]] double work() const { return workOf(false); }
  [[nodiscard]] double workOfAll() const { return workOf(true); }
  /// The least cost of each taking; infinite where the stock does not suffice.
  /// @param without of that stock one is gone.
  /// @returns none where `isEnough` ended it.
  const std::vector<double>* reckon(std::optional<std::size_t> without,
                                    const std::function<bool()>& isEnough);
  /// That of all pieces alone, which is sooner known: what lies on the last of the stock is all the
  /// rest.
  std::optional<double> leastOfAll(const std::function<bool()>& isEnough);
  /// How a taking is shared out for what it costs least, after `reckon`; all pieces after both.
  [[nodiscard]] std::vector<Share> sharesOf(std::size_t set) const;

 private:
  [[nodiscard]] double workOf(bool isOfAll) const;
  /// Which stock each round takes one of: those with room for little first, to which little is
  /// joined.
  [[nodiscard]] std::vector<std::size_t> roundsWithout(std::optional<std::size_t> without) const;
  /// @param isLast only all pieces together are wanted after it.
  [[nodiscard]] bool takeRound(std::size_t stock, bool isLast,
                               const std::function<bool()>& isEnough);
  [[nodiscard]] bool reckonUnlimited(const std::function<bool()>& isEnough);
  /// Whether the last round's costs are reached with one more of the stock.
  [[nodiscard]] std::optional<Share> shareIn(std::size_t round, std::size_t set) const;
  /// Of the stocks without end one that holds the first piece of it.
  [[nodiscard]] std::optional<Share> shareUnlimited(std::size_t set) const;

  const CountIndex& index_;
  const Costs& costs_;
  std::vector<std::optional<int>> limits_;
  std::vector<std::size_t> rounds_;         // those that were taken
  std::vector<std::vector<double>> least_;  // before the first, and after each of them
};

}  // namespace drapery
