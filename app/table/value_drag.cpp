#include "app/table/value_drag.h"

#include <QLineF>
#include <algorithm>
#include <array>
#include <cmath>

#include "core/drawing/draw_view.h"
#include "core/plan/give_way.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/format_length.h"

namespace drapery {

namespace {

constexpr double kReach = 9.0;       // pixels from the pointer
constexpr double kLeastPull = 0.25;  // pixels for a millimetre: less cannot be held
constexpr double kLittle = 1e-3;     // of a ratio's range, to see where it goes

/// What a binder decides and sees: neither measured nor a material's own.
bool isDraggable(const Plan& plan, const std::string& value) {
  const auto node = plan.rules->find(value);
  const InputRule* rule = plan.rules->input(value);
  if (rule == nullptr || !node || !plan.counts[*node] || std::isnan(plan.values[*node]) ||
      plan.isMeasured(*node))
    return false;
  const bool isContinuous = rule->kind == InputKind::Length || rule->kind == InputKind::Ratio ||
                            rule->kind == InputKind::Angle;
  return isContinuous && rule->places.empty() && rule->materials.empty();
}

double dot(const QPointF& a, const QPointF& b) { return a.x() * b.x() + a.y() * b.y(); }

std::array<Point, 3> pointsOf(const TagSpot& spot) { return {spot.to, spot.from, spot.anchor}; }

}  // namespace

std::optional<DragHandle> ValueDrag::handleOf(const HangingTag& hanging, const Pose& pose) const {
  const Plan& plan = document_.plan();
  const std::string& value = hanging.spot.subject.id;
  if (hanging.panel == nullptr || !isDraggable(plan, value)) return std::nullopt;
  const InputRule& rule = *plan.rules->input(value);
  const double present = *plan.number(value);
  double step = rule.kind == InputKind::Length ? 0.5 : kLittle * (rule.most - rule.least);
  if (present + step > rule.most) step = -step;
  const auto moved = document_.planWith(fieldOf(rule), Entry{present + step, {}});
  if (!moved) return std::nullopt;
  const auto drawing = drawAgain(hanging.panel->panel.drawing, *moved, pose);
  if (!drawing) return std::nullopt;
  const auto there =
      std::find_if(drawing->tags.begin(), drawing->tags.end(),
                   [&](const TagSpot& t) { return t.subject == hanging.spot.subject; });
  if (there == drawing->tags.end()) return std::nullopt;
  std::optional<DragHandle> best;
  const auto before = pointsOf(hanging.spot), after = pointsOf(*there);
  for (std::size_t i = 0; i < before.size(); ++i) {
    const QPointF at = hanging.panel->onTable(before[i]);
    const QPointF pull = (hanging.panel->onTable(after[i]) - at) / step;
    const double far = std::sqrt(dot(pull, pull));
    if (far > (best ? std::sqrt(dot(best->pull, best->pull)) * 1.001 : kLeastPull))
      best = DragHandle{value, fieldOf(rule), at, pull};
  }
  return best;
}

std::optional<DragHandle> ValueDrag::handleAt(QPointF at, const Pose& pose) const {
  for (const HangingTag& hanging : rack_.hanging()) {
    if (hanging.panel == nullptr || !isDraggable(document_.plan(), hanging.spot.subject.id))
      continue;
    const auto points = pointsOf(hanging.spot);
    const bool isNear = std::any_of(points.begin(), points.end(), [&](const Point& p) {
      return QLineF(hanging.panel->onTable(p), at).length() <= kReach;
    });
    if (!isNear) continue;
    auto handle = handleOf(hanging, pose);
    if (handle && QLineF(handle->at, at).length() <= kReach) return handle;
  }
  return std::nullopt;
}

std::optional<DragHandle> ValueDrag::handleOf(const std::string& value, const Pose& pose) const {
  const HangingTag* hanging = rack_.hangingOf(value);
  return hanging != nullptr ? handleOf(*hanging, pose) : std::nullopt;
}

void ValueDrag::begin(const DragHandle& handle, QPointF at) {
  held_ = handle;
  from_ = at;
  began_ = *document_.plan().number(handle.value);
  now_.reset();
}

Entry ValueDrag::entryOf(double figure, const InputRule& rule) const {
  if (rule.kind != InputKind::Length || rule.role == InputRole::Given)
    return decidedEntry(*document_.plan().rules, rule, figure);
  return {formatExact(Length::fromMm(figure), document_.job().units), {}};
}

std::optional<Issue> ValueDrag::dragTo(QPointF at, bool isFree) {
  const InputRule& rule = *document_.plan().rules->input(held_->value);
  double figure = began_ + dot(at - from_, held_->pull) / dot(held_->pull, held_->pull);
  if (rule.kind == InputKind::Length)
    figure = roundTo(Length::fromMm(figure),
                     isFree ? Length::fromMm(0.01) : document_.plan().resolution, Rounding::Nearest)
                 .mm();
  else
    figure = std::round(figure * 100) / 100;
  now_ = entryOf(std::clamp(figure, rule.least, rule.most), rule);
  return document_.preview(held_->field, now_);
}

std::optional<Issue> ValueDrag::drop() {
  const std::string field = held_->field;
  held_.reset();
  document_.endPreview();
  return now_ ? document_.keep(field, now_) : std::nullopt;
}

void ValueDrag::leave() {
  held_.reset();
  document_.endPreview();
}

}  // namespace drapery
