#include "app/table/margin_notes.h"

#include <QCoreApplication>
#include <QEvent>
#include <QLabel>
#include <QPainter>
#include <QScrollBar>
#include <QVBoxLayout>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "paint/fonts.h"

namespace drapery {

/// A note: a coloured edge, no box.
class Note : public QWidget {
 public:
  Note(const NoteContent& content, const Palette& palette) : palette_(palette), content_(content) {
    setObjectName(content.id);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(isRightToLeft() ? 0 : 14, 2, isRightToLeft() ? 14 : 0, 6);
    column->setSpacing(4);
    const QColor heading = content.severity ? edge() : palette.ink;
    add(column, 14, true, heading);
    if (!content.figure.isEmpty()) add(column, 21, true, palette.ink);
    for (qsizetype i = 0; i < content.paragraphs.size(); ++i) add(column, 13.5, false, palette.ink);
    if (!content.small.isEmpty()) add(column, 12.5, false, palette.secondInk);
    if (!content.ruleId.empty()) {
      asks_ = new InkButton(QCoreApplication::translate("Notes", "make this rule our own"), palette,
                            this);
      column->addWidget(asks_, 0, Qt::AlignLeft);
      if (isAboutSelected()) {
        asks_->setHint("F2");
        asks_->setFocusPolicy(Qt::ClickFocus);
      }
    }
    write();
  }

  [[nodiscard]] const NoteContent& content() const { return content_; }
  [[nodiscard]] InkButton* asks() const { return asks_; }
  /// The note goes as soon as the focus leaves what it is about.
  [[nodiscard]] bool isAboutSelected() const { return content_.id == "note.why"; }

  /// Takes over a content of the same make; false when it needs a new note.
  bool take(const NoteContent& content) {
    const bool isSameMake = content.id == content_.id && content.severity == content_.severity &&
                            content.figure.isEmpty() == content_.figure.isEmpty() &&
                            content.paragraphs.size() == content_.paragraphs.size() &&
                            content.small.isEmpty() == content_.small.isEmpty() &&
                            content.ruleId.empty() == content_.ruleId.empty();
    if (!isSameMake) return false;
    content_ = content;
    write();
    return true;
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    painter.fillRect(QRect(isRightToLeft() ? width() - 3 : 0, 4, 3, height() - 10), edge());
  }

 private:
  [[nodiscard]] QColor edge() const {
    return content_.severity ? palette_.of(*content_.severity) : palette_.accent;
  }

  void add(QVBoxLayout* column, double pixels, bool semiBold, const QColor& colour) {
    QLabel* label = inkLabel({}, pixels, colour, this, semiBold);
    label->setWordWrap(true);
    column->addWidget(label);
    labels_.push_back(label);
  }

  void write() {
    QString heading = content_.heading;
    if (content_.severity)
      heading = severityMark(*content_.severity) + "  " + severityWords(*content_.severity) +
                (heading.isEmpty() ? "" : "  ") + heading;
    QStringList texts{heading};
    if (!content_.figure.isEmpty()) texts << content_.figure;
    texts << content_.paragraphs;
    if (!content_.small.isEmpty()) texts << content_.small;
    for (std::size_t i = 0; i < labels_.size(); ++i) {
      const QString& text = texts[static_cast<qsizetype>(i)];
      if (labels_[i]->text() != text) labels_[i]->setText(text);
    }
    if (asks_ != nullptr) asks_->setObjectName("rule." + QString::fromStdString(content_.ruleId));
    setAccessibleName(heading);
    setAccessibleDescription(content_.figure + " " + content_.paragraphs.join(" "));
  }

  const Palette& palette_;
  NoteContent content_;
  std::vector<QLabel*> labels_;
  InkButton* asks_ = nullptr;
};

MarginNotes::MarginNotes(const Palette& palette, QWidget* parent)
    : QScrollArea(parent), palette_(palette), sheet_(new QWidget) {
  setObjectName("notes");
  plainArea(*this, palette_, sheet_);
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column_ = new QVBoxLayout(sheet_);
  column_->setContentsMargins(0, 16, 12, 8);
  column_->setSpacing(14);
  column_->addStretch(1);
  sheet_->installEventFilter(this);
  connect(verticalScrollBar(), &QScrollBar::valueChanged, this, &MarginNotes::scrolled);
}

/// The ties follow when the notes find their places.
bool MarginNotes::eventFilter(QObject* watched, QEvent* event) {
  if (watched == sheet_ && event->type() == QEvent::LayoutRequest)
    QMetaObject::invokeMethod(this, &MarginNotes::scrolled, Qt::QueuedConnection);
  return QScrollArea::eventFilter(watched, event);
}

void MarginNotes::setFloating(bool floating) {
  if (floating == isFloating_) return;  // each of these lays all notes out anew
  isFloating_ = floating;
  setFrameShape(floating ? QFrame::Box : QFrame::NoFrame);
  sheet_->setAutoFillBackground(floating);
  column_->setContentsMargins(floating ? 12 : 0, 16, 12, 8);
}

int MarginNotes::heightFor(int width) const {
  return sheet_->heightForWidth(width - 2 * frameWidth()) + 2 * frameWidth();
}

void MarginNotes::setNotes(const std::vector<NoteContent>& notes) {
  contents_ = notes;
  while (notes_.size() > notes.size()) {
    delete notes_.back();
    notes_.pop_back();
  }
  for (std::size_t i = 0; i < notes.size(); ++i) {
    if (i < notes_.size() && notes_[i]->take(notes[i])) continue;
    auto* note = new Note(notes[i], palette_);
    if (i < notes_.size()) {
      delete column_->replaceWidget(notes_[i], note);
      delete notes_[i];
      notes_[i] = note;
    } else {
      column_->insertWidget(static_cast<int>(i), note);
      notes_.push_back(note);
    }
    if (note->asks() != nullptr)
      connect(note->asks(), &QAbstractButton::clicked, this, [this, note] {
        const NoteContent& of = note->content();
        emit ruleAsked(of.ruleList, of.ruleId, of.id);
      });
    note->show();  // at once, not with the next event
  }
  column_->activate();
  emit written();
}

void MarginNotes::askForRule() {
  for (const Note* note : notes_)
    if (note->asks() != nullptr && note->isAboutSelected()) return note->asks()->click();
}

void MarginNotes::askFor(const std::string& list, const std::string& id) {
  for (const Note* note : notes_)
    if (note->asks() != nullptr && note->content().ruleList == list && note->content().ruleId == id)
      return note->asks()->click();
}

void MarginNotes::setEditor(QWidget* editor, const QString& note) {
  for (std::size_t i = 0; i < notes_.size(); ++i)
    if (contents_[i].id == note) notes_[i]->layout()->addWidget(editor);
  editor->show();
  column_->activate();
}

std::vector<std::pair<QString, int>> MarginNotes::ties() const {
  std::vector<std::pair<QString, int>> all;
  for (std::size_t i = 0; i < notes_.size(); ++i) {
    const int y = notes_[i]->mapTo(viewport(), QPoint(0, 14)).y();
    if (y < 0 || y > viewport()->height() || contents_[i].subject.isEmpty()) continue;
    all.emplace_back(contents_[i].subject, mapToParent(QPoint(0, y)).y());
  }
  return all;
}

}  // namespace drapery
