#include "paint/fonts.h"

#include <QFontDatabase>
#include <algorithm>

// Outside of any namespace: the resource of a static library must be named, or the linker drops it.
static void initPaintResources() { Q_INIT_RESOURCE(fonts); }

namespace drapery {

namespace {
double scaleInUse = 1.0;
}

void loadFonts() {
  initPaintResources();
  QFontDatabase::addApplicationFont(":/fonts/IBMPlexSans-Regular.woff2");
  QFontDatabase::addApplicationFont(":/fonts/IBMPlexSans-SemiBold.woff2");
}

QFont textFont(double pixels, bool semiBold) {
  QFont font("IBM Plex Sans");
  font.setPixelSize(std::max(1, static_cast<int>(pixels * scaleInUse + 0.5)));
  font.setWeight(semiBold ? QFont::DemiBold : QFont::Normal);
  return font;
}

void setFontScale(double scale) { scaleInUse = std::clamp(scale, 0.5, 3.0); }
double fontScale() { return scaleInUse; }

}  // namespace drapery
