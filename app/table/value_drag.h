// Measures dragged where they are drawn: which end of a measuring line moves with its value, and
// what the pointer's way makes of that.
#pragma once

#include <QPointF>
#include <optional>
#include <string>

#include "app/document/document.h"
#include "app/table/tag_rack.h"

namespace drapery {

/// An end, or the spot, that moves when a value does.
struct DragHandle {
  std::string value;
  std::string field;  // of the job
  QPointF at;         // on the table
  QPointF pull;       // where it goes for one more of the value, in the value's unit
};

class ValueDrag {
 public:
  /// The document and the others outlive it.
  ValueDrag(Document& document, const TagRack& rack) : document_(document), rack_(rack) {}

  /// The handle under the pointer: of a decision that is drawn there. None of what was measured,
  /// and none of what a material is.
  [[nodiscard]] std::optional<DragHandle> handleAt(QPointF at, const Pose& pose) const;
  /// Of a value that has its tag on the table.
  [[nodiscard]] std::optional<DragHandle> handleOf(const std::string& value,
                                                   const Pose& pose) const;

  [[nodiscard]] bool isDragging() const { return held_.has_value(); }
  [[nodiscard]] const std::string& value() const { return held_->value; }
  void begin(const DragHandle& handle, QPointF at);
  /// The value follows: on a mark of the rule in hand, or free. What is wrong with it, if anything.
  std::optional<Issue> dragTo(QPointF at, bool isFree);
  /// Keeps where it is now, as one undo step.
  std::optional<Issue> drop();
  void leave();

 private:
  [[nodiscard]] std::optional<DragHandle> handleOf(const HangingTag& hanging,
                                                   const Pose& pose) const;
  [[nodiscard]] Entry entryOf(double figure, const InputRule& rule) const;

  Document& document_;
  const TagRack& rack_;
  std::optional<DragHandle> held_;
  QPointF from_;
  double began_ = 0.0;  // the value then
  FieldValue now_;      // what it was dragged to
};

}  // namespace drapery
