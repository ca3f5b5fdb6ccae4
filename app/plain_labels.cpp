#include "app/plain_labels.h"

#include <QApplication>
#include <QEvent>
#include <QLabel>

namespace drapery {

namespace {

class PlainLabels : public QObject {
 public:
  using QObject::QObject;
  bool eventFilter(QObject* watched, QEvent* event) override {
    if (event->type() == QEvent::Polish)
      if (auto* label = qobject_cast<QLabel*>(watched)) label->setTextFormat(Qt::PlainText);
    return false;
  }
};

}  // namespace

void keepLabelsPlain(QApplication& application) {
  application.installEventFilter(new PlainLabels(&application));
}

}  // namespace drapery
