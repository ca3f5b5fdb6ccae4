// From rule files to a checked rule set, or every mistake of meaning in them at once.
#pragma once

#include <functional>
#include <optional>

#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/toml/toml_file.h"

namespace drapery {

/// Finds the file of a base by its id.
using BaseLookup = std::function<std::optional<TomlFile>(std::string_view id)>;

struct LoadedRules {
  RuleSetPtr rules;  // null when there are issues
  Issues issues;     // each with file, line, column and the line itself
};

/// A file's id is its name without ".toml". The fingerprint is of all texts that were read.
LoadedRules loadRules(const TomlFile& source, const BaseLookup& bases,
                      FormulaCheck check = FormulaCheck::Full);
/// A pattern of sewing, laid over `ground`, which says what every pattern may name. Its id need not
/// be its file's name.
LoadedRules loadPattern(const TomlFile& source, const BaseLookup& bases, const TomlFile& ground);

}  // namespace drapery
