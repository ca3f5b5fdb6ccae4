// A formula's tree: what it reads, says, prints and comes to. muParser is the measure of its
// meaning.
#include "core/expr/formula.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <limits>

#include "core/expr/check_dimensions.h"
#include "core/expr/print_formula.h"
#include "tests/support/mu_formula.h"

namespace drapery {
namespace {

const double kNone = std::numeric_limits<double>::quiet_NaN();

const std::vector<std::pair<std::string, double>> kNames{
    {"width", 144}, {"setback", 7}, {"board.cut_width", 140}, {"flush", 2}, {"lost", kNone}};

/// Linked to kNames.
Formula linked(const std::string& text) {
  auto parsed = Formula::parse(text);
  const auto* fault = std::get_if<FormulaFault>(&parsed);
  EXPECT_EQ(fault, nullptr) << text << ": "
                            << (fault != nullptr ? fault->id.text() : std::string_view());
  if (fault != nullptr) return {};
  Formula formula = std::move(std::get<Formula>(parsed));
  formula.link(
      [](std::string_view name) -> NameMeaning {
        for (std::size_t i = 0; i < kNames.size(); ++i)
          if (kNames[i].first == name) return {NameMeaning::Kind::Slot, i, 0.0};
        return {};
      },
      [](std::size_t, std::string_view) {});
  return formula;
}

std::vector<double> numbers() {
  std::vector<double> all;
  for (const auto& [name, number] : kNames) all.push_back(number);
  return all;
}

double evaluated(const std::string& text) {
  return linked(text).evaluate({numbers().data(), nullptr});
}

FormulaFault faultOf(const std::string& text) {
  const auto parsed = Formula::parse(text);
  EXPECT_TRUE(std::holds_alternative<FormulaFault>(parsed)) << text;
  return std::holds_alternative<FormulaFault>(parsed) ? std::get<FormulaFault>(parsed)
                                                      : FormulaFault{};
}

bool isSame(double a, double b) { return a == b || (std::isnan(a) && std::isnan(b)); }

TEST(Formula, evaluatesOverTheTable) {
  EXPECT_DOUBLE_EQ(evaluated("width - setback + 3"), 140);
  EXPECT_DOUBLE_EQ(evaluated("board.cut_width / 2"), 70);
  EXPECT_DOUBLE_EQ(evaluated("-setback + .5"), -6.5);
  EXPECT_DOUBLE_EQ(evaluated("flush == 2 ? width : 1"), 144);
  EXPECT_DOUBLE_EQ(evaluated("width > 100 && !(setback > 8) ? 1 : 0"), 1);
  EXPECT_DOUBLE_EQ(evaluated("min(width, setback, 9)"), 7);
  EXPECT_DOUBLE_EQ(evaluated("2 ^ 3 ^ 2"), 512);
  EXPECT_DOUBLE_EQ(evaluated("-2 ^ 2"), -4);
  EXPECT_DOUBLE_EQ(evaluated("max(setback,\n  hypot(3, 4))"), 7);
}

// NIST SP 811: 1 in = 25.4 mm.
TEST(Formula, literalsCarryTheirUnits) {
  EXPECT_DOUBLE_EQ(evaluated("width + 3 mm"), 147);
  EXPECT_DOUBLE_EQ(evaluated("1/8 in"), 3.175);
  EXPECT_DOUBLE_EQ(evaluated("7 3/16 in"), 182.5625);
  EXPECT_DOUBLE_EQ(evaluated("2 * 1.5 cm"), 30);
  EXPECT_DOUBLE_EQ(evaluated("3in / 2"), 38.1);
  EXPECT_DOUBLE_EQ(evaluated("90 deg"), 90);
  EXPECT_DOUBLE_EQ(evaluated("1/8"), 0.125);
  EXPECT_DOUBLE_EQ(evaluated("width * 1 / 3"), 48);
  EXPECT_EQ(faultOf("3 ells").id.text(), "formula-syntax");
  EXPECT_EQ(faultOf("7 3/16").id.text(), "formula-syntax");
}

TEST(Formula, withoutAFiniteResultThereIsNone) {
  for (const char* text : {"1 / 0", "sqrt(-1)", "arc_length(10, 6)", "formed_gap(-1, 0, 2, 4, 2)"})
    EXPECT_TRUE(std::isnan(evaluated(text))) << text;
}

TEST(Formula, whatIsMissingSpreads) {
  for (const char* text : {"lost", "lost + 1", "-lost", "!lost", "lost > 3", "lost != lost",
                           "min(lost, 1)", "has(width) ? lost : 1", "lost ? 1 : 2", "lost ^ 0",
                           "lost && 1", "lost || 0", "lost < 3 ? 1 : 2"})
    EXPECT_TRUE(std::isnan(evaluated(text))) << text;
  EXPECT_EQ(evaluated("has(lost) ? lost : setback"), 7);
  EXPECT_EQ(evaluated("has(lost) && lost > 3"), 0);
  EXPECT_EQ(evaluated("1 || lost"), 1);
  EXPECT_EQ(evaluated("lost && 0"), 0);
}

TEST(Formula, faultsCarryTheirPlace) {
  EXPECT_EQ(faultOf("width = 3").id.text(), "formula-assigns");
  EXPECT_EQ(faultOf("width = 3").offset, 6U);
  EXPECT_EQ(faultOf("1,5").id.text(), "formula-two-results");
  for (const char* text :
       {"width +", "(width", "width ** 2", "", "1e3", "1.2.3", "width )", "a ? b"})
    EXPECT_EQ(faultOf(text).id.text(), "formula-syntax") << text;
  EXPECT_EQ(faultOf("hypot(1)").id.text(), "formula-arguments");
  EXPECT_EQ(faultOf("min(1)").id.text(), "formula-arguments");
  EXPECT_EQ(faultOf("1 + sin(1)").id.text(), "formula-unknown-function");
  EXPECT_EQ(faultOf("1 + sin(1)").offset, 4U);
  EXPECT_EQ(faultOf(std::string(5000, '1')).id.text(), "formula-too-long");
  EXPECT_EQ(faultOf(std::string(3000, '(')).id.text(), "formula-too-deep");
  EXPECT_EQ(faultOf(std::string(3000, '-')).id.text(), "formula-too-deep");
}

// A sum as long as is allowed is no deep nest.
TEST(Formula, aLongSumIsOnlyLong) {
  std::string text = "1";
  while (text.size() + 4 <= Formula::kLongest) text += " + 1";
  EXPECT_DOUBLE_EQ(evaluated(text), static_cast<double>((text.size() + 3) / 4));
}

// As many numbers wait for an operation as may, and one more is told.
TEST(Formula, theDeepestThatIsReadIsEvaluated) {
  const auto nested = [](int deep) {
    std::string text = "1";
    for (int i = 0; i < deep; ++i) text = "min(9, 0.5 + " + text + ")";
    return text;
  };
  int deep = 1;
  while (std::holds_alternative<Formula>(Formula::parse(nested(deep + 1)))) ++deep;
  EXPECT_GT(deep, 55);
  EXPECT_EQ(evaluated(nested(deep)), std::min(9.0, 1 + 0.5 * deep));
  EXPECT_EQ(faultOf(nested(deep + 1)).id.text(), "formula-too-deep");
}

TEST(Formula, tellsWhichBranchWasTaken) {
  const Formula formula =
      linked("setback > 9 ? width : flush == 2 ? width - setback : has(lost) ? 1 : 2");
  const auto taken = formula.taken({numbers().data(), nullptr});
  EXPECT_EQ(printFormula(formula, taken), "width - setback");
}

TEST(FormulaFunctions, eachIsWiredToItsNameAsMuParserFindsIt) {
  for (const FormulaFunction& function : formulaFunctions()) {
    const int count = function.arguments > 0 ? function.arguments : 2;
    const double arguments[]{8, 2, 3, 4, 1};
    std::string text(function.name);
    for (int i = 0; i < count; ++i)
      text += (i == 0 ? "(" : ", ") + std::to_string(static_cast<int>(arguments[i]));
    const auto expected = test::muEvaluated(text + ")", {});
    ASSERT_TRUE(expected) << text;
    EXPECT_TRUE(isSame(evaluated(text + ")"), *expected)) << text;
    EXPECT_TRUE(function.written.starts_with(function.name)) << function.written;
    const auto arrow = function.dimensions.find('>');
    EXPECT_EQ(arrow, function.arguments > 0 ? static_cast<std::size_t>(count) : 1U)
        << function.name;
  }
}

RC_GTEST_PROP(FormulaProperty, neverCrashes, (const std::string& text)) {
  const auto parsed = Formula::parse(text);
  if (const auto* formula = std::get_if<Formula>(&parsed)) {
    const double value = formula->evaluate({numbers().data(), nullptr});
    RC_ASSERT(std::isnan(value) || std::isfinite(value));
  }
}

/// A formula of the grammar, over the names in kNames.
std::string anyFormula(int deep) {
  const int form = deep > 0 ? *rc::gen::inRange(0, 8) : *rc::gen::inRange(0, 2);
  const auto part = [deep] { return anyFormula(deep - 1); };
  switch (form) {
    case 0:
      return *rc::gen::element<std::string>("0", "1", "2.5", "40", "7.25");
    case 1:
      return (*rc::gen::elementOf(kNames)).first;
    case 2:
      return "(" + part() + ")";
    case 3:
      return *rc::gen::element<std::string>("-", "!") + "(" + part() + ")";
    case 4:
      return "min(" + part() + ", " + part() + ")";
    case 5:
      return "has(" + part() + ") ? " + part() + " : " + part();
    default:
      return part() + " " +
             *rc::gen::element<std::string>("+", "-", "*", "/", "^", "<", ">",
                                            "<=", ">=", "==", "!=", "&&", "||", "?") +
             " " + part();
  }
}

std::map<std::string, double, std::less<>> withLost(double lost) {
  std::map<std::string, double, std::less<>> all(kNames.begin(), kNames.end());
  all["lost"] = lost;
  return all;
}

/// What an operation finds missing on the way is no number to muParser either, but a comparison
/// would swallow it there: such trees say nothing about the two.
bool hasNoNumberWithin(const Formula& formula, const NumberTable& table) {
  for (Formula::Index i = 0; i < formula.nodes().size(); ++i)
    if (std::isnan(formula.evaluate(table, i))) return true;
  return false;
}

// Outside check: muParser 2.3. Unsound ones among them too: "?" without its other half.
RC_GTEST_PROP(FormulaProperty, saysWhatMuParserSays, ()) {
  const std::string text = anyFormula(4);
  RC_LOG() << text << "\n";
  const auto parsed = Formula::parse(text);
  const auto expected = test::muEvaluated(text, withLost(3.25));
  RC_ASSERT(std::holds_alternative<Formula>(parsed) == expected.has_value());
  RC_PRE(expected.has_value());
  const Formula formula = linked(text);
  std::vector<double> all = numbers();
  all.back() = 3.25;
  RC_PRE(!hasNoNumberWithin(formula, {all.data(), nullptr}));
  RC_ASSERT(isSame(formula.evaluate({all.data(), nullptr}), *expected));
}

/// Whether the tree asks which numbers are there.
bool asks(const Formula& formula) { return formula.text().find("has") != std::string::npos; }

// A result that stands while a number is missing stands whatever the number is.
RC_GTEST_PROP(FormulaProperty, whatStandsWithoutANumberStandsWithAnyOfIt, ()) {
  const std::string text = anyFormula(4);
  RC_PRE(std::holds_alternative<Formula>(Formula::parse(text)));
  const Formula formula = linked(text);
  RC_PRE(!asks(formula));
  const double without = formula.evaluate({numbers().data(), nullptr});
  RC_PRE(!std::isnan(without));
  for (const double lost : {-2.0, 0.0, 3.25, 144.0}) {
    std::vector<double> all = numbers();
    all.back() = lost;
    RC_ASSERT(formula.evaluate({all.data(), nullptr}) == without);
  }
}

// Two things that are written alike: three eighths of an inch, and 3 divided by 8 inches.
TEST(Formula, aQuotientIsNotTakenForAFraction) {
  for (const char* text : {"3 / (8 in)", "2 * 3 / (8 in)", "3 / ((8 in) ^ 2)",
                           "1 / 3 / (8 in) ^ width", "3/8 in", "width / 8 in"}) {
    const Formula formula = std::get<Formula>(Formula::parse(text));
    const auto again = Formula::parse(printFormula(formula, formula.root()));
    ASSERT_TRUE(std::holds_alternative<Formula>(again)) << text;
    EXPECT_EQ(std::get<Formula>(again).nodes().size(), formula.nodes().size()) << text;
  }
}

RC_GTEST_PROP(FormulaProperty, printsWhatReadsBackAsTheSameTree, ()) {
  const std::string text = anyFormula(4);
  const auto parsed = Formula::parse(text);
  RC_PRE(std::holds_alternative<Formula>(parsed));
  const auto& formula = std::get<Formula>(parsed);
  const std::string printed = printFormula(formula, formula.root());
  RC_ASSERT(printed.size() <= text.size() + 8);
  const auto again = Formula::parse(printed);
  RC_ASSERT(std::holds_alternative<Formula>(again));
  const auto& a = formula.nodes();
  const auto& b = std::get<Formula>(again).nodes();
  RC_ASSERT(a.size() == b.size());
  for (std::size_t i = 0; i < a.size(); ++i) {
    RC_ASSERT(a[i].op == b[i].op);
    RC_ASSERT(a[i].begin == b[i].begin);
    RC_ASSERT(a[i].number == b[i].number);
  }
  RC_ASSERT(printFormula(std::get<Formula>(again), b.size() - 1) == printed);
}

// --- what a formula measures

const KnownNames kKnown{
    [](std::string_view name) -> Quantity {
      if (name == "height" || name == "width") return Quantity::of(Dimension::length());
      if (name == "angle") return Quantity::of(Dimension::angle());
      if (name == "leaves" || name == "ratio") return Quantity::of(Dimension::number());
      if (name == "grammage") return Quantity::of(Dimension::grammage());
      if (name == "bulk") return Quantity::of(Dimension::bulk());
      if (name == "shape" || name == "school") return Quantity::choice(name);
      if (name == "flat" || name == "round") return Quantity::option(name);
      return {};
    },
    [](std::string_view choice, std::string_view) { return choice == "shape"; }};

std::vector<std::string> faultsOf(const std::string& text, const Dimension& wanted) {
  const auto parsed = Formula::parse(text);
  std::vector<FormulaFault> faults;
  checkDimensions(std::get<Formula>(parsed), kKnown, wanted, faults);
  std::vector<std::string> ids;
  for (const FormulaFault& fault : faults)
    ids.push_back(std::string(fault.id.text()) + "@" + std::to_string(fault.offset));
  return ids;
}

TEST(Dimensions, whatFitsIsLeftAlone) {
  for (const char* text :
       {"height + 2 * width", "0", "max(0, height)", "height * width / width", "ratio * height",
        "sqrt(height * width)", "(height ^ 2) / width", "shape == flat ? height : 0",
        "height > 3 mm && shape != round ? width : 1/8 in", "caliper(grammage, bulk)",
        "height + unknown", "hypot(height, width)", "arc_depth(height, 1 / 3)", "-height",
        "has(angle) ? height : width", "ceil(height / width) * height"})
    EXPECT_EQ(faultsOf(text, Dimension::length()), std::vector<std::string>{}) << text;
  EXPECT_TRUE(faultsOf("height > 0", Dimension::number()).empty());
  EXPECT_TRUE(faultsOf("arc_angle(height, width)", Dimension::angle()).empty());
}

TEST(Dimensions, mistakesAreToldAtTheirPlace) {
  const auto is = [](const char* text, const char* fault) {
    EXPECT_EQ(faultsOf(text, Dimension::length()), std::vector<std::string>{fault}) << text;
  };
  is("height + angle", "formula-dimension@9");
  is("height + 3", "formula-bare-number@9");
  is("3 - height", "formula-bare-number@0");
  is("3", "formula-bare-number@0");
  is("leaves", "formula-dimension@0");
  is("height * width", "formula-dimension@0");
  is("min(height, angle)", "formula-dimension@12");
  is("min(height, 75)", "formula-bare-number@12");
  is("arc_depth(height, width)", "formula-dimension@18");
  is("shape == height ? height : 0", "formula-choice@9");
  is("school == flat ? height : 0", "formula-choice@10");
  is("shape + height", "formula-dimension@0");
  is("height ? width : 0", "formula-dimension@0");
  is("ceil(height) * width", "formula-dimension@5");
  is("height > 3 ? height : 0", "formula-bare-number@9");
}

}  // namespace
}  // namespace drapery
