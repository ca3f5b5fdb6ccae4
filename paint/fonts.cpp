#include "paint/fonts.h"

#include <QFontDatabase>
#include <QHash>
#include <algorithm>
#include <cmath>

// Outside of any namespace: the resource of a static library must be named, or the linker drops it.
static void initPaintResources() { Q_INIT_RESOURCE(fonts); }

namespace drapery {

namespace {
double scaleInUse = 1.0;
}

void loadFonts() {
  initPaintResources();
  QFontDatabase::addApplicationFont(":/fonts/IBMPlexSans-Regular.ttf");
  QFontDatabase::addApplicationFont(":/fonts/IBMPlexSans-SemiBold.ttf");
}

/// Made once each: copies share the face that was looked up, which a fresh QFont has to find again.
QFont textFont(double pixels, bool semiBold) {
  static QHash<int, QFont> made;
  const int size = std::max(1, static_cast<int>(std::lround(pixels * scaleInUse)));
  const int key = size * 2 + (semiBold ? 1 : 0);
  auto found = made.find(key);
  if (found == made.end()) {
    QFont font("IBM Plex Sans");
    font.setPixelSize(size);
    font.setWeight(semiBold ? QFont::DemiBold : QFont::Normal);
    found = made.insert(key, font);
  }
  return *found;
}

void setFontScale(double scale) { scaleInUse = std::clamp(scale, 0.5, 3.0); }
double fontScale() { return scaleInUse; }
double em() { return 14.0 * scaleInUse; }

}  // namespace drapery
