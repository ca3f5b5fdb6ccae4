// A length of the cutting, which reckons in whole micrometres, as one that is told.
#pragma once

#include "core/cutting/cut_problem.h"
#include "core/quantity/length.h"

namespace drapery {

/// Whole micrometres stand for the mark of an inch rule (a 64th) that lies there; those of several
/// pieces side by side, each rounded for itself, may be some off it.
Length toldLength(Micrometres length);

}  // namespace drapery
