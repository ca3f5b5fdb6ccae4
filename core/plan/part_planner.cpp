#include "core/plan/part_planner.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/outline.h"

namespace drapery {

namespace {

constexpr int kMostPieces = 10000;
constexpr double kNoCut = 1e-9;  // mm

bool isFinite(const Point& point) { return std::isfinite(point.x) && std::isfinite(point.y); }

}  // namespace

PartPlanner::BoundPoint PartPlanner::bound(const PointRule& point) {
  return {BoundFormula(point.first.text), BoundFormula(point.second.text)};
}

PartPlanner::BoundPart::BoundPart(const Method& method, const PartRule& part)
    : rule(&part),
      count(part.count.text),
      when(part.when.text),
      width(*method.find(part.id + ".width")),
      height(*method.find(part.id + ".height")),
      cutWidth(*method.find(part.id + ".cut_width")),
      cutHeight(*method.find(part.id + ".cut_height")) {
  for (const PartMaterial& each : part.materials) materials.emplace_back(each.when.text);
  for (const PointRule& point : part.outline) outline.push_back(bound(point));
  for (const PointRule& place : part.places) places.push_back(bound(place));
  for (const auto& [from, to] : part.slits) slits.emplace_back(bound(from), bound(to));
}

PartPlanner::PartPlanner(const Method& method) {
  parts_.reserve(method.parts.size());
  for (const PartRule& part : method.parts) parts_.emplace_back(method, part);
}

void PartPlanner::plan(Plan& plan, Evaluation& evaluation) {
  for (BoundPart& bound : parts_) {
    if (!evaluation.holds(bound.when)) continue;
    PlannedPart part;
    part.rule = bound.rule;
    part.width = Length::fromMm(plan.values[bound.width]);
    part.height = Length::fromMm(plan.values[bound.height]);
    part.cutWidth = Length::fromMm(plan.values[bound.cutWidth]);
    part.cutHeight = Length::fromMm(plan.values[bound.cutHeight]);
    const double count = evaluation.evaluate(bound.count);
    if (!(part.width > Length()) || !(part.height > Length()) || !(count >= 1.0)) continue;
    part.count = static_cast<int>(std::min(std::floor(count), double{kMostPieces}));
    part.material = materialOf(bound, evaluation);
    shape(part, bound, evaluation);
    plan.parts.push_back(std::move(part));
  }
}

std::string_view PartPlanner::materialOf(BoundPart& bound, Evaluation& evaluation) {
  const std::vector<PartMaterial>& materials = bound.rule->materials;
  for (std::size_t i = 0; i < materials.size(); ++i)
    if (evaluation.holds(bound.materials[i])) return materials[i].material;
  return materials.back().material;
}

void PartPlanner::shape(PlannedPart& part, BoundPart& bound, Evaluation& evaluation) {
  const auto at = [&](BoundPoint& point) {
    return Point{evaluation.evaluate(point.first), evaluation.evaluate(point.second)};
  };
  for (BoundPoint& point : bound.outline) part.outline.push_back(at(point));
  if (std::all_of(part.outline.begin(), part.outline.end(), isFinite))
    part.outline = tidied(std::move(part.outline));
  else
    part.outline.clear();
  if (part.outline.size() < 3)
    part.outline = rectangle(0.0, 0.0, part.width.mm(), part.height.mm());
  for (BoundPoint& place : bound.places) {
    if (part.places.size() == static_cast<std::size_t>(part.count)) break;  // each piece lies once
    if (const Point point = at(place); isFinite(point)) part.places.push_back(point);
  }
  for (auto& [from, to] : bound.slits) {
    const Point a = at(from), b = at(to);
    const bool isCut = isFinite(a) && isFinite(b) && std::hypot(b.x - a.x, b.y - a.y) > kNoCut;
    if (isCut) part.slits.emplace_back(a, b);
  }
}

}  // namespace drapery
