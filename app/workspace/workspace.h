// What the binder works with, whatever window shows it: the rules and their files, where books are
// kept, the open book, settings, work beside the window. Outlives all widgets.
#pragma once

#include <QObject>
#include <memory>
#include <string>

#include "app/document/document.h"
#include "app/workspace/tasks.h"
#include "caliper/caliper_port.h"
#include "store/settings.h"

namespace drapery {

class CutDesk;
class FolderWatch;
class HouseDesk;
class SewDesk;
class ShopRoom;
class StockRoom;

class Workspace : public QObject {
  Q_OBJECT

 public:
  /// Folders and files; an empty one: none.
  struct Places {
    std::string methods, materials, jobs, settings, stock, shop, patterns;
    /// The binder's own, by the XDG base directories.
    static Places usual();
  };
  explicit Workspace(Places places, QObject* parent = nullptr);
  ~Workspace() override;

  [[nodiscard]] Document& book() { return *book_; }
  [[nodiscard]] Settings& settings() { return settings_; }
  /// What was wrong in the file of settings when it was read.
  [[nodiscard]] const Issues& settingsIssues() const { return settingsIssues_; }
  [[nodiscard]] Tasks& tasks() { return tasks_; }
  /// What lies there to be cut, and the book laid out on it.
  [[nodiscard]] StockRoom& stock() { return *stock_; }
  [[nodiscard]] CutDesk& cutting() { return *cutting_; }
  /// The book's sewing, and the patterns.
  [[nodiscard]] SewDesk& sewing() { return *sewing_; }
  /// Gauges and printers.
  [[nodiscard]] ShopRoom& shop() { return *shop_; }
  [[nodiscard]] CaliperPort& caliper() { return caliper_; }
  /// Listens to that port from now on, today and the next time; an empty one: to none.
  void useCaliper(const QString& port);
  /// Units of a new book: those chosen last.
  [[nodiscard]] Units usualUnits() const;
  void startNew() { book_->startNew(usualUnits()); }

  /// From now on a change in the folders of methods, materials and patterns is taken up.
  void watchRules();
  /// Takes away, in the background, what writes that were killed left behind.
  void removeLeftovers();
  /// Reads the rule files, materials and patterns anew.
  void reloadRules();
  /// Waits for what is under way, and remembers what is to be remembered: the book, and the
  /// settings.
  void close();

 signals:
  void rulesReloaded();
  /// The open book's rules have a mistake now; it is planned by those from before.
  void rulesRefused(const drapery::Issues& issues);
  /// A change of the house's rules could not be taken back or done again.
  void rulesUnwritten(const drapery::Issues& issues);

 private:
  [[nodiscard]] std::shared_ptr<const RuleLibrary> readLibrary() const;

  Places places_;
  Settings settings_;
  Issues settingsIssues_;
  std::unique_ptr<JobRepository> jobs_;
  std::unique_ptr<HouseDesk> desk_;   // outlives the book's steps, which write by it
  std::unique_ptr<StockRoom> stock_;  // so too
  std::unique_ptr<ShopRoom> shop_;
  std::unique_ptr<Document> book_;
  std::unique_ptr<CutDesk> cutting_;
  std::unique_ptr<SewDesk> sewing_;
  Tasks tasks_;
  CaliperPort caliper_;
  FolderWatch* watch_ = nullptr;
};

}  // namespace drapery
