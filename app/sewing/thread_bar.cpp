#include "app/sewing/thread_bar.h"

#include <QPainter>
#include <algorithm>

#include "app/ink_parts.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

using What = ThreadPart::What;

constexpr double kEdge = 10.0;     // pixels
constexpr double kBarHigh = 12.0;  // of the thread's row
constexpr double kThick = 5.0, kThin = 1.6;

/// A kind is known by its shape: a bar along a face, a hollow one round an edge, a line through a
/// hole, a block for a knot, dots for what is left over.
void paintPart(QPainter& painter, What what, const QRectF& at, const QColor& ink) {
  const double middle = at.center().y();
  switch (what) {
    case What::Along:
      painter.fillRect(QRectF(at.left(), middle - kThick / 2, at.width(), kThick), ink);
      break;
    case What::Round:
      painter.fillRect(QRectF(at.left(), middle - kThick / 2, at.width(), kThin), ink);
      painter.fillRect(QRectF(at.left(), middle + kThick / 2 - kThin, at.width(), kThin), ink);
      break;
    case What::Through:
      painter.fillRect(QRectF(at.left(), middle - kThin / 2, at.width(), kThin), ink);
      break;
    case What::Knot:
      painter.fillRect(QRectF(at.left(), middle - kThick, at.width(), 2 * kThick), ink);
      break;
    case What::Tail:
      painter.setPen(QPen(ink, kThin, Qt::DotLine));
      painter.drawLine(QPointF(at.left(), middle), QPointF(at.right(), middle));
      break;
  }
}

}  // namespace

ThreadBar::ThreadBar(const Palette& palette, QWidget* parent) : QWidget(parent), palette_(palette) {
  setObjectName("sew.thread");
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void ThreadBar::setLengths(const Lengths& lengths) {
  lengths_ = lengths;
  bare_ = full_ = {};
  setAccessibleName(lengths.words + " " + lengths.ruleWords);
  setAccessibleDescription(lengths.kinds.join("; "));
  updateGeometry();
  update();
}

void ThreadBar::setDone(std::size_t steps) {
  if (std::exchange(done_, steps) != steps) update();
}

double ThreadBar::drawn() const {
  double drawn = 0.0;
  for (const auto& piece : lengths_.pieces)
    for (const ThreadPart& part : piece)
      if (part.from < done_) drawn += part.length;
  return drawn;
}

double ThreadBar::most() const {
  double needed = 0.0;
  for (const auto& piece : lengths_.pieces)
    for (const ThreadPart& part : piece) needed += part.length;
  return std::max(needed, lengths_.byRule);
}

QSize ThreadBar::sizeHint() const { return {200, static_cast<int>(4.4 * em())}; }

void ThreadBar::resizeEvent(QResizeEvent* event) {
  QWidget::resizeEvent(event);
  bare_ = full_ = {};
}

void ThreadBar::paintParts(QPainter& painter, const QRectF& room, bool isDrawn) const {
  const double perMm = room.width() / most();
  const QColor ink = isDrawn ? palette_.accent : palette_.hairline;
  double x = room.left();
  for (const auto& piece : lengths_.pieces) {
    const double from = x;
    // Those narrower than a pixel are painted together, as the widest of them.
    double begun = x, widest = 0.0;
    What what = What::Tail;
    for (const ThreadPart& part : piece) {
      const double wide = part.length * perMm;
      if (wide > widest) what = part.what;
      widest = std::max(widest, wide);
      x += wide;
      if (x - begun < 1.0 && &part != &piece.back()) continue;
      paintPart(painter, what, QRectF(begun, room.top(), x - begun, room.height()), ink);
      begun = x;
      widest = 0.0;
    }
    painter.setPen(QPen(palette_.ink, 1.2));
    for (const double end : {from, x})
      painter.drawLine(QPointF(end, room.top()), QPointF(end, room.bottom()));
  }
}

/// Drawn once: a long way has over a thousand parts.
QPixmap ThreadBar::picture(bool isDrawn) const {
  QPixmap picture(QSize(width(), static_cast<int>(kBarHigh)) * devicePixelRatioF());
  picture.setDevicePixelRatio(devicePixelRatioF());
  picture.fill(Qt::transparent);
  QPainter painter(&picture);
  paintParts(painter, QRectF(kEdge, 0, width() - 2 * kEdge, kBarHigh), isDrawn);
  return picture;
}

/// Each behind its shape, as far as there is room.
void ThreadBar::paintKinds(QPainter& painter, const QRectF& room) const {
  constexpr double kSample = 18.0, kClear = 5.0, kApart = 14.0;
  painter.setFont(textFont(kLabelPixels));
  const QFontMetricsF metrics(painter.font());
  double x = room.left();
  for (qsizetype i = 0; i < lengths_.kinds.size(); ++i) {
    const QString& kind = lengths_.kinds[i];
    const double words = metrics.horizontalAdvance(kind);
    if (kind.isEmpty() || x + kSample + kClear + words > room.right()) continue;
    paintPart(painter, static_cast<What>(i), QRectF(x, room.top(), kSample, room.height()),
              palette_.secondInk);
    x += kSample + kClear;
    painter.setPen(palette_.secondInk);
    painter.drawText(QRectF(x, room.top(), words + 1, room.height()),
                     Qt::AlignLeft | Qt::AlignVCenter, kind);
    x += words + kApart;
  }
}

void ThreadBar::paintEvent(QPaintEvent*) {
  const double longest = most();
  if (longest <= 0.0) return;
  const double done = drawn();
  if (bare_.isNull()) bare_ = picture(false);
  if (full_.isNull() && done > 0.0) full_ = picture(true);
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const double left = kEdge, room = width() - 2 * kEdge, line = 1.25 * em();
  const double top = line + 1;
  painter.drawPixmap(QPointF(0, top), bare_);
  if (done > 0.0) {
    painter.setClipRect(QRectF(0, top, left + done / longest * room, kBarHigh));
    painter.drawPixmap(QPointF(0, top), full_);
    painter.setClipping(false);
  }
  const double rule = top + kBarHigh + 3;
  if (lengths_.byRule > 0.0) {
    painter.setPen(QPen(palette_.secondInk, 1.2, Qt::DashLine));
    painter.drawLine(QPointF(left, rule), QPointF(left + lengths_.byRule / longest * room, rule));
  }
  const QFont bold = textFont(13.0, true);
  painter.setFont(bold);
  painter.setPen(palette_.ink);
  painter.drawText(QRectF(left, 0, room, line), Qt::AlignLeft | Qt::AlignVCenter, lengths_.words);
  const double told = QFontMetricsF(bold).horizontalAdvance(lengths_.words) + 2 * em();
  painter.setFont(textFont(kLabelPixels));
  painter.setPen(palette_.secondInk);
  if (QFontMetricsF(painter.font()).horizontalAdvance(lengths_.ruleWords) < room - told)
    painter.drawText(QRectF(left + told, 0, room - told, line), Qt::AlignRight | Qt::AlignVCenter,
                     lengths_.ruleWords);
  paintKinds(painter, QRectF(left, rule + 3, room, line));
}

}  // namespace drapery
