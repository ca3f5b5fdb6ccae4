#include "app/workspace/folder_watch.h"

#include <QDateTime>
#include <QDir>
#include <QFileInfo>
#include <QGuiApplication>

namespace drapery {

namespace {
constexpr int kCalm = 150;       // ms without another change
constexpr int kMostFiles = 500;  // more are no rule files
}  // namespace

FolderWatch::FolderWatch(const std::vector<std::string>& folders, QObject* parent)
    : QObject(parent) {
  for (const std::string& folder : folders)
    if (!folder.empty()) folders_ << QString::fromStdString(folder);
  calm_.setSingleShot(true);
  calm_.setInterval(kCalm);
  connect(&calm_, &QTimer::timeout, this, &FolderWatch::look);
  const auto wait = [this] { calm_.start(); };
  connect(&watcher_, &QFileSystemWatcher::directoryChanged, this, wait);
  connect(&watcher_, &QFileSystemWatcher::fileChanged, this, wait);
  connect(qGuiApp, &QGuiApplication::applicationStateChanged, this,
          [this](Qt::ApplicationState state) {
            if (state == Qt::ApplicationActive) look();
          });
  state_ = present();
  watchAll();
}

QStringList FolderWatch::present() const {
  QStringList state;
  for (const QString& folder : folders_)
    for (const QFileInfo& file : QDir(folder).entryInfoList({"*.toml"}, QDir::Files, QDir::Name)) {
      if (state.size() >= kMostFiles) break;
      state << QString("%1 %2 %3")
                   .arg(file.filePath())
                   .arg(file.size())
                   .arg(file.lastModified().toMSecsSinceEpoch());
    }
  return state;
}

void FolderWatch::watchAll() {
  QStringList paths;
  for (const QString& folder : folders_) {
    if (QFileInfo(folder).isDir())
      paths << folder;
    else if (const QString above = QFileInfo(folder).path(); QFileInfo(above).isDir())
      paths << above;
    for (const QFileInfo& file : QDir(folder).entryInfoList({"*.toml"}, QDir::Files))
      if (paths.size() < kMostFiles) paths << file.filePath();
  }
  const QStringList watched = watcher_.files() + watcher_.directories();
  QStringList fresh;
  for (const QString& path : paths)
    if (!watched.contains(path)) fresh << path;
  if (!fresh.isEmpty()) watcher_.addPaths(fresh);
}

void FolderWatch::look() {
  QStringList now = present();
  watchAll();  // a file that was replaced is no longer the one that was watched
  if (now == state_) return;
  state_ = std::move(now);
  emit changed();
}

}  // namespace drapery
