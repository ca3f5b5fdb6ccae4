// From a key press to the painted frame: the window at 1280x800, offscreen, on the demo book.
// Prints the median and the 95th percentile in milliseconds.
#include <QApplication>
#include <QElapsedTimer>
#include <QKeyEvent>
#include <QLineEdit>
#include <algorithm>
#include <clocale>
#include <cstdio>
#include <vector>

#include "app/main_window.h"
#include "paint/fonts.h"

namespace {

using namespace drapery;

constexpr int kKeys = 400;

void press(QWidget* target, int key, const QString& text) {
  QKeyEvent down(QEvent::KeyPress, key, Qt::NoModifier, text);
  QApplication::sendEvent(target, &down);
}

/// Sees when the table has been painted.
class PaintWatch : public QObject {
 public:
  bool isPainted = false;

 protected:
  bool eventFilter(QObject*, QEvent* event) override {
    if (event->type() == QEvent::Paint) isPainted = true;
    return false;
  }
};

/// Types and deletes a digit at the end of a measure, and lets the window paint after each key.
std::vector<double> typeInto(MainWindow& window, const char* tag) {
  auto* entry = window.findChild<QLineEdit*>(tag);
  std::vector<double> times;
  PaintWatch watch;
  window.page().installEventFilter(&watch);
  entry->setFocus();
  entry->setCursorPosition(static_cast<int>(entry->text().size()));
  for (int i = 0; i < kKeys; ++i) {
    QElapsedTimer timer;
    timer.start();
    if (i % 2 == 0)
      press(entry, Qt::Key_5, "5");
    else
      press(entry, Qt::Key_Backspace, {});
    watch.isPainted = false;
    while (!watch.isPainted) QApplication::processEvents();
    QApplication::sendPostedEvents();  // the rest of the same frame
    times.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
  }
  std::sort(times.begin(), times.end());
  return times;
}

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  const QApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  loadFonts();
  Workspace workspace({});
  MainWindow window(workspace);
  if (!window.openFile(QString(DRAPERY_SOURCE_DIR) + "/demo/tide-ledger.json")) return 2;
  window.resize(1280, 800);
  window.show();
  QApplication::processEvents();
  for (const auto& [stage, tag] :
       {std::pair("measure", "tag.text_width"), std::pair("case", "tag.setback")}) {
    window.setStage(*stageNamed(stage));
    QApplication::processEvents();
    const std::vector<double> times = typeInto(window, tag);
    std::printf("%s: median %.2f ms, 95th percentile %.2f ms, worst %.2f ms\n", tag,
                times[times.size() / 2], times[times.size() * 95 / 100], times.back());
    window.page().setFocus();
  }
}
