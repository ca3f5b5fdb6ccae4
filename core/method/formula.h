// One formula of a rule file, evaluated by muParser over a table of numbers.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace drapery {

/// A name as it stands in a formula, whose text it is a part of.
struct FormulaName {
  std::string_view name;
  std::size_t offset = 0;  // byte, from 0
  bool isCall = false;     // a '(' follows
  bool isAsked = false;    // stands in has(...): the formula copes when it is missing
  bool isBranch = false;   // stands in no condition of a ? : and may miss while it is not taken
};

/// Every name in the text, in order, without being able to tell whether the text is sound.
std::vector<FormulaName> namesIn(std::string_view formula);

struct FormulaFault {
  std::string id;    // of the issue: "formula-syntax", "formula-assigns", "formula-two-results" ...
  std::string what;  // the token or name at fault
  std::size_t offset = 0;
};

/// Where a formula finds the numbers behind its names: a place that outlives the formula, or a
/// constant.
using NameLookup = std::function<std::variant<std::monostate, double*, double>(std::string_view)>;

/// Compiled once, evaluated often; not shared between threads.
class Formula {
 public:
  /// Fails with the fault when the text is not a formula over the names that `lookup` knows.
  static std::variant<Formula, FormulaFault> compile(const std::string& text,
                                                     const NameLookup& lookup);
  Formula(Formula&&) noexcept;
  Formula& operator=(Formula&&) noexcept;
  ~Formula();

  /// NaN when it has no finite result (a root of a negative number, a division by 0, a name without
  /// a number).
  [[nodiscard]] double evaluate() const;

 private:
  class Parser;
  explicit Formula(std::unique_ptr<Parser> parser);
  std::unique_ptr<Parser> parser_;
};

}  // namespace drapery
