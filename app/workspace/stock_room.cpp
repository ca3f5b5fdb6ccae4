#include "app/workspace/stock_room.h"

#include <QUndoStack>
#include <utility>

namespace drapery {

class StockRoom::Step : public QUndoCommand {
 public:
  Step(StockRoom& room, const QString& name, Change change, Change back)
      : QUndoCommand(name), room_(room), change_(std::move(change)), back_(std::move(back)) {}
  void undo() override { turn(false); }
  void redo() override { turn(true); }

 private:
  /// One that could not be taken back still holds, and is not done twice.
  void turn(bool holds) {
    if (holds_ == holds) return;
    const Issues issues = room_.apply(holds ? change_ : back_);
    if (!issues.empty()) return emit room_.refused(issues);
    holds_ = holds;
  }
  StockRoom& room_;
  Change change_, back_;
  bool holds_ = true;  // pushed once it is written
};

StockRoom::StockRoom(std::unique_ptr<StockShelf> shelf, QObject* parent)
    : QObject(parent), shelf_(std::move(shelf)) {
  reload();
}

void StockRoom::reload() {
  auto read = shelf_->read();
  const bool wasWrong = !issues_.empty();
  issues_.clear();
  if (auto* issues = std::get_if<Issues>(&read)) {
    issues_ = std::move(*issues);
  } else {
    const bool isSame = !wasWrong && stock_ == std::get<Stock>(read);
    stock_ = std::move(std::get<Stock>(read));
    if (isSame) return;
  }
  emit changed();
}

Issues StockRoom::apply(const Change& change) {
  auto read = shelf_->read();
  if (auto* issues = std::get_if<Issues>(&read)) return std::move(*issues);
  auto after = change(std::get<Stock>(read));
  if (auto* issue = std::get_if<Issue>(&after)) {
    reload();  // somebody else may have changed what it was said of
    return {std::move(*issue)};
  }
  if (auto issue = shelf_->write(std::get<Stock>(after))) return {std::move(*issue)};
  stock_ = std::move(std::get<Stock>(after));
  issues_.clear();
  emit changed();
  return {};
}

Issues StockRoom::keepItem(QUndoStack& steps, const StockItem& before, const StockItem& after) {
  return keep(
      steps, QString::fromStdString(before.lies.id),
      [before, after](const Stock& shelf) { return itemChanged(shelf, before, after); },
      [before, after](const Stock& shelf) { return itemChanged(shelf, after, before); });
}

Issues StockRoom::keep(QUndoStack& steps, const QString& name, Change change, Change back,
                       const std::function<void()>& with) {
  if (Issues issues = apply(change); !issues.empty()) return issues;
  steps.beginMacro(name);
  steps.push(new Step(*this, name, std::move(change), std::move(back)));
  if (with) with();
  steps.endMacro();
  return {};
}

}  // namespace drapery
