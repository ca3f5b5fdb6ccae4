#include "core/expr/functions.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/geometry/arc.h"
#include "core/geometry/joint.h"
#include "core/geometry/sheet.h"
#include "core/geometry/thread_bundle.h"
#include "core/quantity/rule.h"

namespace drapery {

namespace {

const double kNone = std::numeric_limits<double>::quiet_NaN();
Length mm(double value) { return Length::fromMm(value); }

/// setback, edge, board, stiffener
Joint jointOf(double setback, double edge, double board, double stiffener) {
  return {mm(setback), mm(edge), mm(board), mm(stiffener)};
}

// Each takes the arguments in the order that `written` shows.
double least(const double* a, int n) { return *std::min_element(a, a + n); }
double greatest(const double* a, int n) { return *std::max_element(a, a + n); }
double magnitude(const double* a, int) { return std::abs(a[0]); }
double root(const double* a, int) { return std::sqrt(a[0]); }
double diagonal(const double* a, int) { return std::hypot(a[0], a[1]); }
double isGiven(const double* a, int) { return std::isnan(a[0]) ? 0.0 : 1.0; }
double arc(const double* a, int) { return arcLength(mm(a[0]), mm(a[1])).mm(); }
double depth(const double* a, int) { return arcDepth(mm(a[0]), a[1]).mm(); }
double angle(const double* a, int) { return arcAngle(mm(a[0]), mm(a[1])); }
double taut(const double* a, int) { return gapTaut(jointOf(a[0], a[1], a[2], a[3])).mm(); }
double toOpen(const double* a, int) { return gapToOpen(jointOf(a[0], a[1], a[2], a[3])).mm(); }
double pressed(const double* a, int) { return gapPressed(jointOf(a[0], a[1], a[2], a[3])).mm(); }
double formed(const double* a, int) {
  return gapFormed(jointOf(a[0], a[1], a[2], a[4]), mm(a[3])).mm();
}
double backwards(const double* a, int) {
  return setbackForGap(jointOf(0.0, a[1], a[2], a[4]), mm(a[0]), mm(a[3])).mm();
}
double opening(const double* a, int) {
  return openingAngle(jointOf(a[1], a[2], a[3], a[4]), mm(a[0]));
}
double lined(const double* a, int) { return linedArc(mm(a[0]), mm(a[1]), mm(a[2])).mm(); }
double tautBackwards(const double* a, int) {
  return setbackForTautGap(jointOf(0.0, a[1], a[2], a[3]), mm(a[0])).mm();
}
HalvedSheet halved(const double* a) { return halvedSheet(mm(a[0]), mm(a[1]), a[2]); }
double halvedWidth(const double* a, int) { return halved(a).width.mm(); }
double halvedHeight(const double* a, int) { return halved(a).height.mm(); }
double halvedAlong(const double* a, int) { return halved(a).isWidthAlongLongSide ? 1.0 : 0.0; }
double leaf(const double* a, int) { return caliperOf(a[0], a[1]).mm(); }
double up(const double* a, int) { return wholeAbove(a[0]); }
double down(const double* a, int) { return -wholeAbove(-a[0]); }
double nearestMark(const double* a, int) {
  return a[1] > 0.0 ? roundTo(mm(a[0]), mm(a[1]), Rounding::Nearest).mm() : kNone;
}
double markAbove(const double* a, int) {
  return a[1] > 0.0 ? roundTo(mm(a[0]), mm(a[1]), Rounding::Up).mm() : kNone;
}
double markBelow(const double* a, int) {
  return a[1] > 0.0 ? roundTo(mm(a[0]), mm(a[1]), Rounding::Down).mm() : kNone;
}
double depthOfArc(const double* a, int) {
  return depthOfLinedArc(mm(a[0]), mm(a[1]), mm(a[2])).mm();
}
int wholeOf(double number) {
  constexpr double kFew = 1000.0;  // more threads than any hole takes
  return static_cast<int>(std::clamp(std::round(number), 0.0, kFew));
}
double bundle(const double* a, int) { return bundleRatio(wholeOf(a[0])); }
double needle(const double* a, int) { return needleHole(wholeOf(a[0]), mm(a[1]), mm(a[2])).mm(); }
double folded(const double* a, int) { return aroundEdge(mm(a[0]), mm(a[1])).mm(); }

}  // namespace

constexpr std::array<FormulaFunction, kFormulaFunctionCount> kFormulaFunctions{{
    {"min", -1, "min(a, b, ...)", "The least of them.", least, "S>S"},
    {"max", -1, "max(a, b, ...)", "The greatest of them.", greatest, "S>S"},
    {"abs", 1, "abs(a)", "Without its sign.", magnitude, "S>S"},
    {"sqrt", 1, "sqrt(a)", "Square root; none of a number below 0.", root, "S>R"},
    {"hypot", 2, "hypot(a, b)", "The long side over two sides at right angles.", diagonal, "SS>S"},
    {"ceil", 1, "ceil(a)", "The next whole number up.", up, "N>N"},
    {"floor", 1, "floor(a)", "The next whole number down.", down, "N>N"},
    {"has", 1, "has(value)", "1 when the value is known, else 0.", isGiven, "*>N", true},
    {"arc_length", 2, "arc_length(span, depth)",
     "The way over a round from edge to edge: radius times angle, radius = (span^2 / 4 + "
     "depth^2) / (2 depth); the span itself for depth 0. None for a round past half a circle.",
     arc, "LL>L"},
    {"arc_depth", 2, "arc_depth(span, fraction of a circle)",
     "The depth of a round that covers the fraction: span / 2 times the tangent of a quarter of "
     "its angle.",
     depth, "LN>L"},
    {"arc_angle", 2, "arc_angle(span, depth)",
     "What a round covers of a turn, in degrees: 4 atan(2 depth / span).", angle, "LL>A"},
    {"lined_arc", 3, "lined_arc(span, depth, lining)",
     "The arc over an even lining: the arc and its angle times the lining.", lined, "LLL>L"},
    {"depth_of_lined_arc", 3, "depth_of_lined_arc(span, arc, lining)",
     "The depth whose lined arc is this one. None for an arc shorter than the span, or longer than "
     "half a circle's.",
     depthOfArc, "LLL>L"},
    {"taut_gap", 4, "taut_gap(setback, edge, board, stiffener)",
     "The straight line from the stiffener's outer arris to the board's: hypot(setback + "
     "stiffener, board - edge).",
     taut, "LLLL>L"},
    {"open_gap", 4, "open_gap(setback, edge, board, stiffener)",
     "What the cover turned right over needs: hypot(setback - stiffener, board + edge).", toOpen,
     "LLLL>L"},
    {"pressed_gap", 4, "pressed_gap(setback, edge, board, stiffener)",
     "All cloth rubbed down: stiffener + edge + setback + board. None for a set-back below 0.",
     pressed, "LLLL>L"},
    {"formed_gap", 5, "formed_gap(setback, edge, board, rod, stiffener)",
     "The stiffener and the shortest way from its edge, under a rod midway on the floor of the "
     "groove, to the board's arris. A rod wider than the groove counts as wide as that.",
     formed, "LLLLL>L"},
    {"setback_for_gap", 5, "setback_for_gap(gap, edge, board, rod, stiffener)",
     "The set-back whose formed gap is this one. None under stiffener + edge + board.", backwards,
     "LLLLL>L"},
    {"setback_for_taut_gap", 4, "setback_for_taut_gap(gap, edge, board, stiffener)",
     "The set-back whose taut gap is this one: sqrt(gap^2 - (board - edge)^2) - stiffener.",
     tautBackwards, "LLLL>L"},
    {"hinge_opening", 5, "hinge_opening(gap, setback, edge, board, stiffener)",
     "The turn, in degrees and at most 180, at which the hinge's cloth begins to pull; 0 when "
     "the gap is under taut.",
     opening, "LLLLL>A"},
    {"around_edge", 2, "around_edge(board, covering)",
     "What a fold round the board's edge takes: board + pi / 2 times the covering.", folded,
     "LL>L"},
    {"bundle_ratio", 1, "bundle_ratio(threads)",
     "The smallest hole that so many threads fill, in thread diameters: the least circle round "
     "equal circles, proven to 10 (Graham 1968, Pirl 1969); none for more.",
     bundle, "N>N"},
    {"needle_hole", 3, "needle_hole(threads, thread, needle)",
     "A hole in which the needle passes beside so many threads: the least of a bundle beside it, a "
     "ring round it, and threads along the wall across from it.",
     needle, "NLL>L"},
    {"nearest_mark", 2, "nearest_mark(length, rule)",
     "The nearest mark of a rule whose marks are that far apart; half way goes up.", nearestMark,
     "LL>L"},
    {"mark_above", 2, "mark_above(length, rule)", "The next mark that is not less.", markAbove,
     "LL>L"},
    {"mark_below", 2, "mark_below(length, rule)", "The next mark that is not more.", markBelow,
     "LL>L"},
    {"caliper", 2, "caliper(grammage, bulk)",
     "One leaf's thickness: g/m2 times cm3/g / 1000 (ISO 534).", leaf, "GB>L"},
    {"halved_width", 3, "halved_width(sheet_width, sheet_height, halvings)",
     "The side that the last of so many halvings halved, each across the longer side.", halvedWidth,
     "LLN>L"},
    {"halved_height", 3, "halved_height(sheet_width, sheet_height, halvings)", "The other side.",
     halvedHeight, "LLN>L"},
    {"halved_along", 3, "halved_along(sheet_width, sheet_height, halvings)",
     "1 when the side halved last lies along the sheet's long side, else 0.", halvedAlong, "LLN>N"},
}};

const FormulaFunction* findFormulaFunction(std::string_view name) {
  for (const FormulaFunction& function : formulaFunctions())
    if (function.name == name) return &function;
  return nullptr;
}

std::vector<std::string> formulaFunctionNames() {
  std::vector<std::string> names;
  for (const FormulaFunction& function : formulaFunctions()) names.emplace_back(function.name);
  return names;
}

}  // namespace drapery
