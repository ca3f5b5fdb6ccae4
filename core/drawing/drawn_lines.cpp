#include "core/drawing/drawn_lines.h"

#include <cmath>
#include <numbers>

namespace drapery {

namespace {

constexpr double kUsualHole = 1.0;  // mm

void addLine(const DrawnLine& line, const Plan& plan, const double* locals,
             std::vector<Shape>& shapes) {
  const NumberTable table{plan.values.data(), locals};
  if (!line.when.formula.holds(table)) return;
  std::vector<Point> path;
  for (const RulePoint& point : line.path) {
    const auto at = pointOn(plan, point, locals);
    if (!at) return;
    path.push_back(*at);
  }
  if (path.empty()) return;
  if (line.kind == LineKind::Hatch) {
    shapes.push_back(closedShape(line.kind, Matter::None, std::move(path), line.subject));
    return;
  }
  if (line.kind != LineKind::Hole) {
    shapes.push_back(openShape(line.kind, std::move(path), line.subject));
    shapes.back().turns = line.turns;
    return;
  }
  const double size = line.size.formula.evaluate(table);
  path = circleAround(path.front(), (std::isnan(size) ? kUsualHole : size) / 2);
  shapes.push_back(closedShape(line.kind, Matter::None, std::move(path), line.subject));
}

}  // namespace

std::optional<Point> pointOn(const Plan& plan, const RulePoint& point, const double* locals) {
  const NumberTable table{plan.values.data(), locals};
  const Point at{point.first.formula.evaluate(table), point.second.formula.evaluate(table)};
  return std::isfinite(at.x) && std::isfinite(at.y) ? std::optional(at) : std::nullopt;
}

void addLines(const std::vector<DrawnLine>& lines, const Plan& plan, std::vector<Shape>& shapes) {
  for (const DrawnLine& line : lines)
    eachOf(line, plan, [&](const double* locals) { addLine(line, plan, locals, shapes); });
}

std::vector<Amount> figures(const RuleWords& words, const Plan& plan, const double* locals) {
  std::vector<Amount> all;
  for (const RuleWords::Expression& expression : words.expressions)
    all.push_back(
        {expression.formula.formula.evaluate({plan.values.data(), locals}), expression.unit});
  return all;
}

std::vector<Point> circleAround(Point middle, double radius) {
  constexpr int kSides = 24;
  std::vector<Point> points;
  for (int i = 0; i < kSides; ++i) {
    const double turn = 2 * std::numbers::pi * i / kSides;
    points.push_back({middle.x + radius * std::cos(turn), middle.y + radius * std::sin(turn)});
  }
  return points;
}

}  // namespace drapery
