// The same pieces on the same sheets with more left over in one piece: all sheets but one are
// filled as well as can be, and what is then loose is laid on that one beside a rectangle that is
// to be left, as if it were one piece more.
#pragma once

#include <functional>
#include <random>
#include <vector>

#include "core/cutting/chance.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/one_fewer.h"

namespace drapery {

class LargerOffCut {
 public:
  /// The job outlives it.
  /// @param isEnough whether a try is to be left undone.
  LargerOffCut(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);
  LargerOffCut(const LargerOffCut&) = delete;
  LargerOffCut& operator=(const LargerOffCut&) = delete;

  /// From a lay-out of all; rolls and pins stay as they are.
  void begin(const std::vector<Bin>& bins);
  /// One try; true where more is left than ever, or a sheet is not needed at all.
  bool step();
  [[nodiscard]] std::vector<Bin> bins() const;
  /// What is left over in one piece, um2; of what it began with as much as the sheet with most room
  /// can leave.
  [[nodiscard]] double area() const { return area_; }

 private:
  void restart(std::vector<Bin> sheets);
  [[nodiscard]] double leftOf(const Bin& bin) const;
  void leaveOne(bool isNew);
  bool layLast();
  bool layBeside(double area);
  bool shape(double area);
  double part() { return drawnPart(random_); }

  CutProblem problem_;  // with one piece more, which is to be left
  MaterialJob job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  std::size_t offCut_;  // its kind
  ChanceFiller filler_;
  OneFewer search_;          // for the others
  std::size_t last_ = 0;     // the stock of the one
  double leastLoose_ = 0.0;  // um2
  std::size_t tried_ = 0;    // since one was left out
  std::size_t inVain_ = 0;   // the last of those
  std::vector<Bin> sheets_, others_;
  double area_ = 0.0;
};

}  // namespace drapery
