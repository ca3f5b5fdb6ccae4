#include "app/table/panels.h"

#include <QCoreApplication>
#include <QPolygonF>
#include <algorithm>
#include <cmath>
#include <tuple>

#include "app/words/window_words.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {

constexpr double kLargestZoom = 12.0;
constexpr double kSmallestZoom = 0.4;
constexpr double kLeastForTwoEm = 34.0;  // under this height two would only crowd each other
constexpr double kLeastDrawing = 0.33;   // of a panel's width and height, whatever the tags want

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Table)
};

QTransform scaledAbout(QPointF middle, double scale) {
  return QTransform::fromTranslate(-middle.x(), -middle.y()) * QTransform::fromScale(scale, scale) *
         QTransform::fromTranslate(middle.x(), middle.y());
}

}  // namespace

QString labelWords(const DrawingLabel& label) {
  const std::string& id = label.id;
  if (id.empty()) return localText(label.words);
  if (id == "view.face") return Words::tr("the face");
  if (id == "view.spine") return Words::tr("the spine");
  if (id == "view.head") return Words::tr("the head");
  if (id == "flat.waits") return Words::tr("the pieces wait for the measures");
  if (id == "flat.missing") return Words::tr("not every piece has a place yet");
  const QString number = QString::fromStdString(label.words.text);
  if (id == "view.slack") return Words::tr("%1°: the cloth lies slack").arg(number);
  if (id == "view.straight") return Words::tr("%1°: the cloth is straight").arg(number);
  if (id == "view.gives")
    return Words::tr("%1°: board and round meet, one of them gives").arg(number);
  if (id == "view.pulls")
    return Words::tr("%1°: here the cloth pulls, it goes no further").arg(number);
  if (id == "fold.some") return Words::tr("%1 are drawn").arg(number);
  if (id == "fold.open") return Words::tr("%1° at each fold").arg(number);
  if (id == "cover.down") return Words::tr("%1° down round the leaves").arg(number);
  if (id == "cover.lifted") return Words::tr("%1° lifted").arg(number);
  if (id == "hinge.free") return Words::tr("%1° from shut").arg(number);
  if (id == "hinge.stops")
    return Words::tr("%1°: the boards meet at the hinge, it goes no further").arg(number);
  if (id == "hinge.short")
    return Words::tr("%1°: the gap is too narrow to shut it further").arg(number);
  if (id == "view.enlarged") return Words::tr("differences drawn %1 times as large").arg(number);
  if (id == "view.board") return Words::tr("a board, from its edge");
  return {};
}

QRectF PlacedPanel::drawn() const {
  const Box box = seenOf(panel.drawing);
  QRectF rect = toTable.mapRect(QRectF(QPointF(box.left, box.bottom), QPointF(box.right, box.top)));
  for (const DrawingLabel& label : panel.drawing.labels) rect = rect.united(labelRect(label));
  return rect;
}

QRectF PlacedPanel::captionRect() const {
  const QFont font = textFont(kCaptionPixels);
  return {area.left() + 12, area.top() + 8, double(wordsWidth(font, panel.caption)),
          double(QFontMetrics(font).height())};
}

QRectF PlacedPanel::labelRect(const DrawingLabel& label) const {
  const QFont font = textFont(kLabelPixels);
  const QPointF at = onTable(label.at);
  const double width = wordsWidth(font, labelWords(label)), height = QFontMetrics(font).height();
  switch (label.side) {
    case LabelSide::Above:
      return {at.x() - width / 2, at.y() - height - 2, width, height};
    case LabelSide::Before:
      return {at.x() - width - 0.6 * em(), at.y() - height, width, height};
    case LabelSide::On:
    case LabelSide::Over:
      break;
  }
  return {at.x() - width / 2, at.y() - height / 2, width, height};
}

/// Margins give way alike when they would leave too little.
QRectF PlacedPanel::roomInside(const QMarginsF& tags) const {
  const double air = 1.3 * em();
  const bool hasLine = !panel.caption.isEmpty() || !panel.links.empty();
  const double caption = hasLine ? 1.8 * em() : 0.0;
  const double words = panel.drawing.labels.empty() ? 0.0 : 1.2 * em();
  double before = 0.0;  // words at the left
  for (const DrawingLabel& label : panel.drawing.labels)
    if (label.side == LabelSide::Before) before = std::max(before, labelRect(label).width() + em());
  const double left = tags.left() + air + before, right = tags.right() + air,
               top = tags.top() + caption + words + air, bottom = tags.bottom() + air;
  const double across = std::min(1.0, area.width() * (1 - kLeastDrawing) / (left + right));
  const double down = std::min(1.0, area.height() * (1 - kLeastDrawing) / (top + bottom));
  return area.adjusted(left * across, top * down, -right * across, -bottom * down);
}

std::string Panels::inFrontOf(const std::vector<StagePanel>& all) const {
  if (all.empty()) return {};
  for (const StagePanel& panel : all)
    if (panel.key() == inFront_) return inFront_;
  return all.front().key();
}

void Panels::take(std::vector<StagePanel> all, const QRectF& whole) {
  shown_.clear();
  isOneAtATime_ = all.size() > 1 && whole.height() < kLeastForTwoEm * em();
  double top = whole.top(), shares = 0.0;
  for (const StagePanel& panel : all) shares += panel.share;
  const std::string front = inFrontOf(all);
  for (std::size_t i = 0; i < all.size(); ++i) {
    if (isOneAtATime_ && all[i].key() != front) continue;
    const StagePanel& next = all[(i + 1) % all.size()];
    nextCaption_ = next.caption;
    nextKey_ = next.key();
    isLast_ = i + 1 == all.size();
    const double share = isOneAtATime_ ? 1.0 : all[i].share / shares;
    shown_.push_back({{}, QRectF(whole.left(), top, whole.width(), whole.height() * share), {}});
    top = shown_.back().area.bottom();
  }
  std::size_t into = 0;
  for (StagePanel& panel : all)
    if (!isOneAtATime_ || panel.key() == front) shown_[into++].panel = std::move(panel);
}

/// Drawings that are to be compared have one scale and stand under one another.
void Panels::fit(const std::function<QMarginsF(const PlacedPanel&)>& tags) {
  const bool areCompared = std::any_of(shown_.begin(), shown_.end(),
                                       [](const PlacedPanel& p) { return p.panel.isFormer; });
  std::vector<QRectF> rooms;
  std::vector<Box> boxes;
  for (const PlacedPanel& placed : shown_) {
    rooms.push_back(placed.roomInside(tags(placed)));
    boxes.push_back(seenOf(placed.panel.drawing));
  }
  if (areCompared)
    for (std::size_t i = 1; i < shown_.size(); ++i) {
      boxes[0].left = std::min(boxes[0].left, boxes[i].left);
      boxes[0].right = std::max(boxes[0].right, boxes[i].right);
    }
  double scale = 1e9;
  for (std::size_t i = 0; i < shown_.size(); ++i) {
    if (areCompared) {
      std::tie(boxes[i].left, boxes[i].right) = std::pair(boxes[0].left, boxes[0].right);
      rooms[i].setLeft(rooms[0].left());
      rooms[i].setRight(rooms[0].right());
    }
    shown_[i].toTable = fitted(boxes[i], rooms[i]);
    scale = std::min(scale, shown_[i].toTable.m11());
  }
  for (std::size_t i = 0; i < shown_.size(); ++i) {
    QTransform& toTable = shown_[i].toTable;
    if (areCompared) toTable *= scaledAbout(rooms[i].center(), scale / toTable.m11());
    toTable *=
        scaledAbout(shown_[i].area.center(), zoom_) * QTransform::fromTranslate(pan_.x(), pan_.y());
  }
}

void Panels::resetView() {
  zoom_ = 1.0;
  pan_ = {};
}

void Panels::zoomBy(double factor, QPointF about, const QRectF& whole) {
  const double before = zoom_;
  zoom_ = std::clamp(zoom_ * factor, kSmallestZoom, kLargestZoom);
  const double scale = zoom_ / before;
  pan_ += (about - (whole.center() + pan_)) * (1 - scale);
  if (std::abs(zoom_ - 1.0) < 0.02) resetView();
}

Subject Panels::subjectAt(QPointF at) const {
  for (auto placed = shown_.rbegin(); placed != shown_.rend(); ++placed) {
    const QPointF inside = placed->toTable.inverted().map(at);
    const auto& window = placed->panel.drawing.window;
    if (window && !(inside.x() >= window->left && inside.x() <= window->right &&
                    inside.y() >= window->bottom && inside.y() <= window->top))
      continue;
    const auto& shapes = placed->panel.drawing.shapes;
    for (auto shape = shapes.rbegin(); shape != shapes.rend(); ++shape) {
      const bool isThing = shape->layer == Layer::Book || shape->layer == Layer::Pieces;
      if (!shape->isClosed || !isThing || shape->subject.empty()) continue;
      QPolygonF polygon;
      for (const Point& p : shape->points) polygon << QPointF(p.x, p.y);
      if (polygon.containsPoint(inside, Qt::OddEvenFill)) return shape->subject;
    }
  }
  return {};
}

}  // namespace drapery
