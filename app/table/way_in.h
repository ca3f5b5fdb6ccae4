// A way in for a newcomer, hung on the empty block: what is there to begin with, and what the book
// is for. Each answer sets a measure, a plan for one, or the method; what is not answered keeps
// silent.
#pragma once

#include <QWidget>
#include <optional>
#include <string>

#include "app/document/document.h"
#include "paint/palette.h"

class QLabel;
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
  /// What there is to begin with, by the book's rules.
  void begin() { ask(); }
  /// Keeps figures that are being typed.
  void keepTyped();

 signals:
  void kindsWanted();
  /// The work goes on at a value's tag.
  void goOnAt(const std::string& value);
  void changed();
  void refused(const drapery::Issue& issue);

 private:
  void ask();
  void hang(QWidget* widget);
  QLabel* addWords(const QString& words, bool isHeading);
  InkButton* addAnswer(const QString& name, const QString& words);
  void answer(const std::string& start);
  void addEntry(const std::string& value);
  void keep(const std::string& value, QLineEdit* entry);
  std::optional<Issue> said(const StartRule& start, const std::string& value, const QString& typed);
  void askWhatFor();
  void end();

  Document& document_;
  const Palette& palette_;
  std::string start_;       // the one that was chosen; empty: none yet
  QLabel* told_ = nullptr;  // what to do, or what is wrong
  bool isOver_ = false;
};

}  // namespace drapery
