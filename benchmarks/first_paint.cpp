// The program itself, up to its first paint: the same launch, ended after it.
#include <QApplication>
#include <QEvent>
#include <QTimer>
#include <QWidget>
#include <clocale>

#include "app/launch.h"

namespace {

class EndAfterPaint : public QObject {
 protected:
  bool eventFilter(QObject* watched, QEvent* event) override {
    if (event->type() == QEvent::Paint && watched->objectName() == "table")
      QTimer::singleShot(0, qApp, &QApplication::quit);
    return false;
  }
};

}  // namespace

int main(int argc, char** argv) {
  QApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  EndAfterPaint end;
  application.installEventFilter(&end);
  return drapery::launch(application);
}
