#include "app/document/edit_command.h"

namespace drapery {

EditCommand::EditCommand(Document& document, std::string field, FieldValue value)
    : document_(document), field_(std::move(field)), other_(std::move(value)) {}

void EditCommand::swap() {
  FieldValue present = fieldValue(document_.job(), field_);
  document_.apply(field_, other_);
  other_ = std::move(present);
}

}  // namespace drapery
