#include "app/workspace/tasks.h"

#include <QThreadPool>
#include <memory>

namespace drapery {

Tasks::Tasks(QObject* parent) : QObject(parent) {
  connect(&watcher_, &QFutureWatcherBase::progressValueChanged, this, &Tasks::progressed);
  connect(&watcher_, &QFutureWatcherBase::finished, this, &Tasks::onFinished);
}

Tasks::~Tasks() {
  watcher_.disconnect(this);
  watcher_.cancel();
  watcher_.waitForFinished();
}

void Tasks::start(const QObject* context, const Work& work, const Done& done) {
  settle();
  done_ = done;
  context_ = context;
  auto promise = std::make_shared<Control>();
  watcher_.setFuture(promise->future());
  promise->start();
  promise->setProgressRange(0, 100);
  QThreadPool::globalInstance()->start([promise, work] {
    Outcome outcome = work(*promise);
    if (!promise->isCanceled()) promise->addResult(std::move(outcome));
    promise->finish();
  });
}

void Tasks::cancel() { watcher_.cancel(); }

void Tasks::settle() {
  if (!done_) return;
  watcher_.waitForFinished();
  onFinished();
}

void Tasks::onFinished() {
  if (!done_) return;  // settled already
  const Done done = std::exchange(done_, nullptr);
  if (watcher_.isCanceled() || watcher_.future().resultCount() == 0) return emit cancelled();
  if (context_ != nullptr) done(watcher_.future().result());
}

}  // namespace drapery
