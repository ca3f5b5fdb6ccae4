#include "tests/support/mu_formula.h"

#include <muParser.h>

#include <array>
#include <charconv>
#include <cmath>
#include <limits>

#include "core/expr/functions.h"

namespace drapery::test {

namespace {

/// muParser hands over numbers, not a context, so each function needs a plain function of its own.
template <std::size_t Index>
double called(const double* arguments, int count) {
  return formulaFunctions()[Index].call(arguments, count);
}

template <std::size_t Index>
void define(mu::Parser& parser) {
  const FormulaFunction& function = formulaFunctions()[Index];
  const std::string name(function.name);
  switch (function.arguments) {
    case 1:
      return parser.DefineFun(
          name, +[](double a) { return called<Index>(&a, 1); });
    case 2:
      return parser.DefineFun(
          name, +[](double a, double b) {
            return called<Index>(std::array{a, b}.data(), 2);
          });
    case 3:
      return parser.DefineFun(
          name, +[](double a, double b, double c) {
            return called<Index>(std::array{a, b, c}.data(), 3);
          });
    case 4:
      return parser.DefineFun(
          name, +[](double a, double b, double c, double d) {
            return called<Index>(std::array{a, b, c, d}.data(), 4);
          });
    case 5:
      return parser.DefineFun(
          name, +[](double a, double b, double c, double d, double e) {
            return called<Index>(std::array{a, b, c, d, e}.data(), 5);
          });
    default:
      return parser.DefineFun(
          name, +[](const double* all, int count) {
            for (int i = 0; i < count; ++i)
              if (std::isnan(all[i])) return all[i];
            return called<Index>(all, count);
          });
  }
}

template <std::size_t... Index>
void defineAll(mu::Parser& parser, std::index_sequence<Index...>) {
  (define<Index>(parser), ...);
}

}  // namespace

std::optional<double> muEvaluated(const std::string& text,
                                  const std::map<std::string, double, std::less<>>& numbers) {
  mu::Parser parser;
  parser.ClearFun();
  parser.ClearConst();
  parser.DefineNameChars("0123456789_.abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ");
  parser.DefineInfixOprt("!", [](double a) { return a == 0.0 ? 1.0 : 0.0; });
  defineAll(parser, std::make_index_sequence<kFormulaFunctionCount>());
  // Not as constants: muParser 2.3 takes 0.125 for 0 where it folds && over two of them.
  auto places = numbers;
  for (auto& [name, number] : places) parser.DefineVar(name, &number);
  try {
    parser.SetExpr(text);
    const double value = parser.Eval();
    if (parser.GetNumResults() > 1) return std::nullopt;
    return std::isfinite(value) ? value : std::numeric_limits<double>::quiet_NaN();
  } catch (const mu::ParserError&) {
    return std::nullopt;
  }
}

}  // namespace drapery::test
