// What shall give way when a computed figure is said over: each thing that could, hung at the tag,
// the book drawn with it while it is looked at.
#pragma once

#include <QWidget>
#include <string>
#include <vector>

#include "app/document/document.h"
#include "paint/palette.h"

namespace drapery {

class InkButton;

class GivingList : public QWidget {
  Q_OBJECT

 public:
  GivingList(Document& document, const Palette& palette, QWidget* parent);
  /// Asks what gives way so that the value becomes that figure, in its own unit.
  void ask(const std::string& value, double figure);
  /// Leaves all as it was.
  void leave();
  [[nodiscard]] const std::string& value() const { return value_; }
  [[nodiscard]] bool isAsking() const { return !value_.empty(); }

 signals:
  /// The question is answered, or left.
  void done();
  void refused(const drapery::Issue& issue);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;
  void paintEvent(QPaintEvent* event) override;

 private:
  void addRow(const QString& name, const QString& words, const FieldEdits& edits);
  void addWords(const QString& words, bool isHeading);
  void addWays(std::size_t node, double figure);
  void look(std::size_t row);
  void take(std::size_t row);
  void close();

  struct Row {
    InkButton* button = nullptr;
    FieldEdits edits;
  };
  Document& document_;
  const Palette& palette_;
  std::string value_;
  std::vector<Row> rows_;
};

}  // namespace drapery
