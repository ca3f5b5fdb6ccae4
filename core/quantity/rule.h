// The rule in hand: the finest mark a binder cuts to.
#pragma once

#include "core/quantity/length.h"
#include "core/quantity/units.h"

namespace drapery {

enum class Rounding { Nearest, Up, Down };

/// Rounds to a whole number of marks. Nearest: ties go away from zero. A length within a
/// millionth of a mark counts as on it, so that floating-point dust never costs a whole mark.
/// `mark` must be positive.
Length roundTo(Length length, Length mark, Rounding direction);

/// 0.5 mm or 1/32 in.
Length defaultMark(Units units);

}  // namespace drapery
