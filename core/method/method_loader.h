// From rule files to a checked Method, or every mistake of meaning in them at once.
#pragma once

#include <functional>
#include <optional>

#include "core/method/method.h"
#include "core/toml/toml_file.h"

namespace drapery {

/// Finds the file of a base by its id.
using BaseLookup = std::function<std::optional<TomlFile>(std::string_view id)>;

struct LoadedMethod {
  MethodPtr method;  // null when there are issues
  Issues issues;     // each with file, line, column and the line itself
};

/// Whether each formula is tried by muParser while loading. Files that ship with the program are
/// tried by the tests, so a start need not do it again.
enum class FormulaCheck { Full, NamesOnly };

LoadedMethod loadMethod(const TomlFile& source, const BaseLookup& bases,
                        FormulaCheck check = FormulaCheck::Full);

}  // namespace drapery
