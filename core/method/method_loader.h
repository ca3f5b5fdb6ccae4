// From rule files to a checked Method, or every mistake of meaning in them at once.
#pragma once

#include "core/method/method.h"
#include "core/method/method_source.h"

namespace drapery {

struct LoadedMethod {
  MethodPtr method;  // null when there are issues
  Issues issues;     // each with file, line, column and the line itself
};

/// Whether each formula is tried by muParser while loading. Files that ship with the program are
/// tried by the tests, so a start need not do it again.
enum class FormulaCheck { Full, NamesOnly };

LoadedMethod loadMethod(const MethodSource& source, const BaseLookup& bases,
                        FormulaCheck check = FormulaCheck::Full);

}  // namespace drapery
