#include "core/drawing/piece_shapes.h"

namespace drapery {

std::vector<Shape> pieceShapes(const PlannedPart& part, const Placement& place) {
  const Subject subject = Subject::part(part.rule->id);
  std::vector<Shape> shapes{closedShape(LineKind::Outline, matterOf(part.material),
                                        placedOutline(part.outline, place), subject)};
  for (const auto& [from, to] : part.slits)
    shapes.push_back(openShape(LineKind::Cut, placed({from, to}, part.outline, place), subject));
  return shapes;
}

std::optional<Shape> grainArrow(const PlannedPart& part, const Box& box, double reach) {
  const Grain grain = part.rule->grain;
  if (grain == Grain::Any) return std::nullopt;
  const double x = (box.left + box.right) / 2, y = (box.bottom + box.top) / 2;
  std::vector<Point> arrow{{x, y - reach}, {x, y + reach}};
  if (grain == Grain::Width) arrow = {{x - reach, y}, {x + reach, y}};
  return openShape(LineKind::Grain, std::move(arrow), Subject::part(part.rule->id));
}

Drawing pieceDrawing(const PlannedPart& part) {
  Drawing drawing;
  drawing.id = part.rule->id;
  drawing.shapes = pieceShapes(part, {});
  const double across = part.cutWidth / part.width, along = part.cutHeight / part.height;
  for (Shape& shape : drawing.shapes)
    for (Point& point : shape.points) point = {point.x * across, point.y * along};
  const Box box = boundsOf(drawing);
  constexpr double kGrainReach = 0.3;
  const double side = part.rule->grain == Grain::Width ? box.width() : box.height();
  if (auto grain = grainArrow(part, box, kGrainReach * side))
    drawing.shapes.push_back(std::move(*grain));
  return drawing;
}

}  // namespace drapery
