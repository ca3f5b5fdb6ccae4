// The same formulas as formula.h, read in one pass: a book needs two hundred of them before its
// first number stands, and muParser takes a hundred times as long to read one. What this does not
// read (a power, a mistake) muParser does, whose results are the measure: a test holds both
// together.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "core/method/formula.h"

namespace drapery {

class QuickFormula {
 public:
  /// Nothing when the text is not sound, or holds what is left to muParser.
  static std::optional<QuickFormula> read(std::string_view text, const NameLookup& lookup);

  /// NaN when it has no finite result.
  [[nodiscard]] double evaluate() const;

 private:
  friend class QuickReading;
  enum class Kind {
    Figure,
    Place,
    Call,
    Negative,
    Not,
    Plus,
    Minus,
    Times,
    Over,
    Is,
    IsNot,
    Below,
    Above,
    AtMost,
    AtLeast,
    And,
    Or,
    Choose
  };
  /// Works on a stack: figures and places are laid on it, all else takes its arguments off and lays
  /// its result on.
  struct Step {
    Kind kind = Kind::Figure;
    double figure = 0.0;
    const double* place = nullptr;
    double (*call)(const double*, int) = nullptr;
    int count = 0;
  };
  static constexpr std::size_t kDeepest = 24;
  static double between(Kind kind, double a, double b);

  std::vector<Step> steps_;
};

}  // namespace drapery
