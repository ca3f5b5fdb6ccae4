#include "app/docket.h"

#include <QAbstractButton>
#include <QFocusEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QVBoxLayout>
#include <algorithm>

#include "app/cutting/cut_desk.h"
#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {
constexpr double kWidthEm = 13.5;
constexpr double kHole = 9.0;
constexpr int kTop = 40;
constexpr int kTopLeft = Qt::AlignLeft | Qt::AlignTop,
              kBottomLeft = Qt::AlignLeft | Qt::AlignBottom;
constexpr int kMiddleLeft = Qt::AlignLeft | Qt::AlignVCenter,
              kMiddleRight = Qt::AlignRight | Qt::AlignVCenter;
}  // namespace

/// One line of the docket: the stage and how it stands.
class StageLine : public QAbstractButton {
 public:
  StageLine(const Stage& stage, const Palette& palette) : stage_(stage), palette_(palette) {
    setCheckable(true);
    setAutoExclusive(true);
    setObjectName(QString("docket.") + stage.id);
    setText(stage.words());
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Preferred);
  }
  [[nodiscard]] const Stage& stage() const { return stage_; }
  void setStatus(const StageStatus& status) {
    status_ = status;
    setAccessibleName(text() + ", " + status.text);
    update();
  }
  [[nodiscard]] QSize sizeHint() const override { return {100, bothLines() + 14}; }
  /// Where there is little room how it stands is told beside the name.
  [[nodiscard]] QSize minimumSizeHint() const override {
    return {100, QFontMetrics(textFont(16, true)).height() + 4};
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (isChecked()) painter.fillRect(rect(), palette_.onAccent);
    if (isChecked()) painter.fillRect(mirrored(*this, {0, 0, 4, height()}), palette_.accent);
    if (hasFocus()) {
      painter.setPen(QPen(palette_.accent, 1.2));
      painter.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
    const QFont name = textFont(16, true);
    const QFont small = textFont(12.5);
    painter.setFont(name);
    painter.setPen(palette_.ink);
    const int inside = std::clamp((height() - bothLines()) / 2, 0, 6);
    const QRect whole = rect().adjusted(20, inside, -10, -inside);
    const QRect room = mirrored(*this, whole);
    const bool hasBoth = height() >= bothLines();
    paintWords(painter, room, hasBoth ? kTopLeft : kMiddleLeft, text());
    painter.setFont(small);
    painter.setPen(status_.isStop ? palette_.stop : palette_.secondInk);
    const int beside = hasBoth ? 0 : wordsWidth(name, text()) + 10;
    const QRect below = mirrored(*this, whole.adjusted(beside, 0, 0, 0));
    paintWords(painter, below, hasBoth ? kBottomLeft : kMiddleRight,
               shortened(small, status_.text, below.width()));
  }

 private:
  static int bothLines() {
    return QFontMetrics(textFont(16, true)).height() + QFontMetrics(textFont(12.5)).height();
  }
  const Stage& stage_;
  const Palette& palette_;
  StageStatus status_;
};

/// The book's title: whole while it is written, else as much as there is room for, with a sign that
/// there is more.
class TitleEntry : public QLineEdit {
 public:
  using QLineEdit::QLineEdit;
  void setTitle(const QString& title) {
    title_ = title;
    setToolTip(title);
    if (!hasFocus()) showShort();
  }

 protected:
  void focusInEvent(QFocusEvent* event) override {
    if (!isModified()) setText(title_);
    QLineEdit::focusInEvent(event);
  }
  void focusOutEvent(QFocusEvent* event) override {
    QLineEdit::focusOutEvent(event);  // tells that the editing is finished
    if (!isModified()) showShort();
  }
  void resizeEvent(QResizeEvent* event) override {
    QLineEdit::resizeEvent(event);
    if (!hasFocus()) showShort();
  }

 private:
  void showShort() {
    constexpr int kInside = 4;  // a line edit's own margins
    const int room = width() - textMargins().left() - textMargins().right() - kInside;
    setText(fontMetrics().elidedText(title_, Qt::ElideRight, std::max(room, 0)));
    setCursorPosition(0);
  }
  QString title_;
};

Docket::Docket(Workspace& workspace, const std::vector<Stage>& stages, const Palette& palette,
               QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      document_(workspace.book()),
      palette_(palette),
      title_(new TitleEntry(this)) {
  setObjectName("docket");
  setFixedWidth(static_cast<int>(kWidthEm * 14 * fontScale()));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, kTop, 0, 8);
  column->setSpacing(2);
  title_->setObjectName("docket.title");
  title_->setAccessibleName(tr("Title of the book"));
  title_->setPlaceholderText(tr("Title of the book"));
  dressEntry(title_, palette, palette.ink, palette.secondInk);
  title_->setFont(textFont(16, true));
  title_->setTextMargins(16, 0, 8, 0);
  column->addWidget(title_);
  addCopies(column);
  for (const Stage& stage : stages) {
    auto* line = new StageLine(stage, palette);
    connect(line, &QAbstractButton::clicked, this, [this, &stage] { emit stageChosen(stage); });
    column->addWidget(line);
    lines_.push_back(line);
  }
  column->addStretch(1);
  addCommands(column);
  connect(title_, &QLineEdit::returnPressed, title_, &QWidget::clearFocus);
  connect(title_, &QLineEdit::editingFinished, this, &Docket::keepTyped);
  connect(&document_, &Document::planChanged, this, &Docket::refresh);
  connect(&document_, &Document::jobChanged, this, &Docket::refresh);
  connect(&document_, &Document::bookChanged, this, [this] { tellOfCopies({}); });
  connect(&workspace_.cutting(), &CutDesk::changed, this, &Docket::refresh);
  refresh();
}

/// How many books are made: below the title, since counts on the slips are for all of them.
void Docket::addCopies(QVBoxLayout* column) {
  auto* row = new QHBoxLayout;
  row->setContentsMargins(20, 0, 14, 0);
  copies_ = new QLineEdit(this);
  copies_->setObjectName("docket.copies");
  copies_->setAccessibleName(tr("Copies of the book"));
  copies_->setPlaceholderText("1");
  copies_->setFont(textFont(12.5, true));
  dressEntry(copies_, palette_, palette_.ink, palette_.secondInk);
  row->addWidget(inkLabel(tr("copies"), 12.5, palette_.secondInk, this));
  row->addWidget(copies_, 1);
  column->addLayout(row);
  connect(copies_, &QLineEdit::returnPressed, copies_, &QWidget::clearFocus);
  connect(copies_, &QLineEdit::editingFinished, this, &Docket::keepCopies);
}

/// A wrong one stays where it was typed, in red, with what is wrong.
void Docket::keepCopies() {
  if (!copies_->isModified()) return;
  copies_->setModified(false);
  const std::string said = copies_->text().trimmed().toStdString();
  const auto issue =
      document_.keep("copies", said.empty() ? std::nullopt : FieldValue(Entry{said, {}}));
  tellOfCopies(issue ? issueText(*issue, windowNotation(document_.plan())) : QString());
  if (issue) emit refused(*issue);
}

/// What is wrong with what stands there; empty for nothing.
void Docket::tellOfCopies(const QString& words) {
  copies_->setAccessibleDescription(words);
  copies_->setToolTip(words);
  inkEntry(copies_, words.isEmpty() ? palette_.ink : palette_.stop);
}

void Docket::addCommands(QVBoxLayout* column) {
  auto* box = new QVBoxLayout;
  box->setContentsMargins(20, 0, 14, 0);
  box->setSpacing(1);
  const auto add = [&](const QString& text, const char* name, const QString& keys) {
    auto* button = new InkButton(text, palette_, this);
    button->setObjectName(name);
    button->setHint(keys);
    box->addWidget(button);
    return button;
  };
  auto* undo = add(tr("Undo"), "docket.undo", tr("Ctrl Z"));
  auto* redo = add(tr("Redo"), "docket.redo", tr("Ctrl Shift Z"));
  QUndoStack* stack = document_.undoStack();
  undo->setEnabled(stack->canUndo());
  redo->setEnabled(stack->canRedo());
  connect(stack, &QUndoStack::canUndoChanged, undo, &QWidget::setEnabled);
  connect(stack, &QUndoStack::canRedoChanged, redo, &QWidget::setEnabled);
  connect(undo, &QAbstractButton::clicked, stack, &QUndoStack::undo);
  connect(redo, &QAbstractButton::clicked, stack, &QUndoStack::redo);
  box->addSpacing(5);
  connect(add(tr("New book"), "docket.new", tr("Ctrl N")), &QAbstractButton::clicked, this,
          &Docket::newWanted);
  connect(add(tr("Open a book"), "docket.open", tr("Ctrl O")), &QAbstractButton::clicked, this,
          &Docket::openWanted);
  connect(add(tr("Copy this book"), "docket.copy", tr("Ctrl D")), &QAbstractButton::clicked, this,
          &Docket::copyWanted);
  box->addSpacing(5);
  connect(add(tr("Cut slip as PDF"), "docket.slip", tr("Ctrl P")), &QAbstractButton::clicked, this,
          &Docket::slipWanted);
  caliper_ = add(tr("Caliper"), "docket.caliper", {});
  connect(caliper_, &QAbstractButton::clicked, this,
          [this] { emit caliperWanted(caliper_->mapToGlobal(QPoint(caliper_->width(), 0))); });
  const bool isDark = palette_.ground.lightness() < 128;
  connect(add(isDark ? tr("Light ground") : tr("Dark ground"), "docket.theme", tr("Ctrl B")),
          &QAbstractButton::clicked, this, &Docket::themeWanted);
  column->addLayout(box);
}

void Docket::keepTyped() {
  keepCopies();
  if (!title_->isModified()) return;
  title_->setModified(false);
  document_.keep("title", Entry{title_->text().toStdString(), {}});
}

void Docket::setCaliper(const QString& status) {
  caliper_->setHint(status);
  caliper_->setAccessibleDescription(status);
}

void Docket::setStage(const Stage& stage) {
  for (StageLine* line : lines_) line->setChecked(&line->stage() == &stage);
}

void Docket::refresh() {
  if (!title_->isModified()) {
    const QString title = QString::fromStdString(document_.job().title);
    title_->setTitle(title);
    if (title_->hasFocus() && title_->text() != title) title_->setText(title);
  }
  const Plan& plan = document_.plan();
  if (!copies_->hasFocus() && copies_->accessibleDescription().isEmpty())
    copies_->setText(plan.copies > 1 ? QString::number(plan.copies) : QString());
  for (StageLine* line : lines_) {
    const Stage& stage = line->stage();
    line->setVisible(stage.applies(stage, *plan.rules));
    line->setStatus(stage.status(stage, workspace_));
  }
}

/// A strip of paper with a punched hole, tied to the book.
void Docket::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), palette_.paper);
  painter.setPen(QPen(palette_.hairline, 1));
  painter.drawLine(QPointF(width() - 0.5, 0), QPointF(width() - 0.5, height()));
  const QPointF hole(width() / 2.0, 20);
  painter.setPen(QPen(palette_.secondInk, 1.2));
  painter.drawLine(hole, QPointF(hole.x() + 18, -4));
  painter.drawLine(hole, QPointF(hole.x() + 24, -4));
  painter.setBrush(palette_.ground);
  painter.setPen(QPen(palette_.hairline, 1.5));
  painter.drawEllipse(hole, kHole, kHole);
  painter.setPen(QPen(palette_.secondInk, 1.2));
  painter.drawLine(hole + QPointF(0, -2), QPointF(hole.x() + 18, -4));
}

}  // namespace drapery
