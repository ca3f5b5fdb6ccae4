// What the binder says: a measure taken ([[given]]) or a decision with a usual value
// ([[allowance]]).
#pragma once

#include <string>
#include <vector>

#include "core/rules/moment.h"
#include "core/rules/rule_formula.h"
#include "core/rules/section.h"
#include "core/toml/sourced.h"

namespace drapery {

enum class InputRole { Given, Allowance };
/// Quantities that are neither a length, a count nor a choice are plain figures in their own unit.
enum class InputKind { Length, Ratio, Count, Choice, Angle, Grammage, Bulk, Time, Money };

/// A choice has none of its own.
Dimension dimensionOf(InputKind kind);

/// Figures that go with the options of a choice, as a sheet's width goes with its name: read in
/// formulas as "sheet.width".
struct ChoiceColumn {
  std::string id;
  Unit unit = Unit::Millimetre;
  std::vector<double> figures;  // one for each option
};

struct InputRule {
  std::string id;
  std::vector<std::string> was;  // ids that it had in former versions
  InputRole role = InputRole::Given;
  InputKind kind = InputKind::Length;
  LocalText title;
  LocalText ask;      // the question to a newcomer while nothing was said; may be empty
  LocalText measure;  // how to measure or choose it
  std::vector<std::string> places;     // where it is measured: "head"; empty: anywhere
  std::vector<LocalText> placeTitles;  // one for each
  std::string practice;
  double least = 0.0;  // mm for a length
  double most = 0.0;
  RuleFormula fallback;                 // the usual value; empty: none
  RuleFormula inchFallback;             // in books in inches; empty: the same
  bool optional = false;                // may be left out, also when nothing else supplies it
  RuleFormula when;                     // where it counts; empty: always
  RuleFormula otherwise;                // its value where it does not; empty: none
  Moment settles = Moment::Never;       // until then it can still be changed
  bool isCompared = false;              // told where methods stand side by side
  bool scales = false;                  // goes along with a book's size
  std::vector<std::string> materials;   // kinds of material that a job may name for it
  std::string property;                 // what of the material it takes: "thickness"
  std::vector<std::string> options;     // Choice
  std::vector<LocalText> optionTitles;  // one for each option
  std::vector<std::pair<std::string, std::string>> optionsWere;  // a former option, the present one
  std::vector<ChoiceColumn> columns;
  SourcePosition at;
};

class InputSection : public Section {
 public:
  explicit InputSection(InputRole role) : role_(role) {}
  [[nodiscard]] std::string_view key() const override {
    return role_ == InputRole::Given ? "given" : "allowance";
  }
  [[nodiscard]] bool isOfPatterns() const override { return true; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void declare(RuleSet& rules, Linker& linker) const override;
  void link(RuleSet& rules, Linker& linker) const override;

 private:
  InputRole role_;
};

}  // namespace drapery
