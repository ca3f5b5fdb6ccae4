#include "app/theme.h"

#include <QApplication>
#include <QPalette>
#include <QStyleFactory>

#include "paint/fonts.h"

namespace drapery {

const Palette& paletteNamed(std::string_view theme) {
  return theme == "bench" ? benchPalette() : lightPalette();
}

void dress(const Palette& palette) {
  QApplication::setStyle(QStyleFactory::create("Fusion"));
  QPalette colours;
  colours.setColor(QPalette::Window, palette.ground);
  colours.setColor(QPalette::Base, palette.paper);
  colours.setColor(QPalette::Button, palette.paper);
  colours.setColor(QPalette::ButtonText, palette.ink);
  colours.setColor(QPalette::WindowText, palette.ink);
  colours.setColor(QPalette::Text, palette.ink);
  colours.setColor(QPalette::Highlight, palette.accent);
  colours.setColor(QPalette::HighlightedText, palette.ground);
  QApplication::setPalette(colours);
  QApplication::setFont(textFont(14));
}

}  // namespace drapery
