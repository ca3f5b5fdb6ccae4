// A formula as a list of steps, for nothing but being reckoned over and over: the latest number at
// hand, the others waiting on a stack, a name or a figure to the right of a sign taken with the
// sign.
#pragma once

#include <cmath>
#include <cstdint>
#include <limits>
#include <vector>

namespace drapery {

/// The numbers that names stand for while a formula is evaluated.
struct NumberTable {
  const double* numbers = nullptr;  // by slot; NaN where there is none
  const double* locals = nullptr;   // by local slot: the index of a series and its columns
};

struct ProgramStep {
  /// With each sign of two: the right side waited for, in the table, or a figure.
  enum class Do : std::uint8_t {
    Done,
    Slot,
    Local,
    Number,
    Call,
    Negative,
    Not,
    Plus,
    PlusSlot,
    PlusNumber,
    Minus,
    MinusSlot,
    MinusNumber,
    Times,
    TimesSlot,
    TimesNumber,
    Over,
    OverSlot,
    OverNumber,
    Power,
    PowerSlot,
    PowerNumber,
    Is,
    IsSlot,
    IsNumber,
    IsNot,
    IsNotSlot,
    IsNotNumber,
    Below,
    BelowSlot,
    BelowNumber,
    AtMost,
    AtMostSlot,
    AtMostNumber,
    Above,
    AboveSlot,
    AboveNumber,
    AtLeast,
    AtLeastSlot,
    AtLeastNumber,
    And,
    Or,
    SettleAnd,  // after the left side: on to `to` when that alone decides
    SettleOr,
    Unless,  // after a condition: on to `to` when it is not met, to `end` when it cannot be told
    Jump
  };
  Do does = Do::Done;
  std::uint8_t count = 0;  // Call: of its arguments
  std::uint32_t slot = 0;  // of a number; Call: which of the functions
  std::uint32_t to = 0, end = 0;
  double number = 0.0;
};

/// Runs the steps up to Done; NaN when there is no finite result. No more than Formula::kDeepest
/// numbers may have to wait.
double runSteps(const ProgramStep* steps, const NumberTable& table);

/// The same, at once for the many formulas that are one number.
inline double run(const ProgramStep* steps, const NumberTable& table) {
  if (steps[1].does != ProgramStep::Do::Done || steps->does == ProgramStep::Do::Local)
    return runSteps(steps, table);
  const double number =
      steps->does == ProgramStep::Do::Slot ? table.numbers[steps->slot] : steps->number;
  return std::isfinite(number) ? number : std::numeric_limits<double>::quiet_NaN();
}

}  // namespace drapery
