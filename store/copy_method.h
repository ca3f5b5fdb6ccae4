// A house's own rules, begun as a copy of a method.
#pragma once

#include <string>
#include <variant>

#include "core/rules/rule_library.h"

namespace drapery {

/// The text of a house's own rule file on `id`: all that the method itself says, under the new id
/// and on the method as its base, so that what is taken out again comes from there. The issues say
/// why there is none: "method-unknown", or what is wrong with the method's own file.
std::variant<std::string, Issues> houseCopy(const RuleLibrary& library, const std::string& id,
                                            const std::string& newId);

/// Writes `<id>-house.toml` into `folder`, which is made if need be, and gives its path. Never
/// over another file: "file-there". Nothing is written when there are issues.
std::variant<std::string, Issues> writeHouseCopy(const RuleLibrary& library, const std::string& id,
                                                 const std::string& folder);

}  // namespace drapery
