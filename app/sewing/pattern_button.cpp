#include "app/sewing/pattern_button.h"

#include <QPainter>

#include "paint/fonts.h"

namespace drapery {

namespace {
constexpr double kHigh = 3.6;  // em, of the picture
}

PatternButton::PatternButton(const QString& title, std::optional<StitchGraph> graph,
                             double thickness, const Palette& palette, QWidget* parent)
    : QAbstractButton(parent), graph_(std::move(graph)), thickness_(thickness), palette_(palette) {
  setText(title);
  setCheckable(true);
  setCursor(Qt::PointingHandCursor);
  setFocusPolicy(Qt::StrongFocus);
  setEnabled(graph_.has_value());
}

QSize PatternButton::sizeHint() const {
  return {static_cast<int>(12 * em()), static_cast<int>((kHigh + 2.0) * em())};
}

void PatternButton::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  if (isChecked()) {
    painter.fillRect(rect(), palette_.onAccent);
    painter.fillRect(QRectF(0, 0, 3, height()), palette_.accent);
  }
  painter.setFont(textFont(kCaptionPixels, isChecked()));
  painter.setPen(!isEnabled()                  ? palette_.hairline
                 : isChecked() || underMouse() ? palette_.ink
                                               : palette_.accent);
  const QRectF words(10, 2, width() - 20, 1.4 * em());
  painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, text());
  if (hasFocus()) {
    painter.setPen(QPen(palette_.accent, 1.4));
    painter.drawLine(QPointF(10, words.bottom()),
                     QPointF(10 + painter.fontMetrics().horizontalAdvance(text()), words.bottom()));
  }
  if (!graph_) return;
  StitchPicture picture;
  picture.graph = &*graph_;
  picture.thickness = thickness_;
  picture.hole = 1.0;
  picture.isSmall = true;
  paintStitches(painter, picture, QRectF(10, 1.8 * em(), width() - 20, kHigh * em()), palette_);
}

}  // namespace drapery
