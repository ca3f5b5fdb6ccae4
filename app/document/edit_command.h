// One kept edit: the job before it and after it.
#pragma once

#include <QUndoCommand>

#include "app/document/document.h"

namespace drapery {

class EditCommand : public QUndoCommand {
 public:
  EditCommand(Document& document, Job job) : document_(document), other_(std::move(job)) {}
  void undo() override { other_ = document_.exchange(std::move(other_)); }
  void redo() override { other_ = document_.exchange(std::move(other_)); }

 private:
  Document& document_;
  Job other_;  // the one that is not open now
};

}  // namespace drapery
