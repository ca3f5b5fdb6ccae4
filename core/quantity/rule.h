// The rule in hand: its resolution is the finest step a binder cuts to.
#pragma once

#include "core/quantity/length.h"
#include "core/quantity/units.h"

namespace drapery {

enum class Rounding { Nearest, Up, Down };

/// Rounds to a whole number of marks. Nearest: ties go away from zero. A length within a
/// millionth of a mark counts as on it, so that floating-point dust never costs a whole mark.
/// `resolution`, the distance of two marks, must be positive.
Length roundTo(Length length, Length resolution, Rounding direction);

/// 0.5 mm or 1/32 in.
Length usualResolution(Units units);

}  // namespace drapery
