#include "app/printing/print_sheet_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "exchange/print_page.h"

namespace drapery {

namespace {
constexpr int kAround = 3;  // pixels, for the paper's edge
}

PrintSheetView::PrintSheetView(const Palette& palette, QWidget* parent)
    : QWidget(parent), palette_(palette) {
  setCursor(Qt::PointingHandCursor);
}

void PrintSheetView::setSheet(std::shared_ptr<const PrintJob> print, std::size_t sheet) {
  print_ = std::move(print);
  sheet_ = sheet;
  setAccessibleName(tr("Sheet %1 of %2").arg(sheet + 1).arg(print_->sheets.size()));
  updateGeometry();
  update();
}

void PrintSheetView::setScale(double perMm) {
  perMm_ = perMm;
  resize(sizeHint());
  updateGeometry();
  update();
}

void PrintSheetView::setLit(const std::string& thing) {
  lit_ = thing;
  update();
}

QSizeF PrintSheetView::paper() const { return print_ ? print_->paperSize(sheet_) : QSizeF(1, 1); }

QSize PrintSheetView::sizeHint() const {
  const QSizeF size = paper() * perMm_;
  return {static_cast<int>(std::ceil(size.width())) + 2 * kAround,
          static_cast<int>(std::ceil(size.height())) + 2 * kAround};
}

QTransform PrintSheetView::paperToView() const {
  QTransform to;
  to.translate(kAround, kAround);
  to.scale(perMm_, perMm_);
  return to;
}

QTransform PrintSheetView::roomToView() const {
  return roomToPaper(*print_, sheet_) * paperToView();
}

std::optional<QRectF> PrintSheetView::placeOf(std::size_t thing) const {
  if (!print_) return std::nullopt;
  const PrintSheet& sheet = print_->sheets[sheet_];
  const QTransform to = roomToView();
  for (const PrintPlace& place : sheet.places) {
    if (place.thing != thing) continue;
    const TrueSize& of = print_->things[thing];
    const double width = (place.isTurned ? of.height : of.width).mm();
    const double height = (place.isTurned ? of.width : of.height).mm();
    return to.mapRect(QRectF(place.at.x, place.at.y, width, height));
  }
  if (sheet.tile && sheet.tile->thing == thing)
    return to.mapRect(QRectF(0, 0, sheet.tile->part.width(), sheet.tile->part.height()));
  return std::nullopt;
}

std::optional<std::size_t> PrintSheetView::thingAt(const QPointF& at) const {
  if (!print_) return std::nullopt;
  constexpr double kNear = 4.0;  // pixels: gauges are narrow
  for (std::size_t i = 0; i < print_->things.size(); ++i)
    if (const auto place = placeOf(i);
        place && place->adjusted(-kNear, -kNear, kNear, kNear).contains(at))
      return i;
  return std::nullopt;
}

void PrintSheetView::mousePressEvent(QMouseEvent* event) {
  const auto thing = thingAt(event->position());
  emit pressed(thing ? static_cast<int>(*thing) : -1);
}

void PrintSheetView::paintEvent(QPaintEvent*) {
  if (!print_) return;
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QRectF page(QPointF(kAround, kAround), paper() * perMm_);
  painter.setPen(QPen(palette_.hairline, 1.0));
  painter.setBrush(printPalette().paper);
  painter.drawRect(page);
  PaintStyle style = trueSizeStyle();
  style.perMm = perMm_;
  style.leastWidth = 0.7;
  painter.setClipRect(page.adjusted(-1, -1, 1, 1));
  paintPrintSheet(painter, *print_, sheet_, paperToView(), style);
  for (std::size_t i = 0; i < print_->things.size(); ++i) {
    if (lit_.empty() || print_->things[i].id != lit_) continue;
    if (const auto place = placeOf(i)) {
      painter.setPen(QPen(lightPalette().accent, 2.0));
      painter.setBrush(Qt::NoBrush);
      painter.drawRoundedRect(place->adjusted(-5, -5, 5, 5), 3, 3);
    }
  }
}

}  // namespace drapery
