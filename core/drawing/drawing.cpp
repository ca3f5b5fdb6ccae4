#include "core/drawing/drawing.h"

#include <algorithm>
#include <array>

namespace drapery {

namespace {

Layer usualLayer(LineKind line, Matter matter) {
  switch (line) {
    case LineKind::Outline:
    case LineKind::Hidden:
      return matter == Matter::Leaves || matter == Matter::Rod || matter == Matter::None ||
                     matter == Matter::Waste
                 ? Layer::Book
                 : Layer::Pieces;
    case LineKind::Leaf:
    case LineKind::Break:
      return Layer::Book;
    case LineKind::Section:
      return Layer::Pieces;
    case LineKind::Grain:
      return Layer::Grain;
    case LineKind::Dimension:
    case LineKind::Extension:
      return Layer::Measures;
    default:
      return Layer::Work;
  }
}

}  // namespace

Shape openShape(LineKind line, std::vector<Point> points, Subject subject) {
  Shape shape;
  shape.line = line;
  shape.layer = usualLayer(line, Matter::None);
  shape.subject = std::move(subject);
  shape.points = std::move(points);
  return shape;
}

Shape closedShape(LineKind line, Matter matter, std::vector<Point> points, Subject subject) {
  Shape shape = openShape(line, std::move(points), std::move(subject));
  shape.matter = matter;
  shape.layer = usualLayer(line, matter);
  shape.isClosed = true;
  return shape;
}

Shape closedShape(bool isKnown, Matter matter, std::vector<Point> points, Subject subject) {
  return closedShape(isKnown ? LineKind::Outline : LineKind::Hidden, matter, std::move(points),
                     std::move(subject));
}

Shape sectionShape(Matter matter, double thickness, std::vector<Point> points, Subject subject) {
  Shape shape = openShape(LineKind::Section, std::move(points), std::move(subject));
  shape.matter = matter;
  shape.thickness = thickness;
  return shape;
}

Matter matterOf(std::string_view material) {
  static constexpr std::array<std::pair<std::string_view, Matter>, 10> kMatters{
      {{"cloth", Matter::Cloth},
       {"mull", Matter::Cloth},
       {"leather", Matter::Cloth},
       {"tape", Matter::Cloth},
       {"headband", Matter::Cloth},
       {"ribbon", Matter::Cloth},
       {"paper", Matter::Paper},
       {"kraft", Matter::Paper},
       {"tissue", Matter::Paper},
       {"card", Matter::Card}}};
  for (const auto& [known, matter] : kMatters)
    if (known == material) return matter;
  return Matter::Board;
}

Box boundsOf(const Drawing& drawing) {
  Box box;
  bool isFirst = true;
  for (const Shape& shape : drawing.shapes) {
    if (shape.points.empty()) continue;
    const Box each = boundsOf(shape.points);
    box = isFirst ? each
                  : Box{std::min(box.left, each.left), std::min(box.bottom, each.bottom),
                        std::max(box.right, each.right), std::max(box.top, each.top)};
    isFirst = false;
  }
  return box;
}

Box seenOf(const Drawing& drawing) { return drawing.window ? *drawing.window : boundsOf(drawing); }

}  // namespace drapery
