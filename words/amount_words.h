// A computed number as a binder reads it.
#pragma once

#include <string>

#include "core/quantity/format_length.h"
#include "core/quantity/units.h"

namespace drapery {

/// "143.5 mm", "≈5 21/32 in", "118°", "0.25"; "–" when there is no number.
std::string amountWords(const Amount& figure, const Notation& notation);

}  // namespace drapery
