// Work that takes longer than a blink, beside the window: one at a time, with how far it is, and a
// way to end it.
#pragma once

#include <QFutureWatcher>
#include <QObject>
#include <QPointer>
#include <QPromise>
#include <QString>
#include <functional>
#include <optional>

#include "core/diag/issue.h"

namespace drapery {

class Tasks : public QObject {
  Q_OBJECT

 public:
  using Outcome = std::optional<Issue>;
  /// What the work is given: `setProgressValue(0 to 100)`, `isCanceled()`.
  using Control = QPromise<Outcome>;
  using Work = std::function<Outcome(Control&)>;
  using Done = std::function<void(const Outcome&)>;

  explicit Tasks(QObject* parent = nullptr);
  /// Ends what is under way and waits for it.
  ~Tasks() override;

  /// Runs the work in a thread of its own; it must touch nothing that others change. `done` is
  /// called in this thread, unless the task was cancelled or `context` is gone by then. A task that
  /// is under way is waited for.
  void start(const QObject* context, const Work& work, const Done& done);
  [[nodiscard]] bool isBusy() const { return watcher_.isRunning(); }
  void cancel();
  /// Waits until what is under way has ended and its `done` was called.
  void settle();

 signals:
  void progressed(int percent);
  void cancelled();

 private:
  void onFinished();

  QFutureWatcher<Outcome> watcher_;
  Done done_;
  QPointer<const QObject> context_;
};

}  // namespace drapery
