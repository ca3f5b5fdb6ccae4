// Other sheets than those of a lay-out, which together would cost less: chosen by how full they may
// be hoped to become, and filled from nothing. Of few pieces a length of a roll is one of them.
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <random>

#include "core/cutting/chance.h"
#include "core/cutting/given_sheets.h"

namespace drapery {

class CheaperSheets {
 public:
  /// The job outlives it.
  CheaperSheets(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// Sheets alone, of several stocks, or few pieces and one roll; nothing pinned.
  [[nodiscard]] bool isApt() const { return isApt_ || roll_; }
  [[nodiscard]] bool isWithRoll() const { return roll_.has_value(); }
  /// Whether some are being filled.
  [[nodiscard]] bool isAtIt() const { return given_ != nullptr; }
  /// Fills some that cost less than those, on which all lies.
  /// @param patterns of the job, if they are known. @param effort as of a patient beginning.
  /// @returns false where nothing that costs less has the room.
  bool begin(const std::vector<Bin>& bins, const Patterns* patterns, double effort);
  /// Some tries to lay there what is loose: what lies on them, once all does. It gives up where
  /// that gets no further, or `cost` is no more than theirs.
  std::optional<std::vector<Bin>> step(double cost);

 private:
  /// @returns whether any is to be filled.
  bool choose(const std::vector<Bin>& bins);
  bool chooseWithRoll(const std::vector<Bin>& bins);
  /// How full they may be hoped to become, where those of the best are so full.
  [[nodiscard]] double hopedFor(double full);
  /// Those that cost least of what need not be fuller than that; else those with the most room.
  [[nodiscard]] const std::vector<std::size_t>& chosen(double needed, double fullest) const;
  /// Of few pieces, which hardly any two choices serve alike: in turns, mostly such on which little
  /// stayed loose, or which need not be so full if they were not tried yet.
  [[nodiscard]] const std::vector<std::size_t>& soonest(double needed) const;
  bool fill(const Patterns* patterns, double effort);
  /// Of what is being filled.
  void tellLoose(double area);
  double part() { return drawnPart(random_); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  std::optional<std::size_t> roll_;
  bool isApt_ = true;
  bool isOfCopies_ = false;  // of few of each patterns take long and serve less
  bool isOfFew_ = false;
  std::vector<std::vector<std::size_t>> mixes_;  // of stocks
  double mixedFor_ = -1.0;                       // the cost that those are to better
  struct Tried {
    int times = 0;
    double loose = 1.0;  // least of all pieces
  };
  std::map<std::vector<std::size_t>, Tried> tried_;  // by their stocks
  std::vector<std::size_t> givenStocks_;
  double reached_ = 0.0;  // the fullest in vain; 0: none, or fuller ones held all since
  std::unique_ptr<GivenSheets> given_;
  double givenCost_ = 0.0, givenRoom_ = 0.0;
  double byPatterns_ = 1.0, bySheets_ = 1.0;  // how full the last were, begun so; 1: enough
  double leastLoose_ = 0.0;
  int inVain_ = 0;  // tries since less was loose than ever
};

}  // namespace drapery
