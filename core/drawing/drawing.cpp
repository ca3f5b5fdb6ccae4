#include "core/drawing/drawing.h"

#include <algorithm>

namespace drapery {

Box boundsOf(const Drawing& drawing) {
  Box box;
  bool isFirst = true;
  for (const Shape& shape : drawing.shapes) {
    for (const Point& p : shape.points) {
      if (isFirst) box = {p.x, p.y, p.x, p.y};
      isFirst = false;
      box = {std::min(box.left, p.x), std::min(box.bottom, p.y), std::max(box.right, p.x),
             std::max(box.top, p.y)};
    }
  }
  return box;
}

void addClosed(Drawing& drawing, Role role, std::vector<Point> points, std::string subject) {
  drawing.shapes.push_back({role, std::move(points), true, std::move(subject), 0.0});
}

void addOpen(Drawing& drawing, Role role, std::vector<Point> points, std::string subject) {
  drawing.shapes.push_back({role, std::move(points), false, std::move(subject), 0.0});
}

void addDimension(Drawing& drawing, Point from, Point to, const std::string& value, Side side) {
  addOpen(drawing, Role::Dimension, {from, to}, value);
  drawing.tags.push_back({value, {(from.x + to.x) / 2, (from.y + to.y) / 2}, side});
}

}  // namespace drapery
