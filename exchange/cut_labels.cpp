#include "exchange/cut_labels.h"

#include <algorithm>

#include "paint/drawing_painter.h"
#include "paint/set_words.h"

namespace drapery {

namespace {

// mm on the paper.
constexpr double kEdge = PageColumn::kEdge;
constexpr double kWidth = 56.0, kHeight = 34.0, kInside = 2.5;
constexpr double kName = 3.8, kSize = 3.5, kBelow = 3.2;  // letters
constexpr double kForGrain = 6.0;                         // beside the words

void paintGrain(QPainter& painter, const CutLabel& label, double left, double top) {
  constexpr double kReach = 7.0, kReachAcross = 4.0;
  // As the size is told: across, along.
  const double x = left + kWidth - kForGrain, y = -(top + kHeight / 2);
  Drawing arrow;
  arrow.shapes.push_back(
      openShape(LineKind::Grain,
                label.isAlong ? std::vector<Point>{{x, y - kReach}, {x, y + kReach}}
                              : std::vector<Point>{{x - kReachAcross, y}, {x + kReachAcross, y}},
                {}));
  QTransform down;
  down.scale(1, -1);
  paintDrawing(painter, arrow, down, pageStyle(lightPalette()));
}

void paintLabel(PageColumn& column, const CutLabel& label, double left, double top) {
  QPainter& painter = column.painter();
  painter.setPen(QPen(lightPalette().hairline, 0.2, Qt::DashLine));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(QRectF(left, top, kWidth, kHeight));
  const double room = kWidth - 2 * kInside - kForGrain;
  double y = top + kInside;
  const auto line = [&](TextStyle style, const QString& words, std::size_t most) {
    const auto lines = column.broken(column.right() - room, style, words);
    for (std::size_t i = 0; i < std::min(lines.size(), most); ++i) {
      const bool isCut = i + 1 == most && lines.size() > most;
      column.paintLine(left + kInside, y, style, isCut ? lines[i] + "…" : lines[i]);
      y += PageColumn::lineHeight(style);
    }
  };
  const TextStyle below{kBelow, false, lightPalette().secondInk};
  line({kName, true}, label.name, 2);
  line({kSize, false}, withWholeSizes(label.size), 3);
  const bool isRoom = y + 2 * PageColumn::lineHeight(below) <= top + kHeight;
  line(below, label.below, isRoom ? 2 : 1);
  if (label.hasGrain) paintGrain(painter, label, left, top);
}

}  // namespace

void writeLabels(PageColumn& column, const std::vector<CutLabel>& labels) {
  const auto columns = static_cast<std::size_t>((column.right() - kEdge + 0.1) / kWidth);
  for (std::size_t i = 0; i < labels.size(); i += columns) {
    const auto first = labels.begin() + static_cast<std::ptrdiff_t>(i);
    const std::vector<CutLabel> row(
        first, first + static_cast<std::ptrdiff_t>(std::min(columns, labels.size() - i)));
    column.add({kHeight, 0.0, false, [&column, row](double top) {
                  for (std::size_t c = 0; c < row.size(); ++c)
                    paintLabel(column, row[c], kEdge + kWidth * static_cast<double>(c), top);
                }});
  }
}

}  // namespace drapery
