// A point in the plane, in millimetres: x to the right, y up.
#pragma once

namespace drapery {

/// Plain numbers in mm, since drawings and polygons are made of thousands of them.
struct Point {
  double x = 0.0;
  double y = 0.0;
  friend bool operator==(const Point& a, const Point& b) = default;
};

struct Box {
  double left = 0.0, bottom = 0.0, right = 0.0, top = 0.0;
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double height() const { return top - bottom; }
};

}  // namespace drapery
