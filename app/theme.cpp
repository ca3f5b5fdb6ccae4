#include "app/theme.h"

#include <QApplication>
#include <QPalette>
#include <QStyleFactory>
#include <algorithm>
#include <cmath>

#include "paint/fonts.h"
#include "store/settings.h"

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

namespace {
constexpr double kInUsualWindow = 1.75;  // tests hold tags apart up to there
}

double largestLettersIn(const QSize& window) {
  const double larger = std::min(double(window.width()) / kUsualWindow.width(),
                                 double(window.height()) / kUsualWindow.height());
  return std::clamp(std::floor(kInUsualWindow * larger * 100) / 100, kInUsualWindow,
                    kLargestLetters);
}

QSize windowFor(double letters) {
  if (letters <= kInUsualWindow) return {0, 0};
  const double larger = letters / kInUsualWindow;
  return {static_cast<int>(std::ceil(kUsualWindow.width() * larger)),
          static_cast<int>(std::ceil(kUsualWindow.height() * larger))};
}

}  // namespace drapery
