// A kind of entry in a rule file: [[given]], [[part]], [[finding]] ... Each is one class here that
// reads its entries, ties them to the others, tells them, and says what they come to on a book. A
// new kind is a pair of files in section/, a list in RuleSet, a list in PlannedEntries, and a line
// in sections.cpp.
#pragma once

#include <string_view>
#include <vector>

#include "core/diag/node.h"
#include "core/rules/section/described.h"
#include "core/toml/issue_placer.h"

namespace drapery {

struct RuleSet;
struct PlannedEntries;
class Linker;
class Evaluation;

class Section {
 public:
  Section() = default;
  Section(const Section&) = delete;
  Section& operator=(const Section&) = delete;
  virtual ~Section() = default;

  /// The key of its list of tables: "part".
  [[nodiscard]] virtual std::string_view key() const = 0;
  /// Whether it stands in patterns of sewing; all stand in methods that are not of patterns alone.
  [[nodiscard]] virtual bool isOfPatterns() const { return false; }
  [[nodiscard]] virtual bool isOfMethods() const { return true; }
  /// Adds an entry; every mistake goes to the placer.
  virtual void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const = 0;
  /// Adds the numbers that its entries bring, so that any formula can name them.
  virtual void declare(RuleSet& rules, Linker& linker) const;
  /// Ties its formulas to the numbers that they name and checks them.
  virtual void link(RuleSet& rules, Linker& linker) const = 0;
  /// Its entries for the reference; none for a section that is not told there.
  [[nodiscard]] virtual std::vector<Described> describe(const RuleSet& rules) const;
  /// What its entries come to once every number is known.
  virtual void plan(const RuleSet& rules, const Evaluation& evaluation,
                    PlannedEntries& planned) const;
};

/// In the order in which they are read, linked and planned.
const std::vector<const Section*>& ruleSections();

}  // namespace drapery
