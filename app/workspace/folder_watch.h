// Tells when something in a few folders of small files was changed, however an editor writes.
#pragma once

#include <QFileSystemWatcher>
#include <QObject>
#include <QStringList>
#include <QTimer>
#include <string>
#include <vector>

namespace drapery {

class FolderWatch : public QObject {
  Q_OBJECT

 public:
  /// A folder that is not there yet is seen when it comes while the one above it is there; else
  /// when the binder next turns to the program.
  FolderWatch(const std::vector<std::string>& folders, QObject* parent);
  /// Looks now, as when the binder comes back from another window.
  void look();

 signals:
  void changed();

 private:
  [[nodiscard]] QStringList present() const;
  void watchAll();

  QStringList folders_;
  QFileSystemWatcher watcher_;
  QTimer calm_;        // an editor writes several times in a moment
  QStringList state_;  // name, size and time of each file when last looked at
};

}  // namespace drapery
