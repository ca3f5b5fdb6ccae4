// The margin beside sheets that lie on the table: words and commands in a column, written anew
// whenever they change.
#pragma once

#include <QScrollArea>
#include <functional>

#include "paint/palette.h"

class QVBoxLayout;

namespace drapery {

class InkButton;

class MarginColumn : public QScrollArea {
  Q_OBJECT

 public:
  /// @param name of the widget
  MarginColumn(const QString& name, const Palette& palette, QWidget* parent);

  /// From here on it is written anew; the focus stays on what has the same name afterwards.
  void begin();
  void heading(const QString& words);
  void figure(const QString& words);
  void text(const QString& words);
  void small(const QString& words);
  /// With the mark of its severity.
  void finding(Severity severity, const QString& words);
  void space();
  using Act = std::function<void()>;
  InkButton* command(const QString& name, const QString& words, const Act& act,
                     const QString& keys = {});
  /// Several in one line, of which one holds.
  struct Way {
    QString name, words;
    bool holds = false;
    Act act;
  };
  void ways(const std::vector<Way>& ways);
  /// Any widget, which it then owns.
  void add(QWidget* widget);
  void end();
  [[nodiscard]] QWidget* sheet() const { return sheet_; }

 private:
  const Palette& palette_;
  QWidget* sheet_;
  QVBoxLayout* column_;
  QString focused_;
};

}  // namespace drapery
