// What can stand in the drawings' place on the table: all of its room but a line for the way back.
#pragma once

#include <QScrollArea>
#include <QString>
#include <string>

namespace drapery {

class TableSheet : public QScrollArea {
 public:
  using QScrollArea::QScrollArea;
  [[nodiscard]] virtual QString heading() const = 0;
  /// Anew from the book; `view` is the drawing that it stands in the place of.
  virtual void renew(const std::string& view) = 0;
  /// Keeps what is being typed.
  virtual void keepTyped() = 0;
};

}  // namespace drapery
