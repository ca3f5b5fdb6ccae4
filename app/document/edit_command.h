// One kept edit: the job before it and after it, and what was edited. Steps of one figure in one go
// are one edit.
#pragma once

#include <QUndoCommand>

#include "app/document/document.h"

namespace drapery {

/// What makes several edits one.
struct EditRun {
  std::string field;
  int number = 0;  // of the go; 0: an edit of its own
};

class EditCommand : public QUndoCommand {
 public:
  EditCommand(Document& document, Job job, EditRun run)
      : QUndoCommand(QString::fromStdString(run.field)),
        document_(document),
        other_(std::move(job)),
        run_(std::move(run)) {}
  void undo() override { other_ = document_.exchange(std::move(other_), Document::Write::Now); }
  void redo() override {
    const auto write = run_.number > 0 ? Document::Write::Soon : Document::Write::Now;
    other_ = document_.exchange(std::move(other_), write);
  }
  [[nodiscard]] int id() const override { return run_.number > 0 ? 1 : -1; }
  /// The job before the first of them stays the other one.
  bool mergeWith(const QUndoCommand* later) override {
    const auto* step = dynamic_cast<const EditCommand*>(later);
    return step != nullptr && step->run_.field == run_.field && step->run_.number == run_.number;
  }

 private:
  Document& document_;
  Job other_;  // the one that is not open now
  EditRun run_;
};

}  // namespace drapery
