// Dashes that are lines of their own: every program that reads the page sees the same.
#pragma once

#include <QPolygonF>
#include <vector>

class QPainter;

namespace drapery {

/// In the painter's pen; `lengths` dash, gap, dash, gap ... in the painter's units, each above 0.
/// They begin anew at every corner.
void drawDashed(QPainter& painter, const QPolygonF& line, const std::vector<double>& lengths);

}  // namespace drapery
