#include "app/ink_parts.h"

#include <QLabel>
#include <QLayout>
#include <QLineEdit>

#include "paint/fonts.h"

namespace drapery {

QLabel* inkLabel(const QString& words, double pixels, const QColor& ink, QWidget* parent,
                 bool semiBold) {
  auto* label = new QLabel(words, parent);
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
