#include "app/table/margin_notes.h"

#include <QLabel>
#include <QPainter>
#include <QScrollBar>
#include <QVBoxLayout>

#include "app/words/window_words.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

/// A note: a coloured edge, no box.
class Note : public QWidget {
 public:
  Note(const NoteContent& content, const Palette& palette) : palette_(palette) {
    edge_ = content.severity ? palette.of(*content.severity) : palette.accent;
    setObjectName(content.id);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(14, 2, 0, 6);
    column->setSpacing(4);
    QString heading = content.heading;
    if (content.severity)
      heading = severityMark(*content.severity) + "  " + severityWords(*content.severity) +
                (heading.isEmpty() ? "" : "  ") + heading;
    add(column, heading, 14, true, content.severity ? edge_ : palette.ink);
    if (!content.figure.isEmpty()) add(column, content.figure, 21, true, palette.ink);
    for (const QString& paragraph : content.paragraphs)
      add(column, paragraph, 13.5, false, palette.ink);
    if (!content.small.isEmpty()) add(column, content.small, 12.5, false, palette.secondInk);
    setAccessibleName(heading);
    setAccessibleDescription(content.figure + " " + content.paragraphs.join(" "));
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    painter.fillRect(QRect(0, 4, 3, height() - 10), edge_);
  }

 private:
  static void add(QVBoxLayout* column, const QString& text, double pixels, bool semiBold,
                  const QColor& colour) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setTextFormat(Qt::PlainText);
    label->setTextInteractionFlags(Qt::TextSelectableByMouse);
    label->setFont(textFont(pixels, semiBold));
    QPalette colours = label->palette();
    colours.setColor(QPalette::WindowText, colour);
    label->setPalette(colours);
    column->addWidget(label);
  }

  const Palette& palette_;
  QColor edge_;
};

bool same(const NoteContent& a, const NoteContent& b) {
  return a.id == b.id && a.subject == b.subject && a.heading == b.heading && a.figure == b.figure &&
         a.paragraphs == b.paragraphs && a.small == b.small && a.severity == b.severity;
}

}  // namespace

MarginNotes::MarginNotes(const Palette& palette, QWidget* parent)
    : QScrollArea(parent), palette_(palette), sheet_(new QWidget) {
  setObjectName("notes");
  setFrameShape(QFrame::NoFrame);
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setFocusPolicy(Qt::NoFocus);
  viewport()->setAutoFillBackground(false);
  sheet_->setAutoFillBackground(false);
  column_ = new QVBoxLayout(sheet_);
  column_->setContentsMargins(0, 16, 12, 8);
  column_->setSpacing(14);
  column_->addStretch(1);
  setWidget(sheet_);
  connect(verticalScrollBar(), &QScrollBar::valueChanged, this, &MarginNotes::scrolled);
}

void MarginNotes::setNotes(const std::vector<NoteContent>& notes) {
  if (std::equal(notes.begin(), notes.end(), notes_.begin(), notes_.end(), same)) return;
  notes_ = notes;
  while (column_->count() > 1) {
    QLayoutItem* item = column_->takeAt(0);
    delete item->widget();
    delete item;
  }
  for (std::size_t i = 0; i < notes_.size(); ++i)
    column_->insertWidget(static_cast<int>(i), new Note(notes_[i], palette_));
}

std::vector<std::pair<QString, int>> MarginNotes::ties() const {
  std::vector<std::pair<QString, int>> all;
  for (std::size_t i = 0; i < notes_.size(); ++i) {
    const QWidget* note = column_->itemAt(static_cast<int>(i))->widget();
    const int y = note->mapTo(viewport(), QPoint(0, 14)).y();
    if (y < 0 || y > viewport()->height() || notes_[i].subject.isEmpty()) continue;
    all.emplace_back(notes_[i].subject, mapToParent(QPoint(0, y)).y());
  }
  return all;
}

}  // namespace drapery
