// The notes in the margin: what the selected measure rests on, and what there is to mind.
#pragma once

#include <QScrollArea>
#include <optional>
#include <vector>

#include "paint/palette.h"

class QVBoxLayout;

namespace drapery {

struct NoteContent {
  QString id;       // object name: "note.why", "note.gap-too-short"
  QString subject;  // the value it speaks of, for the line that ties it there
  QString heading;
  QString figure;  // large, may be empty
  QStringList paragraphs;
  QString small;  // school, practice
  std::optional<Severity> severity;
  /// The rule behind it, "derive" and "board_width", that can be made otherwise; empty for none.
  std::string ruleList, ruleId;
};

class Note;

class MarginNotes : public QScrollArea {
  Q_OBJECT

 public:
  MarginNotes(const Palette& palette, QWidget* parent);
  void setNotes(const std::vector<NoteContent>& notes);
  /// Over the drawing, on a ground of their own, or in the margin beside it.
  void setFloating(bool floating);
  [[nodiscard]] int heightFor(int width) const;
  /// For each note that is in sight: its subject and the height of its heading in the parent.
  [[nodiscard]] std::vector<std::pair<QString, int>> ties() const;

  /// The editor of the rule under the note with that id, where it is to stand; taken back by the
  /// next call.
  void setEditor(QWidget* editor, const QString& note);
  /// As if the rule behind what is selected had been asked for with the pointer.
  void askForRule();
  /// The same for a rule behind any note that is shown.
  void askFor(const std::string& list, const std::string& id);

 signals:
  void scrolled();
  /// The rule behind a note is to be changed.
  void ruleAsked(const std::string& list, const std::string& id, const QString& note);
  /// The notes say something anew.
  void written();

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  const Palette& palette_;
  QWidget* sheet_;
  QVBoxLayout* column_;
  bool isFloating_ = false;
  std::vector<NoteContent> contents_;
  std::vector<Note*> notes_;
};

}  // namespace drapery
