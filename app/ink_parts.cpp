#include "app/ink_parts.h"

#include <QLabel>
#include <QLayout>
#include <QLineEdit>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QStyle>
#include <algorithm>

#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {

/// A label whose broken lines are not set anew each time that a layout asks for their height.
class InkLabel : public QLabel {
 public:
  using QLabel::QLabel;
  [[nodiscard]] int heightForWidth(int width) const override {
    return wordWrap() ? wordsHeight(font(), text(), width) : QLabel::heightForWidth(width);
  }
  [[nodiscard]] QSize minimumSizeHint() const override {
    return wordWrap() ? QSize(1, QFontMetrics(font()).height()) : QLabel::minimumSizeHint();
  }
  [[nodiscard]] QSize sizeHint() const override {
    if (!wordWrap()) return QLabel::sizeHint();
    const int wide = std::min(wordsWidth(font(), text()), static_cast<int>(kWideEm * em()));
    return {wide, wordsHeight(font(), text(), wide)};
  }

 protected:
  void paintEvent(QPaintEvent* event) override {
    if (!wordWrap()) return QLabel::paintEvent(event);
    QPainter painter(this);
    painter.setFont(font());
    painter.setPen(palette().color(QPalette::WindowText));
    paintWords(painter, contentsRect(),
               static_cast<int>(alignment()) | Qt::TextWordWrap | Qt::TextDontClip, text());
  }

 private:
  static constexpr double kWideEm = 24.0;
};

}  // namespace

QLabel* inkLabel(const QString& words, double pixels, const QColor& ink, QWidget* parent,
                 bool semiBold) {
  auto* label = new InkLabel(words, parent);
  label->setTextFormat(Qt::PlainText);
  label->setFont(textFont(pixels, semiBold));
  QPalette colours = label->palette();
  colours.setColor(QPalette::WindowText, ink);
  label->setPalette(colours);
  return label;
}

void dressEntry(QLineEdit* entry, const Palette& palette, const QColor& ink, const QColor& asking) {
  entry->setFrame(false);
  QPalette colours = entry->palette();
  colours.setColor(QPalette::Base, Qt::transparent);
  colours.setColor(QPalette::Text, ink);
  colours.setColor(QPalette::PlaceholderText, asking);
  colours.setColor(QPalette::Highlight, palette.accent);
  colours.setColor(QPalette::HighlightedText, palette.ground);
  entry->setPalette(colours);
}

void inkEntry(QWidget* entry, const QColor& ink) {
  QPalette colours = entry->palette();
  if (colours.color(QPalette::Text) == ink) return;
  colours.setColor(QPalette::Text, ink);
  entry->setPalette(colours);
}

void thin(QScrollBar* bar, const Palette& palette) {
  const bool isUpright = bar->orientation() == Qt::Vertical;
  bar->setStyleSheet(
      QString("QScrollBar { %1: %2px; background: transparent; }"
              "QScrollBar::handle { background: %3; min-%4: 40px; border-radius: 2px; }"
              "QScrollBar::add-line, QScrollBar::sub-line { %4: 0; }")
          .arg(isUpright ? "width" : "height")
          .arg(kThinBar)
          .arg(palette.hairline.name(), isUpright ? "height" : "width"));
}

void plainArea(QScrollArea& area, const Palette& palette, QWidget* inside) {
  area.setFrameShape(QFrame::NoFrame);
  area.setFocusPolicy(Qt::NoFocus);
  area.viewport()->setAutoFillBackground(false);
  thin(area.verticalScrollBar(), palette);
  thin(area.horizontalScrollBar(), palette);
  area.setWidget(inside);
  inside->setAutoFillBackground(false);
}

QRect mirrored(const QWidget& in, const QRect& place) {
  return QStyle::visualRect(in.layoutDirection(), in.rect(), place);
}

void emptyLayout(QLayout* layout) {
  while (QLayoutItem* item = layout->takeAt(0)) {
    if (QWidget* widget = item->widget()) {
      widget->hide();
      widget->setParent(nullptr);
      widget->deleteLater();
    }
    delete item;
  }
}

}  // namespace drapery
