// What no lay-out costs less than, or the cheapest, while others are looked for beside.
#pragma once

#include <atomic>
#include <functional>

#include "core/cutting/exact_cheaper.h"
#include "core/cutting/watch.h"

namespace drapery {

/// Whether all that costs less than what is known can be tried.
bool isFewToTry(const MaterialJob& job);

class Proving {
 public:
  /// @param job without its pins. @param packer has a lay-out; it is bettered, and goes on from
  /// what comes of bounds, unless it has pins.
  /// @param otherCost of what is found beside. @param isOver asked often.
  Proving(const MaterialJob& job, Packer& packer, bool isPinned,
          const std::atomic<double>& otherCost, const Watch& watch, std::function<bool()> isOver);

  /// @param least a bound that is known.
  ExactCheaper find(double least);

 private:
  /// What costs less than the packer's, which is bettered first: the less it costs, the less is
  /// left to try. Of more pieces what the largest cost by themselves.
  void tryCheaper();
  /// What takes longer to say than the bound that was found, if it is higher.
  void raise(const std::function<bool()>& isEnough);
  /// By patterns of a roll alone, where few sheets lie beside it; false where there is none, or
  /// where so much is lost on it that more could be said.
  bool beginOnRoll(const std::function<bool()>& isEnough);
  [[nodiscard]] double known() const { return std::min(packer_.cost(), otherCost_.load()); }
  /// Whether so much of the time that is left is over; never, where tries are counted.
  [[nodiscard]] std::function<bool()> within(double part) const;

  const MaterialJob& job_;
  Packer& packer_;
  bool isPinned_;
  const std::atomic<double>& otherCost_;
  const Watch& watch_;
  std::function<bool()> isOver_;
  ExactCheaper found_;
};

}  // namespace drapery
