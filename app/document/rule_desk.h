// Where the house's own rules are changed: what the notes ask of it.
#pragma once

#include <optional>
#include <string>

#include "core/rules/load_rules.h"
#include "store/house_rules.h"

namespace drapery {

class RuleDesk {
 public:
  RuleDesk() = default;
  RuleDesk(const RuleDesk&) = delete;
  RuleDesk& operator=(const RuleDesk&) = delete;
  virtual ~RuleDesk() = default;

  /// Whether the open book goes by a house's own rules.
  [[nodiscard]] virtual bool isHouse() const = 0;
  /// The file that they stand in, to be shared as it is; empty where they are no house's.
  [[nodiscard]] virtual std::string file() const = 0;
  /// What the house's file says there; none where it leaves it to its base.
  [[nodiscard]] virtual std::optional<std::string> said(const RulePlace& place) const = 0;
  /// The rules as they would be, nothing written; or their issues, and in which of the edits, and
  /// where in its text, the first of them stands.
  struct Trial {
    LoadedRules loaded;
    std::size_t wrong = 0;
    std::optional<std::size_t> wrongAt;
  };
  [[nodiscard]] virtual Trial tryOut(const RuleEdits& edits) const = 0;
  /// Writes them to the house's file on the open book's method, which is begun if there is none,
  /// and plans the book by it: one undo step.
  virtual Issues keep(const RuleEdits& edits) = 0;
};

}  // namespace drapery
