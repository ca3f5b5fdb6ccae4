// Ties a method's formulas together: names to numbers, the order of computing, circles.
#pragma once

#include "core/method/method_loader.h"
#include "core/method/rule_reader.h"

namespace drapery {

/// Fills nodes, index, options and order; every mistake goes to `placer`.
void linkMethod(Method& method, IssuePlacer& placer, FormulaCheck check);

}  // namespace drapery
