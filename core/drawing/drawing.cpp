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

}  // namespace drapery
