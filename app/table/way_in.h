// A way in for a newcomer, hung on the empty block: what is there to begin with, and what the book
// is for. Each answer sets a measure, a plan for one, or the method; what is not answered keeps
// silent.
#pragma once

#include <QWidget>
#include <string>
#include <vector>

#include "app/document/document.h"
#include "paint/palette.h"

class QLineEdit;

namespace drapery {

class InkButton;

class WayIn : public QWidget {
  Q_OBJECT

 public:
  WayIn(Document& document, const Palette& palette, QWidget* parent);
  /// Whether there is something to ask: on a book of which nothing is said, until it is answered
  /// or waved away.
  [[nodiscard]] bool isAsking() const;
  /// Whether a figure is being asked for: the tags are not to take the focus away.
  [[nodiscard]] bool isAnswered() const { return !start_.empty(); }

 signals:
  /// The work goes on at a value's tag.
  void goOnAt(const std::string& value);
  void changed();

 private:
  void ask();
  void clear();
  void hang(QWidget* widget);
  void addHeading(const QString& words);
  void addWords(const QString& words, const QColor& colour);
  InkButton* addAnswer(const QString& name, const QString& words);
  void answer(const std::string& start);
  void addEntry(const std::string& value);
  void keep(const std::string& value, QLineEdit* entry);
  void askWhatFor();
  void end();

  Document& document_;
  const Palette& palette_;
  std::string start_;  // the one that was chosen; empty: none yet
  std::vector<QWidget*> shown_;
  bool isOver_ = false;
};

}  // namespace drapery
