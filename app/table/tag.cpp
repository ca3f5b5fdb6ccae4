#include "app/table/tag.h"

#include <QAbstractItemView>
#include <QComboBox>
#include <QCompleter>
#include <QEvent>
#include <QFontMetrics>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPainter>
#include <QStringListModel>
#include <algorithm>

#include "app/ink_parts.h"
#include "app/table/flat_choice.h"
#include "app/words/window_words.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {

constexpr double kCaption = 12.0;
constexpr double kFigure = 17.0;
constexpr double kUnit = 12.5;
constexpr double kMessage = 12.0;
constexpr int kMessageWidth = 210;
constexpr int kPad = 5;
constexpr int kMark = 18;  // of the list of names

QFont figureFont() { return textFont(kFigure, true); }
int widthOf(const QFont& font, const QString& text) { return wordsWidth(font, text); }
int heightOf(const QFont& font) { return QFontMetrics(font).height(); }

}  // namespace

Tag::Tag(std::string value, Kind kind, const Palette& palette, QWidget* parent)
    : QWidget(parent), value_(std::move(value)), kind_(kind), palette_(palette) {
  const QString name = "tag." + QString::fromStdString(value_);
  if (kind_ == Kind::Entry || kind_ == Kind::Computed) makeEntry();
  if (kind_ == Kind::Choice) makeChoice();
  if (kind_ == Kind::Figure) setFocusPolicy(Qt::StrongFocus);
  focusTarget()->setObjectName(name);
  focusTarget()->installEventFilter(this);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setLayoutDirection(Qt::LeftToRight);  // as figures and their units are written anywhere
  setCursor(entry_ != nullptr ? Qt::IBeamCursor : Qt::PointingHandCursor);
}

QWidget* Tag::focusTarget() const {
  if (entry_ != nullptr) return entry_;
  if (choice_ != nullptr) return choice_;
  return const_cast<Tag*>(this);
}

void Tag::makeEntry() {
  entry_ = new QLineEdit(this);
  dressEntry(entry_, palette_, palette_.ink, palette_.secondInk);
  entry_->setFont(figureFont());
  entry_->setTextMargins(0, 0, 0, 0);
  connect(entry_, &QLineEdit::textChanged, this, [this] {
    forgetSizes();
    placeInside();
  });
  connect(entry_, &QLineEdit::textEdited, this, [this](const QString& text) {
    isTyping_ = true;
    offerNames(text);
    emit typed(this, text);
  });
}

/// Once: the list under the entry.
void Tag::makeNames() {
  names_ = new QCompleter(new QStringListModel(this), this);
  names_->setWidget(entry_);
  names_->setCaseSensitivity(Qt::CaseInsensitive);
  names_->setFilterMode(Qt::MatchContains);
  names_->popup()->setObjectName("names." + QString::fromStdString(value_));
  names_->popup()->setFont(textFont(14.0));
  connect(names_, qOverload<const QString&>(&QCompleter::activated), this,
          [this](const QString& name) {
            entry_->setText(name);
            isTyping_ = true;
            emit kept(this, name, true);
          });
  // With the list open but nothing chosen in it, Enter is the text's.
  connect(entry_, &QLineEdit::returnPressed, this, [this] {
    if (names_->popup()->currentIndex().isValid()) return;
    names_->popup()->hide();
    emit kept(this, entry_->text(), true);
  });
}

/// The list of what may be named, searched by what is typed; all of it for an empty text. A figure
/// is no search.
void Tag::offerNames(const QString& text) {
  if (names_ == nullptr) return;
  if (!text.isEmpty() && !text.front().isLetter()) return names_->popup()->hide();
  names_->setCompletionPrefix(text);
  if (names_->completionCount() == 0) return names_->popup()->hide();
  const int width = names_->popup()->sizeHintForColumn(0) + 40;
  names_->complete(QRect(0, 0, std::max(entry_->width(), width), entry_->height()));
}

void Tag::makeChoice() {
  choice_ = new FlatChoice(palette_, this);
  choice_->setFont(textFont(14.0, true));
  connect(choice_, &QComboBox::activated, this, [this](int option) { emit chosen(this, option); });
}

void Tag::setContent(const TagContent& content) {
  // A list may show what was refused.
  if (content == content_ && isShown_ && choice_ == nullptr) return;
  isShown_ = true;
  forgetSizes();
  content_ = content;
  focusTarget()->setAccessibleName(content.caption);
  focusTarget()->setAccessibleDescription(content.message);
  // A list is called by what is chosen in it: here is what for.
  if (choice_ != nullptr && content.message.isEmpty())
    choice_->setAccessibleDescription(content.caption);
  if (kind_ == Kind::Figure || (kind_ == Kind::Computed && content.message.isEmpty()))
    focusTarget()->setAccessibleDescription(content.text + " " + content.unit);
  if (entry_ != nullptr) {
    if (!isTyping_ && entry_->text() != content.text) entry_->setText(content.text);
    entry_->setPlaceholderText(content.placeholder);
    inkEntry(entry_, figureInk());
  }
  if (entry_ != nullptr && !content.names.isEmpty()) {
    if (names_ == nullptr) makeNames();
    auto* model = qobject_cast<QStringListModel*>(names_->model());
    if (model->stringList() != content.names) model->setStringList(content.names);
  }
  if (choice_ != nullptr) {
    if (choice_->count() != content.options.size()) {
      choice_->clear();
      choice_->addItems(content.options);
    }
    choice_->setCurrentText(content.text);
  }
  placeInside();
  update();
}

/// What was not measured looks not measured; what is said in place of a rule looks said.
QColor Tag::figureInk() const {
  if (content_.isSupposed && !isTyping_) return palette_.secondInk;
  return content_.isFixed ? palette_.accent : palette_.ink;
}

void Tag::setSelected(bool selected) {
  if (isSelected_ == selected) return;
  isSelected_ = selected;
  update();
}

void Tag::stopTyping() {
  isTyping_ = false;
  isShown_ = false;  // what is said of it stands behind what was typed
  forgetSizes();
  content_.message.clear();
  if (entry_ == nullptr) return;
  entry_->setText(content_.text);
  if (entry_->hasFocus()) entry_->selectAll();
}

QString Tag::typedText() const {
  return isTyping_ && entry_ != nullptr ? entry_->text() : QString();
}

void Tag::typeAgain(const QString& text) {
  if (entry_ == nullptr) return;
  entry_->setText(text);
  isTyping_ = true;
  forgetSizes();
  emit typed(this, text);
}

void Tag::fill(const QString& text) {
  typeAgain(text);
  if (isTyping_) emit kept(this, text, true);
}

void Tag::keepTyped() {
  if (isTyping_ && entry_ != nullptr) emit kept(this, entry_->text(), false);
}

void Tag::takeFocus() {
  focusTarget()->setFocus(Qt::TabFocusReason);
  if (entry_ != nullptr) entry_->selectAll();
}

QString Tag::captionWithMark() const {
  if (!content_.severity) return content_.caption;
  return severityMark(*content_.severity) + " " + severityWords(*content_.severity) + "  " +
         content_.caption;
}

/// Caption and figure, without a message.
QSize Tag::sizeFor(const QString& figure) const {
  const int caption = widthOf(textFont(kCaption), captionWithMark());
  int width = 0;
  if (choice_ != nullptr) {
    width = choice_->sizeHint().width();
  } else {
    width = widthOf(figureFont(), figure) + (entry_ != nullptr ? 8 : 2);
    if (!content_.unit.isEmpty()) width += 4 + widthOf(textFont(kUnit), content_.unit);
    if (hasListMark()) width += kMark;
  }
  const int height = heightOf(textFont(kCaption)) + heightOf(figureFont()) + 7;
  return {std::max(caption, width) + 2 * kPad, height};
}

QSize Tag::restingSize() const {
  if (resting_) return *resting_;
  const QSize usual = sizeFor("000.00");
  resting_ = isTyping_ ? usual : usual.expandedTo(sizeFor(shownFigure()));
  return *resting_;
}

QString Tag::shownFigure() const {
  QString text = entry_ != nullptr ? entry_->text() : content_.text;
  if (!text.isEmpty()) return text;
  return content_.placeholder.isEmpty() ? "0000" : content_.placeholder;
}

QSize Tag::sizeHint() const {
  if (!hinted_) hinted_ = reckonedSize();
  return *hinted_;
}

QSize Tag::reckonedSize() const {
  const QSize size = sizeFor(shownFigure());
  if (content_.message.isEmpty()) return size;
  const int room = static_cast<int>(kMessageWidth * fontScale());
  const QFont font = textFont(kMessage);
  return {std::max(size.width(), std::min(room, widthOf(font, content_.message)) + 2 * kPad + 2),
          size.height() + wordsHeight(font, content_.message, room) + 2};
}

QRect Tag::figureRect() const {
  const int top = 2 + heightOf(textFont(kCaption));
  return {kPad, top, width() - 2 * kPad, heightOf(figureFont())};
}

void Tag::resizeEvent(QResizeEvent*) { placeInside(); }

/// Its own width goes along with its text.
void Tag::placeInside() {
  QRect place = figureRect();
  if (entry_ != nullptr) {
    const int unit = content_.unit.isEmpty() ? 0 : 4 + widthOf(textFont(kUnit), content_.unit);
    const QString text = entry_->text().isEmpty() ? entry_->placeholderText() : entry_->text();
    const int wanted = widthOf(figureFont(), text.isEmpty() ? "0000" : text) + 8;
    const int mark = hasListMark() ? kMark : 0;
    place.setWidth(std::min(place.width() - unit - mark, wanted));
    place.translate(-2, 0);  // QLineEdit's own inner margin
    entry_->setGeometry(place);
  }
  if (choice_ != nullptr) choice_->setGeometry(place.adjusted(-2, 0, 0, 0));
}

/// Where names, or readings, are opened with the pointer.
QRect Tag::listMark() const {
  if (entry_ == nullptr || !hasListMark()) return {};
  int left = entry_->geometry().right() + 2;
  if (!content_.unit.isEmpty()) left += widthOf(textFont(kUnit), content_.unit) + 4;
  return {left, figureRect().top(), kMark, figureRect().height()};
}

bool Tag::hasFocusInside() const { return focusTarget()->hasFocus(); }

void Tag::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setLayoutDirection(layoutDirection());
  const bool isActive = isSelected_ || hasFocusInside();
  painter.fillRect(rect(), isActive ? palette_.onAccent : palette_.ground);

  painter.setFont(textFont(kCaption));
  painter.setPen(content_.severity ? palette_.of(*content_.severity) : palette_.secondInk);
  paintWords(painter, QRect(kPad, 1, width() - 2 * kPad, heightOf(textFont(kCaption))),
             Qt::AlignLeft | Qt::AlignVCenter, captionWithMark());

  const QRect figure = figureRect();
  int unitX = figure.left();
  if (kind_ == Kind::Figure) {
    painter.setFont(figureFont());
    painter.setPen(palette_.ink);
    paintWords(painter, figure, Qt::AlignLeft | Qt::AlignVCenter, content_.text);
    unitX += widthOf(figureFont(), content_.text) + 4;
  } else if (entry_ != nullptr) {
    unitX = entry_->geometry().right() + 2;
  }
  painter.setFont(textFont(kUnit));
  painter.setPen(palette_.secondInk);
  paintWords(painter, QRect(unitX, figure.top(), width() - unitX, figure.height()),
             Qt::AlignLeft | Qt::AlignVCenter, content_.unit);
  if (const QRect mark = listMark(); !mark.isEmpty()) {
    if (content_.hasReadings)
      paintPlacesMark(painter, mark, palette_);
    else
      paintListMark(painter, mark, palette_);
  }
  const bool isUnderlined =
      kind_ == Kind::Computed ? isActive || content_.isFixed : kind_ != Kind::Figure;
  if (isUnderlined) {
    QPen pen(isActive ? palette_.accent : palette_.secondInk, isActive ? 1.8 : 0.8);
    if (content_.isSupposed && !isActive) pen.setDashPattern({3, 3});
    painter.setPen(pen);
    const double y = figure.bottom() + 1.5;
    const double end = entry_ != nullptr ? entry_->geometry().right() : figure.right();
    painter.drawLine(QPointF(figure.left(), y), QPointF(end, y));
  }
  if (!content_.message.isEmpty()) {
    painter.setFont(textFont(kMessage));
    painter.setPen(palette_.stop);
    paintWords(painter, figure.adjusted(0, figure.height() + 4, 0, 1000), Qt::TextWordWrap,
               content_.message);
  }
}

void Tag::openList() {
  if (content_.hasReadings)
    emit opened(this);
  else
    offerNames({});
}

bool Tag::entryKey(int key) {
  switch (key) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
      emit kept(this, entry_->text(), true);
      return true;
    case Qt::Key_Escape:
      emit abandoned(this);
      return true;
    case Qt::Key_Up:
      emit stepped(this, +1);
      return true;
    case Qt::Key_Down:
      emit stepped(this, -1);
      return true;
    default:
      return false;
  }
}

bool Tag::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress && hasListMark()) {
    // While its list is open the keys are the list's.
    if (names_ != nullptr && names_->popup()->isVisible())
      return QWidget::eventFilter(watched, event);
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() == Qt::Key_Down && key->modifiers() == Qt::AltModifier) {
      openList();
      return true;
    }
  }
  if (event->type() == QEvent::ShortcutOverride && !isTyping_) {
    // With nothing typed, undo is the book's, not the text's.
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) {
      event->ignore();
      return true;
    }
  }
  if (event->type() == QEvent::FocusIn) {
    emit selected(this);
    update();
  } else if (event->type() == QEvent::FocusOut) {
    // A menu or another window takes the focus only for a while.
    const auto reason = static_cast<QFocusEvent*>(event)->reason();
    const bool isForGood = reason != Qt::PopupFocusReason && reason != Qt::ActiveWindowFocusReason;
    if (isTyping_ && isForGood) emit kept(this, entry_->text(), false);
    update();
  } else if (event->type() == QEvent::KeyPress && entry_ != nullptr) {
    if (entryKey(static_cast<QKeyEvent*>(event)->key())) return true;
  }
  return QWidget::eventFilter(watched, event);
}

void Tag::mousePressEvent(QMouseEvent* event) {
  focusTarget()->setFocus(Qt::MouseFocusReason);
  if (entry_ != nullptr) entry_->selectAll();
  if (listMark().contains(event->pos())) openList();
  if (choice_ != nullptr) choice_->showPopup();
}

}  // namespace drapery
