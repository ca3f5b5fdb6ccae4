// Any bytes are a formula or are refused; one that is sound prints as what reads back alike, and
// has a finite result or none.
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <string>

#include "core/expr/check_dimensions.h"
#include "core/expr/print_formula.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace drapery;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  auto parsed = Formula::parse(text);
  if (const auto* fault = std::get_if<FormulaFault>(&parsed)) {
    if (fault->id.text().empty() || fault->offset > text.size()) std::abort();
    return 0;
  }
  Formula formula = std::move(std::get<Formula>(parsed));
  const double numbers[]{3.25, 0.0, -7.0, std::nan("")};
  formula.link(
      [](std::string_view name) {
        return NameMeaning{NameMeaning::Kind::Slot, name.size() % 4, 0.0};
      },
      [](std::size_t, std::string_view) {});
  const NumberTable table{numbers, nullptr};
  const double value = formula.evaluate(table);
  if (std::isinf(value) || formula.taken(table) > formula.root()) std::abort();
  std::vector<FormulaFault> faults;
  checkDimensions(formula,
                  {[](std::string_view) { return Quantity(); },
                   [](std::string_view, std::string_view) { return false; }},
                  Dimension::length(), faults);
  const std::string printed = printFormula(formula, formula.root());
  if (printed.size() > Formula::kLongest) return 0;
  const auto again = Formula::parse(printed);
  // The brackets that set a sign apart may be one too many.
  if (const auto* fault = std::get_if<FormulaFault>(&again);
      fault != nullptr && fault->id == "formula-too-deep")
    return 0;
  const auto* same = std::get_if<Formula>(&again);
  if (same == nullptr || same->nodes().size() != formula.nodes().size()) std::abort();
  return 0;
}
