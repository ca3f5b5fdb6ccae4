// From a key press to the painted frame: the window at 1280x800, offscreen, on the demo book.
// Prints the median and the 95th percentile in milliseconds. An argument measures only what has it
// in its name, ten times as often: for a profile.
#include <QAbstractButton>
#include <QApplication>
#include <QElapsedTimer>
#include <QFile>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMouseEvent>
#include <QSlider>
#include <QTemporaryDir>
#include <algorithm>
#include <clocale>
#include <cstdio>
#include <functional>
#include <vector>

#include "app/cutting/cut_desk.h"
#include "app/main_window.h"
#include "app/table/table.h"
#include "app/table/turn_handle.h"
#include "paint/fonts.h"

namespace {

using namespace drapery;

constexpr int kTimes = 400;

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

/// Until the page has been painted, and the rest of the same frame.
void paintAfter(PaintWatch& watch) {
  while (!watch.isPainted) QApplication::processEvents();
  QApplication::sendPostedEvents();
}

std::string wanted;  // all, where empty

/// What is done, many times, and how long each takes until it is painted.
/// @param before each, not measured
void measure(QObject& painted, const std::string& what, double limit,
             const std::function<void(int)>& act, int often = kTimes,
             const std::function<void(int)>& before = {}) {
  if (what.find(wanted) == std::string::npos) return;
  std::vector<double> times;
  PaintWatch watch;
  painted.installEventFilter(&watch);
  for (int i = 0; i < (often); ++i) {
    if (before) before(i);
    QElapsedTimer timer;
    timer.start();
    watch.isPainted = false;
    act(i);
    paintAfter(watch);
    times.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
  }
  painted.removeEventFilter(&watch);
  std::sort(times.begin(), times.end());
  std::printf("%s: median %.2f ms, 95th percentile %.2f ms, worst %.2f ms; to reach %.2f\n",
              what.c_str(), times[times.size() / 2], times[times.size() * 95 / 100], times.back(),
              limit);
}

constexpr double kFrame = 16.0, kPan = 4.0;
/// At 60 frames a second with half a core.
constexpr double kPlayed = 1000.0 / 60 / 2;

/// Types and deletes a digit at the end of a measure.
void typeInto(MainWindow& window, const char* tag, const std::string& where,
              QWidget* painted = nullptr) {
  auto* entry = window.findChild<QLineEdit*>(tag);
  entry->setFocus();
  entry->setCursorPosition(static_cast<int>(entry->text().size()));
  measure(painted != nullptr ? *painted : window.page(), "key to painted frame, " + where, kFrame,
          [&](int i) {
            if (i % 2 == 0)
              press(entry, Qt::Key_5, "5");
            else
              press(entry, Qt::Key_Backspace, {});
          });
  window.page().setFocus();
}

void point(QWidget& table, QEvent::Type type, QPointF at, Qt::MouseButton button) {
  QMouseEvent event(type, at, table.mapToGlobal(at), button,
                    type == QEvent::MouseButtonRelease ? Qt::NoButton : Qt::LeftButton, {});
  QApplication::sendEvent(&table, &event);
}

/// A decision dragged to and fro by its handle.
void drag(MainWindow& window, const char* value) {
  auto& table = dynamic_cast<Table&>(window.page());
  const auto handle = table.handleOf(value);
  if (!handle) return;
  QMouseEvent hover(QEvent::MouseMove, handle->at, table.mapToGlobal(handle->at), Qt::NoButton,
                    Qt::NoButton, {});
  QApplication::sendEvent(&table, &hover);
  point(table, QEvent::MouseButtonPress, handle->at, Qt::LeftButton);
  measure(window.page(), std::string("drag to painted frame, ") + value, kFrame, [&](int i) {
    const QPointF to = handle->at + (i % 9) * 0.5 * handle->pull;
    point(table, QEvent::MouseMove, to, Qt::NoButton);
  });
  QKeyEvent escape(QEvent::KeyPress, Qt::Key_Escape, Qt::NoModifier);
  QApplication::sendEvent(&table, &escape);
  point(table, QEvent::MouseButtonRelease, handle->at, Qt::LeftButton);
}

/// Move after move of a sewing, to its end and again; then a size of it typed.
void sew(MainWindow& window, const QString& folder, const QString& demo, const QString& pattern,
         const QString& sizes) {
  const QString path = folder + "/" + demo + "-" + pattern + ".json";
  QFile file(QString(DRAPERY_SOURCE_DIR) + "/demo/" + demo + ".json");
  if (!file.open(QIODevice::ReadOnly)) return;
  QByteArray text = file.readAll();
  if (!pattern.isEmpty())
    text.replace("\"method\":", ("\"sewing\": {\"kind\": \"stab\", \"pattern\": \"" + pattern +
                                 "\", \"allowances\": {" + sizes + "}}, \"method\":")
                                    .toUtf8());
  QFile copy(path);
  if (!copy.open(QIODevice::WriteOnly)) return;
  copy.write(text);
  copy.close();
  if (!window.openFile(path)) return;
  window.setStage(*stageNamed("sew"));
  window.page().setFocus();
  QApplication::processEvents();
  const std::string name = (pattern.isEmpty() ? demo : demo + ", " + pattern).toStdString();
  auto* slider = window.findChild<QSlider*>("sew.slider");
  if (slider == nullptr || slider->maximum() == 0) return;
  measure(*window.findChild<QWidget*>("sew.strip"), "a move of the sewing, " + name, kPlayed,
          [&](int) {
            press(&window.page(),
                  slider->value() < slider->maximum() ? Qt::Key_Right : Qt::Key_Home, {});
          });
  if (window.findChild<QLineEdit*>("tag.sewing/thread_diameter") != nullptr)
    typeInto(window, "tag.sewing/thread_diameter", "the thread of " + name,
             window.findChild<QWidget*>("sew.strip"));
}

/// An edition on the demo's shelf: all sheets painted, and the word that this lay-out will do.
void cut(const QString& folder) {
  constexpr int kEdition = 300, kSearches = 15, kBegun = 300;  // copies; times; ms
  const QString job = folder + "/edition.json", stock = folder + "/stock.json";
  QFile::copy(QString(DRAPERY_SOURCE_DIR) + "/demo/stock/shelf.json", stock);
  QFile::copy(QString(DRAPERY_SOURCE_DIR) + "/demo/lantern-log.json", job);
  Workspace::Places places;
  places.stock = stock.toStdString();
  Workspace workspace(places);
  MainWindow window(workspace);
  if (!window.openFile(job)) return;
  workspace.book().keep("copies", Entry{double(kEdition), {}});
  window.resize(1280, 800);
  window.show();
  window.setStage(*stageNamed("cut"));
  workspace.cutting().settle();
  QApplication::processEvents();
  QWidget& page = window.page();
  measure(page, "all sheets of 300 copies", kFrame, [&](int) {
    for (QWidget* card : page.findChildren<QWidget*>()) card->update();
    page.update();
  });
  const auto searchOn = [&](int i) {
    workspace.book().keep("given/text_height", Entry{210.0 + i % 2, {}});
    QElapsedTimer timer;
    for (timer.start(); timer.elapsed() < kBegun;) QApplication::processEvents();
  };
  const auto stop = [&](int) {
    if (auto* button = page.findChild<QAbstractButton*>("cut.stop")) button->click();
  };
  measure(*qApp, "this lay-out will do, of 300 copies", kFrame, stop, kSearches, searchOn);
}

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  const QApplication application(argc, argv);
  if (argc > 1) wanted = argv[1];
  std::setlocale(LC_NUMERIC, "C");
  loadFonts();
  Workspace workspace({});
  MainWindow window(workspace);
  // The one with the most pieces; a copy, since what is typed is kept.
  const QTemporaryDir folder;
  const QString job = folder.filePath("lantern-log.json");
  QFile::copy(QString(DRAPERY_SOURCE_DIR) + "/demo/lantern-log.json", job);
  if (!window.openFile(job)) return 2;
  window.resize(1280, 800);
  window.show();
  QApplication::processEvents();
  typeInto(window, "tag.text_width", "text_width");
  window.setStage(*stageNamed("case"));
  QApplication::processEvents();
  typeInto(window, "tag.setback", "setback");
  drag(window, "margin");
  const auto pan = [&](int i) {
    QKeyEvent key(QEvent::KeyPress, i % 2 == 0 ? Qt::Key_Left : Qt::Key_Right, Qt::ControlModifier);
    QApplication::sendEvent(&window.page(), &key);
  };
  measure(window.page(), "pan", kPan, pan);
  window.page().select(Subject::field("opened-closer"));
  QApplication::processEvents();
  if (auto* handle = window.findChild<TurnHandle*>())
    measure(window.page(), "a frame of the cover opening", kPlayed,
            [&](int i) { emit handle->turned(i % 180); });
  window.page().select(Subject::field(kAllMethods));
  QApplication::processEvents();
  typeInto(window, "tag.round", "the rule in hand, all methods open");
  sew(window, folder.path(), "hive-book-stabbed", {}, {});
  sew(window, folder.path(), "hive-book-stabbed", "leaf", R"("count": 100)");
  sew(window, folder.path(), "ferry-accounts", {}, {});
  sew(window, folder.path(), "tide-pocket-book", {}, {});
  cut(folder.path());
}
