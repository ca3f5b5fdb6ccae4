// What lies there to be cut, for the window: read from the shelf, changed by steps that can be
// taken back.
#pragma once

#include <QObject>
#include <functional>
#include <memory>
#include <variant>

#include "store/stock_shelf.h"

class QUndoStack;

namespace drapery {

class StockRoom : public QObject {
  Q_OBJECT

 public:
  explicit StockRoom(std::unique_ptr<StockShelf> shelf, QObject* parent = nullptr);

  [[nodiscard]] const Stock& stock() const { return stock_; }
  /// What is wrong with the file; the stock is then what was read last.
  [[nodiscard]] const Issues& issues() const { return issues_; }
  [[nodiscard]] std::string name() const { return shelf_->name(); }
  /// Takes up what somebody else wrote; told only where it is something else.
  void reload();

  /// What a step makes of what lies there at that moment; or why it cannot.
  using Change = std::function<std::variant<Stock, Issue>(const Stock&)>;
  /// Writes what follows from what is in the file now, whoever wrote it, and keeps it as a step.
  /// Nothing is done where something is wrong, which is returned; else `with` is of the same step.
  Issues keep(QUndoStack& steps, const QString& name, Change change, Change back,
              const std::function<void()>& with = {});

  /// The same of what one item says otherwise.
  Issues keepItem(QUndoStack& steps, const StockItem& before, const StockItem& after);

 signals:
  void changed();
  /// A step could not be taken back or done again.
  void refused(const drapery::Issues& issues);

 private:
  class Step;
  Issues apply(const Change& change);

  std::unique_ptr<StockShelf> shelf_;
  Stock stock_;
  Issues issues_;
};

}  // namespace drapery
