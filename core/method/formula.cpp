#include "core/method/formula.h"

#include <muParser.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <limits>

#include "core/method/formula_functions.h"

namespace drapery {

namespace {

bool startsName(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_'; }
bool isDigit(char c) { return c >= '0' && c <= '9'; }
bool continuesName(char c) { return startsName(c) || isDigit(c) || c == '.'; }

constexpr const char* kNameChars =
    "0123456789_.abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";

/// muParser reads numbers through a stream in some locale; this reads them as files write them.
int readNumber(const char* text, int* position, double* value) {
  if (!isDigit(*text) && *text != '.') return 0;
  const char* end = text;
  while (isDigit(*end) || *end == '.') ++end;
  const auto result = std::from_chars(text, end, *value, std::chars_format::fixed);
  if (result.ec != std::errc()) return 0;
  *position += static_cast<int>(result.ptr - text);
  return 1;
}

/// An '=' that is not part of a comparison assigns in muParser.
std::optional<std::size_t> assignmentIn(std::string_view text) {
  for (std::size_t i = 0; i < text.size(); ++i) {
    if (text[i] != '=') continue;
    if (i + 1 < text.size() && text[i + 1] == '=') {
      ++i;
      continue;
    }
    const char before = i > 0 ? text[i - 1] : ' ';
    if (before != '<' && before != '>' && before != '!') return i;
  }
  return std::nullopt;
}

template <std::size_t Index>
double callOf(const double* arguments, int count) {
  return formulaFunctions()[Index].call(arguments, count);
}

/// muParser hands over numbers, not a context, so each function of the table needs a plain function
/// of its own: one per index and per number of arguments.
template <std::size_t Index>
struct Shim {
  static double one(double a) { return callOf<Index>(&a, 1); }
  static double two(double a, double b) {
    const double all[]{a, b};
    return callOf<Index>(all, 2);
  }
  static double three(double a, double b, double c) {
    const double all[]{a, b, c};
    return callOf<Index>(all, 3);
  }
  static double four(double a, double b, double c, double d) {
    const double all[]{a, b, c, d};
    return callOf<Index>(all, 4);
  }
  static double five(double a, double b, double c, double d, double e) {
    const double all[]{a, b, c, d, e};
    return callOf<Index>(all, 5);
  }
  static double any(const double* all, int count) {
    if (count < 2) return std::numeric_limits<double>::quiet_NaN();
    for (int i = 0; i < count; ++i)
      if (std::isnan(all[i])) return all[i];
    return callOf<Index>(all, count);
  }
};

template <std::size_t Index>
bool defineAt(mu::ParserBase& parser, const std::string& name) {
  const FormulaFunction& function = formulaFunctions()[Index];
  if (function.name != name) return false;
  switch (function.arguments) {
    case 1:
      parser.DefineFun(name, Shim<Index>::one);
      break;
    case 2:
      parser.DefineFun(name, Shim<Index>::two);
      break;
    case 3:
      parser.DefineFun(name, Shim<Index>::three);
      break;
    case 4:
      parser.DefineFun(name, Shim<Index>::four);
      break;
    case 5:
      parser.DefineFun(name, Shim<Index>::five);
      break;
    default:
      parser.DefineFun(name, Shim<Index>::any);
      break;
  }
  return true;
}

template <std::size_t... Index>
bool defineFunction(mu::ParserBase& parser, const std::string& name,
                    std::index_sequence<Index...>) {
  return (defineAt<Index>(parser, name) || ...);
}

}  // namespace

namespace {

/// Whether what ends at `at` belongs to a condition, "... ?", of its own or an outer level.
bool isInCondition(std::string_view formula, std::size_t at) {
  int depth = 0;
  bool isPast = false;  // what follows on this level is another branch or argument
  for (; at < formula.size(); ++at) {
    const char c = formula[at];
    if (c == '(') ++depth;
    if (c == ')' && depth-- == 0) {
      depth = 0;
      isPast = false;
    }
    if (depth != 0) continue;
    if (c == ':' || c == ',') isPast = true;
    if (c == '?' && !isPast) return true;
  }
  return false;
}

}  // namespace

std::vector<FormulaName> namesIn(std::string_view formula) {
  const bool hasBranches = formula.find('?') != std::string_view::npos;
  std::vector<FormulaName> names;
  for (std::size_t i = 0; i < formula.size();) {
    if (isDigit(formula[i]) || formula[i] == '.') {
      while (i < formula.size() && (isDigit(formula[i]) || formula[i] == '.')) ++i;
      continue;
    }
    if (!startsName(formula[i])) {
      ++i;
      continue;
    }
    const std::size_t begin = i;
    while (i < formula.size() && continuesName(formula[i])) ++i;
    const std::size_t next = formula.find_first_not_of(' ', i);
    const bool isCall = next != std::string_view::npos && formula[next] == '(';
    const bool isAsked = !names.empty() && names.back().isCall && names.back().name == "has" &&
                         formula.find_first_not_of(" (", names.back().offset + 3) == begin;
    const bool isBranch = hasBranches && !isInCondition(formula, i);
    names.push_back({formula.substr(begin, i - begin), begin, isCall, isAsked, isBranch});
  }
  return names;
}

/// muParser without its own functions and constants: only what rule files may use.
class Formula::Parser : public mu::ParserBase {
 public:
  Parser() {
    InitCharSets();
    InitOprt();
    AddValIdent(readNumber);
  }

 protected:
  void InitCharSets() override {
    DefineNameChars(kNameChars);
    DefineOprtChars("+-*/^<>=!&|?:");
    DefineInfixOprtChars("-+!");
  }
  void InitFun() override {}
  void InitConst() override {}
  void InitOprt() override {
    DefineInfixOprt("-", [](double a) { return -a; });
    DefineInfixOprt("!", [](double a) { return a == 0.0 ? 1.0 : 0.0; });
  }
};

Formula::Formula(std::unique_ptr<Parser> parser) : parser_(std::move(parser)) {}
Formula::Formula(Formula&&) noexcept = default;
Formula& Formula::operator=(Formula&&) noexcept = default;
Formula::~Formula() = default;

namespace {

/// Binds every name that the text uses; the first that nobody knows is the fault.
std::optional<FormulaFault> bindNames(mu::ParserBase& parser, const std::string& text,
                                      const NameLookup& lookup) {
  for (const FormulaName& used : namesIn(text)) {
    const std::string name(used.name);
    if (used.isCall) {
      if (defineFunction(parser, name, std::make_index_sequence<kFormulaFunctionCount>())) continue;
      return FormulaFault{"formula-unknown-function", name, used.offset};
    }
    const auto found = lookup(name);
    if (const auto* variable = std::get_if<double*>(&found)) {
      parser.DefineVar(name, *variable);
    } else if (const auto* constant = std::get_if<double>(&found)) {
      parser.DefineConst(name, *constant);
    } else {
      return FormulaFault{"formula-unknown-name", name, used.offset};
    }
  }
  return std::nullopt;
}

}  // namespace

std::variant<Formula, FormulaFault> Formula::compile(const std::string& text,
                                                     const NameLookup& lookup) {
  if (const auto at = assignmentIn(text)) return FormulaFault{"formula-assigns", "=", *at};
  auto parser = std::make_unique<Parser>();
  try {
    if (auto fault = bindNames(*parser, text, lookup)) return *fault;
    parser->SetExpr(text);
    parser->Eval();
    if (parser->GetNumResults() > 1)
      return FormulaFault{"formula-two-results", ",", text.find(',')};
  } catch (const mu::ParserError& error) {
    const std::size_t at =
        std::min(static_cast<std::size_t>(std::max(0, error.GetPos())), text.size());
    return FormulaFault{"formula-syntax", error.GetToken(), at};
  }
  return Formula(std::move(parser));
}

double Formula::evaluate() const {
  const double value = parser_->Eval();
  return std::isfinite(value) ? value : std::numeric_limits<double>::quiet_NaN();
}

}  // namespace drapery
