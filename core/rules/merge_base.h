// Lays a rule file over its base: what the file names replaces the base's field of the same id, all
// else is the base's.
#pragma once

#include "core/diag/node.h"

namespace drapery {

/// The lists of tables in a rule file whose entries are known by their `id`.
bool isListOfRules(std::string_view key);

Node mergeBase(Node base, Node over);

}  // namespace drapery
