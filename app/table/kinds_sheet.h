// The kinds of books side by side, each of the same leaves and all at one scale: by what the book
// is for, those that serve, and what each can never do.
#pragma once

#include <vector>

#include "app/document/document.h"
#include "app/table/table_sheet.h"
#include "core/drawing/drawing.h"
#include "core/plan/same_leaves.h"
#include "paint/palette.h"

namespace drapery {

class KindsSheet : public TableSheet {
  Q_OBJECT

 public:
  KindsSheet(Document& document, const Palette& palette, QWidget* parent);
  [[nodiscard]] QString heading() const override;
  void renew(const std::string& view) override;
  void keepTyped() override {}

 signals:
  /// The binder takes up a kind: one of its methods.
  void chosen(const drapery::Subject& method);

 protected:
  void resizeEvent(QResizeEvent* event) override;

 private:
  class Sheet;
  Sheet* sheet_;
};

}  // namespace drapery
