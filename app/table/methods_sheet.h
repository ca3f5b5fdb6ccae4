// All methods and house rules on the open book, side by side: each joint at one scale, and the
// figures where they differ.
#pragma once

#include <vector>

#include "app/document/document.h"
#include "app/table/table_sheet.h"
#include "core/drawing/drawing.h"
#include "core/plan/compare.h"
#include "paint/palette.h"
#include "words/compare_rows.h"

namespace drapery {

class InkButton;

/// A column for each method, in the order in which they are offered.
class MethodsSheet : public TableSheet {
  Q_OBJECT

 public:
  MethodsSheet(Document& document, const Palette& palette, QWidget* parent);
  [[nodiscard]] QString heading() const override;
  /// Compares anew; each method shows its view with this id.
  void renew(const std::string& view) override;
  /// Keeps what is being typed of why.
  void keepTyped() override;

 signals:
  /// The binder takes up a method.
  void chosen(const drapery::Subject& method);

 private:
  class Sheet;
  Document& document_;
  Sheet* sheet_;
};

}  // namespace drapery
