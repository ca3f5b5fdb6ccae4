// The lines that rule files draw, on one book.
#pragma once

#include <optional>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/plan.h"
#include "core/rules/section/drawn_label.h"
#include "core/rules/section/drawn_line.h"

namespace drapery {

/// The point on this book; none where a figure of it is missing.
std::optional<Point> pointOn(const Plan& plan, const RulePoint& point,
                             const double* locals = nullptr);

/// Visits once with no local numbers, or once for each member of the series with its own.
template <class Visit>
void eachOf(const Repeated& repeated, const Plan& plan, const Visit& visit) {
  if (!repeated.series) return visit(static_cast<const double*>(nullptr));
  for (const PlannedSeries& series : plan.series)
    if (series.rule == &plan.rules->series[*repeated.series])
      for (const auto& row : series.rows) visit(row.data());
}

/// Each line that applies and whose points are all known. A hole without a size is 1 mm wide.
void addLines(const std::vector<DrawnLine>& lines, const Plan& plan, std::vector<Shape>& shapes);

/// The figures that the words tell, on this book.
std::vector<Amount> figures(const RuleWords& words, const Plan& plan,
                            const double* locals = nullptr);

/// Visits each label that applies and whose place is known, with its place and figures.
template <class Visit>
void eachLabel(const std::vector<DrawnLabel>& labels, const Plan& plan, const Visit& visit) {
  for (const DrawnLabel& label : labels)
    eachOf(label, plan, [&](const double* locals) {
      const auto at = pointOn(plan, label.at, locals);
      if (at && label.when.formula.holds({plan.values.data(), locals}))
        visit(*at, label.says, figures(label.says, plan, locals));
    });
}

/// A hole: a circle of 24 sides.
std::vector<Point> circleAround(Point middle, double radius);

}  // namespace drapery
