// drapery: the application object and the window.
#include <QApplication>
#include <clocale>
#include <cstdlib>
#include <cstring>
#include <iostream>

#include "app/launch.h"
#include "app/workspace/log.h"
#include "drapery_version.h"
#include "words/shown_text.h"

namespace {

bool isSet(const char* variable) {
  const char* value = std::getenv(variable);
  return value != nullptr && *value != '\0';
}

bool needsNoDisplay(int argc, char** argv) {
  for (int i = 1; i < argc; ++i)
    for (const char* option : {"--screenshot", "--version", "-v", "--help", "-h"})
      if (std::strncmp(argv[i], option, std::strlen(option)) == 0) return true;
  return false;
}

}  // namespace

int main(int argc, char** argv) {
  // Without a display Qt would abort.
  if (!isSet("DISPLAY") && !isSet("WAYLAND_DISPLAY") && !isSet("QT_QPA_PLATFORM")) {
    if (!needsNoDisplay(argc, argv)) {
      std::cerr << "drapery: there is no display; set DISPLAY, or use --screenshot FILE\n";
      return 2;
    }
    qputenv("QT_QPA_PLATFORM", "offscreen");
  }
  for (int i = 1; i < argc; ++i)
    if (QString::fromUtf8(argv[i]).toUtf8() != argv[i]) {
      std::cerr << "drapery: " << drapery::shownText(argv[i])
                << ": a name that is not UTF-8 cannot be opened here; rename it first\n";
      return 2;
    }
  drapery::takeQtMessages();
  QApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");  // QApplication took the environment's; files need a dot
  QApplication::setApplicationName("drapery");
  QGuiApplication::setDesktopFileName("drapery");  // whose icon Wayland shows
  QApplication::setApplicationVersion(kDraperyVersion);
  return drapery::launch(application);
}
