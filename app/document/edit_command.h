// One kept edit: a field and its two values.
#pragma once

#include <QUndoCommand>

#include "app/document/document.h"

namespace drapery {

class EditCommand : public QUndoCommand {
 public:
  EditCommand(Document& document, std::string field, FieldValue value);
  void undo() override { swap(); }
  void redo() override { swap(); }

 private:
  void swap();

  Document& document_;
  std::string field_;
  FieldValue other_;  // the value that is not in the job now
};

}  // namespace drapery
