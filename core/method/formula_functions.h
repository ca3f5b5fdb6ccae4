// The functions that formulas in rule files may call: plain arithmetic and the core's geometry.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <vector>

namespace drapery {

struct FormulaFunction {
  std::string_view name;
  int arguments;             // -1: two or more
  std::string_view written;  // "formed_gap(setback, edge, board, rod, stiffener)"
  std::string_view meaning;  // one sentence; lengths in mm unless it says otherwise
  double (*call)(const double* arguments, int count);
};

const FormulaFunction* findFormulaFunction(std::string_view name);
inline constexpr std::size_t kFormulaFunctionCount = 24;
const std::array<FormulaFunction, kFormulaFunctionCount>& formulaFunctions();
std::vector<std::string> formulaFunctionNames();

}  // namespace drapery
