// A house's own rule file, changed entry by entry.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/rules/rule_library.h"

namespace drapery {

/// `key` of the entry with that id in a list of tables: "derive", "board_width", "formula".
struct RulePlace {
  std::string list, id, key;
  friend bool operator==(const RulePlace& a, const RulePlace& b) {
    return a.list == b.list && a.id == b.id && a.key == b.key;
  }
};

/// What it is to say; nothing: the base's own again.
struct RuleEdit {
  RulePlace place;
  std::optional<std::string> text;
};

/// Several at once, each of another place.
using RuleEdits = std::vector<RuleEdit>;

/// A file on the method that says nothing of its own yet. Other than a copy of all (see
/// copy_method.h): what is not changed goes along with the method.
std::string houseBegun(const RuleLibrary& library, const std::string& id, const std::string& newId);

/// What a file's text says there, escapes undone; none where it says nothing.
std::optional<std::string> ruleText(const std::string& file, const RulePlace& place);

/// The file's text with that said; every other byte stays. An entry that is not there comes at the
/// end.
std::string withRuleEdit(std::string file, const RuleEdit& edit);
std::string withRuleEdits(std::string file, const RuleEdits& edits);

/// Where a byte of what is said there stands in it; none for a position that is elsewhere.
std::optional<std::size_t> offsetIn(const std::string& file, const RulePlace& place, int line,
                                    int column);

}  // namespace drapery
