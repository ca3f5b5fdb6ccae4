#include "app/table/graduated_rule.h"

#include <QPainter>
#include <cmath>
#include <vector>

#include "core/quantity/format_length.h"
#include "core/quantity/length.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {

constexpr double kFinest = 4.0;  // pixels between marks
constexpr int kParts = 16;       // of an inch

/// Steps in units of the rule, from fine to coarse; each is a whole multiple of the one before.
std::vector<double> stepsFor(Units units) {
  if (units == Units::Inches) return {1.0 / kParts, 1.0 / 8, 1.0 / 4, 1.0 / 2, 1, 2, 4, 8, 16};
  return {1, 5, 10, 50, 100, 200, 1000};
}

/// "150", "2 3/16": no inch rule has decimals.
QString figureAt(double at, Units units) {
  if (units == Units::Millimetres) return QString::number(at);
  return QString::fromStdString(formatFraction(std::lround(at * kParts), kParts));
}

double firstOver(const std::vector<double>& steps, double pixelsPerUnit, double least) {
  for (const double step : steps)
    if (step * pixelsPerUnit >= least) return step;
  return steps.back();
}

}  // namespace

void paintGraduatedRule(QPainter& painter, const QRectF& area, double pixelsPerMm, Units units,
                        const Palette& palette) {
  const double perUnit = pixelsPerMm * (units == Units::Inches ? kMmPerInch : 1.0);
  if (!(perUnit > 0) || area.width() < 40) return;
  const QFont font = textFont(12.0);
  const double labelRoom = wordsWidth(font, units == Units::Inches ? "00 15/16" : "0000") + 10;
  const std::vector<double> steps = stepsFor(units);
  const double fine = firstOver(steps, perUnit, kFinest);
  const double middle = firstOver(steps, perUnit, 3 * kFinest);
  const double labelled = firstOver(steps, perUnit, labelRoom);

  painter.save();
  painter.setRenderHint(QPainter::Antialiasing, false);
  painter.setFont(font);
  const double top = area.top() + area.height() * 0.38;
  painter.setPen(QPen(palette.secondInk, 1.0));
  painter.drawLine(QPointF(area.left(), top), QPointF(area.right(), top));
  const auto isMultiple = [](double value, double of) {
    return std::abs(value / of - std::round(value / of)) < 1e-6;
  };
  for (double at = 0.0; at * perUnit <= area.width(); at += fine) {
    const double x = area.left() + at * perUnit;
    const bool isLabelled = isMultiple(at, labelled);
    const double length = isLabelled ? 12.0 : isMultiple(at, middle) ? 8.0 : 5.0;
    painter.setPen(QPen(isLabelled ? palette.ink : palette.secondInk, 1.0));
    painter.drawLine(QPointF(x, top), QPointF(x, top + length));
    if (!isLabelled || x + labelRoom > area.right()) continue;
    paintWords(painter, QRectF(x + 3, top + 4, labelRoom, area.height() - 4), Qt::AlignLeft,
               figureAt(at, units));
  }
  painter.restore();
}

}  // namespace drapery
