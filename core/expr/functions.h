// The functions that formulas in rule files may call: plain arithmetic and the core's geometry.
#pragma once

#include <array>
#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace drapery {

struct FormulaFunction {
  static constexpr std::size_t kMostArguments = 16;
  std::string_view name;
  int arguments;             // -1: two or more
  std::string_view written;  // "formed_gap(setback, edge, board, rod, stiffener)"
  std::string_view meaning;  // one sentence; lengths in mm unless it says otherwise
  double (*call)(const double* arguments, int count);
  /// What each argument must measure, and after '>' what comes of it: N a plain number, L a length,
  /// A an angle, G a grammage, B a bulk, S the same as all other S, R the root of S, * anything.
  std::string_view dimensions;
  bool asks = false;  // also called when an argument is missing
};

const FormulaFunction* findFormulaFunction(std::string_view name);
inline constexpr std::size_t kFormulaFunctionCount = 30;
extern const std::array<FormulaFunction, kFormulaFunctionCount> kFormulaFunctions;
inline const std::array<FormulaFunction, kFormulaFunctionCount>& formulaFunctions() {
  return kFormulaFunctions;
}
std::vector<std::string> formulaFunctionNames();

}  // namespace drapery
