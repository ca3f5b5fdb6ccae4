// An empty window: from main to its first paint. What the cold start is measured against.
#include <QApplication>
#include <QTimer>
#include <QWidget>

namespace {

class Empty : public QWidget {
 protected:
  void paintEvent(QPaintEvent*) override { QTimer::singleShot(0, qApp, &QApplication::quit); }
};

}  // namespace

int main(int argc, char** argv) {
  const QApplication application(argc, argv);
  Empty window;
  window.resize(1280, 800);
  window.show();
  return QApplication::exec();
}
