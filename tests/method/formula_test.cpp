#include "core/method/formula.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <map>

#include "core/method/dependency_order.h"
#include "core/method/formula_functions.h"
#include "core/method/quick_formula.h"

namespace drapery {
namespace {

std::map<std::string, double, std::less<>> numbers{
    {"width", 144}, {"setback", 7}, {"board.cut_width", 140}};

std::variant<std::monostate, double*, double> lookup(std::string_view name) {
  if (const auto found = numbers.find(name); found != numbers.end()) return &found->second;
  if (name == "flush") return 2.0;
  return std::monostate();
}

double evaluated(const std::string& text) {
  const auto compiled = Formula::compile(text, lookup);
  const auto* fault = std::get_if<FormulaFault>(&compiled);
  EXPECT_EQ(fault, nullptr) << text << ": " << (fault != nullptr ? fault->id : "");
  return fault != nullptr ? std::nan("") : std::get<Formula>(compiled).evaluate();
}

FormulaFault faultOf(const std::string& text) {
  const auto compiled = Formula::compile(text, lookup);
  EXPECT_TRUE(std::holds_alternative<FormulaFault>(compiled)) << text;
  return std::holds_alternative<FormulaFault>(compiled) ? std::get<FormulaFault>(compiled)
                                                        : FormulaFault{};
}

TEST(Formula, evaluatesOverTheTable) {
  EXPECT_DOUBLE_EQ(evaluated("width - setback + 3"), 140);
  EXPECT_DOUBLE_EQ(evaluated("board.cut_width / 2"), 70);
  EXPECT_DOUBLE_EQ(evaluated("-setback + .5"), -6.5);
  EXPECT_DOUBLE_EQ(evaluated("flush == 2 ? width : 1"), 144);
  EXPECT_DOUBLE_EQ(evaluated("width > 100 && !(setback > 8) ? 1 : 0"), 1);
  EXPECT_DOUBLE_EQ(evaluated("min(width, setback, 9)"), 7);
  EXPECT_DOUBLE_EQ(evaluated("max(setback, hypot(3, 4))"), 7);
}

TEST(Formula, readsTheTableAnewAtEachEvaluation) {
  const auto compiled = Formula::compile("width + 1", lookup);
  const auto& formula = std::get<Formula>(compiled);
  numbers["width"] = 200;
  EXPECT_DOUBLE_EQ(formula.evaluate(), 201);
  numbers["width"] = 144;
  EXPECT_DOUBLE_EQ(formula.evaluate(), 145);
}

TEST(Formula, withoutAFiniteResultThereIsNone) {
  for (const char* text : {"1 / 0", "sqrt(-1)", "arc_length(10, 6)", "formed_gap(-1, 0, 2, 4, 2)"})
    EXPECT_TRUE(std::isnan(evaluated(text))) << text;
}

TEST(Formula, faultsCarryTheirPlace) {
  EXPECT_EQ(faultOf("width = 3").id, "formula-assigns");
  EXPECT_EQ(faultOf("width = 3").offset, 6U);
  EXPECT_EQ(faultOf("1,5").id, "formula-two-results");
  EXPECT_EQ(faultOf("width +").id, "formula-syntax");
  EXPECT_EQ(faultOf("(width").id, "formula-syntax");
  EXPECT_EQ(faultOf("width ** 2").id, "formula-syntax");
  EXPECT_EQ(faultOf("hypot(1)").id, "formula-syntax");
  EXPECT_EQ(faultOf("widht + 1").id, "formula-unknown-name");
  EXPECT_EQ(faultOf("1 + widht").offset, 4U);
  EXPECT_EQ(faultOf("sin(1)").id, "formula-unknown-function");
  EXPECT_EQ(faultOf(std::string(30000, '1')).id, "formula-syntax");
}

TEST(FormulaNames, areFoundInOrder) {
  const auto names = namesIn("has(strip) ? strip : arc_length (span, 2.5e) + board.cut_width");
  ASSERT_EQ(names.size(), 7U);
  EXPECT_TRUE(names[0].isCall);
  EXPECT_TRUE(names[1].isAsked);
  EXPECT_FALSE(names[2].isAsked);
  EXPECT_TRUE(names[3].isCall);
  EXPECT_EQ(names[6].name, "board.cut_width");
}

TEST(FormulaFunctions, eachIsWiredToItsName) {
  for (const FormulaFunction& function : formulaFunctions()) {
    ASSERT_NE(function.call, nullptr) << function.name;
    const int count = function.arguments > 0 ? function.arguments : 2;
    const double arguments[]{8, 2, 3, 4, 1};
    std::string text(function.name);
    for (int i = 0; i < count; ++i) text += (i == 0 ? "(" : ", ") + std::to_string(arguments[i]);
    const double expected = function.call(arguments, count);
    if (std::isfinite(expected)) {
      EXPECT_DOUBLE_EQ(evaluated(text + ")"), expected) << text;
    }
    EXPECT_TRUE(function.written.starts_with(function.name)) << function.written;
  }
}

RC_GTEST_PROP(FormulaProperty, neverCrashes, (const std::string& text)) {
  const auto compiled = Formula::compile(text, lookup);
  if (const auto* formula = std::get_if<Formula>(&compiled)) {
    const double value = formula->evaluate();
    RC_ASSERT(std::isnan(value) || std::isfinite(value));
  }
}

/// A formula of the grammar, over the names that `lookup` knows.
std::string anyFormula(int deep) {
  const int form = deep > 0 ? *rc::gen::inRange(0, 8) : *rc::gen::inRange(0, 2);
  const auto part = [deep] { return anyFormula(deep - 1); };
  switch (form) {
    case 0:
      return *rc::gen::element<std::string>("0", "1", "2.5", "40", "0.125");
    case 1:
      return *rc::gen::element<std::string>("width", "flush", "setback");
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
             *rc::gen::element<std::string>("+", "-", "*", "/", "<", ">",
                                            "<=", ">=", "==", "!=", "&&", "||", "?") +
             " " + part();
  }
}

// Outside check: muParser is the measure of what a formula means. Unsound ones among them too: "?"
// without its other half.
RC_GTEST_PROP(QuickFormulaProperty, saysWhatMuParserSays, ()) {
  const std::string text = anyFormula(4);
  const auto quick = QuickFormula::read(text, lookup);
  const auto compiled = Formula::compile(text, lookup);
  const auto* slow = std::get_if<Formula>(&compiled);
  RC_ASSERT(!quick || slow != nullptr);  // never more than muParser allows
  RC_PRE(quick.has_value());
  const double a = quick->evaluate(), b = slow->evaluate();
  RC_ASSERT(a == b || (std::isnan(a) && std::isnan(b)));
}

RC_GTEST_PROP(QuickFormulaProperty, neverCrashes, (const std::string& text)) {
  if (const auto quick = QuickFormula::read(text, lookup)) {
    const double value = quick->evaluate();
    RC_ASSERT(std::isnan(value) || std::isfinite(value));
  }
}

TEST(QuickFormula, leavesToMuParserWhatItDoesNotRead) {
  for (const char* text : {"width ^ 2", "width +", "(width", "min(1)", "hypot(1)", "1e3", "1.2.3",
                           "width = 3", "nobody", "", "1 2", "sin(1)"})
    EXPECT_FALSE(QuickFormula::read(text, lookup)) << text;
  EXPECT_FALSE(QuickFormula::read(std::string(9000, '(') + "1", lookup));
  EXPECT_FALSE(QuickFormula::read(std::string(9000, '-') + "1", lookup));
}

TEST(DependencyOrder, eachAfterAllThatItUses) {
  const auto result = orderByDependence({{1, 2}, {3}, {3}, {}});
  EXPECT_EQ(result.order, (std::vector<std::size_t>{3, 1, 2, 0}));
  EXPECT_TRUE(result.circle.empty());
}

TEST(DependencyOrder, aCircleIsShownAsAChain) {
  const auto result = orderByDependence({{1}, {2}, {3}, {1}});
  EXPECT_EQ(result.circle, (std::vector<std::size_t>{1, 2, 3, 1}));
  EXPECT_EQ(orderByDependence({{0}}).circle, (std::vector<std::size_t>{0, 0}));
}

TEST(DependencyOrder, aLongChainNeedsNoDeepStack) {
  std::vector<std::vector<std::size_t>> uses(200'000);
  for (std::size_t i = 0; i + 1 < uses.size(); ++i) uses[i].push_back(i + 1);
  EXPECT_EQ(orderByDependence(uses).order.front(), uses.size() - 1);
}

RC_GTEST_PROP(DependencyOrderProperty, holdsForAnyGraph, ()) {
  const auto count = static_cast<std::size_t>(*rc::gen::inRange(1, 30));
  std::vector<std::vector<std::size_t>> uses(count);
  for (auto& list : uses)
    list = *rc::gen::container<std::vector<std::size_t>>(
        static_cast<std::size_t>(*rc::gen::inRange(0, 3)), rc::gen::inRange<std::size_t>(0, count));
  const auto result = orderByDependence(uses);
  if (result.circle.empty()) {
    std::vector<std::size_t> place(count);
    RC_ASSERT(result.order.size() == count);
    for (std::size_t i = 0; i < count; ++i) place[result.order[i]] = i;
    for (std::size_t i = 0; i < count; ++i)
      for (const std::size_t used : uses[i]) RC_ASSERT(place[used] < place[i]);
  } else {
    RC_ASSERT(result.circle.front() == result.circle.back());
    for (std::size_t i = 0; i + 1 < result.circle.size(); ++i) {
      const auto& list = uses[result.circle[i]];
      RC_ASSERT(std::find(list.begin(), list.end(), result.circle[i + 1]) != list.end());
    }
  }
}

}  // namespace
}  // namespace drapery
