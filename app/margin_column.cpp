#include "app/margin_column.h"

#include <QApplication>
#include <QBoxLayout>
#include <QLabel>
#include <QScrollBar>
#include <QVBoxLayout>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"

namespace drapery {

MarginColumn::MarginColumn(const QString& name, const Palette& palette, QWidget* parent)
    : QScrollArea(parent), palette_(palette), sheet_(new QWidget) {
  setObjectName(name);
  plainArea(*this, palette_, sheet_);
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column_ = new QVBoxLayout(sheet_);
  column_->setContentsMargins(4, 16, 14, 12);
  column_->setSpacing(4);
}

void MarginColumn::begin() {
  const QWidget* focus = QApplication::focusWidget();
  focused_ = focus != nullptr && sheet_->isAncestorOf(focus) ? focus->objectName() : QString();
  // Else it would jump to whatever comes next.
  if (!focused_.isEmpty()) parentWidget()->setFocus();
  emptyLayout(column_);
}

void MarginColumn::add(QWidget* widget) { column_->addWidget(widget); }

namespace {
constexpr int kBetween = 14;

QLabel* wrapped(QLabel* label) {
  label->setWordWrap(true);
  return label;
}
}  // namespace

void MarginColumn::heading(const QString& words) {
  add(wrapped(inkLabel(words, 14, palette_.ink, sheet_, true)));
}
void MarginColumn::figure(const QString& words) {
  add(wrapped(inkLabel(words, 19, palette_.ink, sheet_, true)));
}
void MarginColumn::text(const QString& words) {
  add(wrapped(inkLabel(words, 13.5, palette_.ink, sheet_)));
}
void MarginColumn::small(const QString& words) {
  add(wrapped(inkLabel(words, 12.5, palette_.secondInk, sheet_)));
}
void MarginColumn::finding(Severity severity, const QString& words) {
  add(wrapped(
      inkLabel(severityMark(severity) + "  " + words, 13.5, palette_.of(severity), sheet_)));
}
void MarginColumn::space() { column_->addSpacing(12); }

InkButton* MarginColumn::command(const QString& name, const QString& words, const Act& act,
                                 const QString& keys) {
  auto* button = new InkButton(words, palette_, sheet_);
  button->setObjectName(name);
  button->setHint(keys);
  button->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Minimum);  // no wider than the margin
  button->breakLines();
  connect(button, &QAbstractButton::clicked, this, act);
  column_->addWidget(button, 0, keys.isEmpty() ? Qt::AlignLeft : Qt::Alignment());
  return button;
}

void MarginColumn::ways(const std::vector<Way>& ways) {
  auto* row = new QWidget(sheet_);
  int wide = 0;
  for (const Way& way : ways) wide += InkButton(way.words, palette_).sizeHint().width() + kBetween;
  const bool isOneLine = wide < viewport()->width() - kBetween;
  auto* line = new QBoxLayout(isOneLine ? QBoxLayout::LeftToRight : QBoxLayout::TopToBottom, row);
  line->setContentsMargins(0, 0, 0, 0);
  line->setSpacing(isOneLine ? kBetween : 2);
  for (const Way& way : ways) {
    auto* button = new InkButton(way.words, palette_, row);
    button->setObjectName(way.name);
    button->setCheckable(true);
    button->setChecked(way.holds);
    if (!isOneLine) button->breakLines();
    connect(button, &QAbstractButton::clicked, this, way.act);
    line->addWidget(button);
  }
  line->addStretch(1);
  column_->addWidget(row);
}

void MarginColumn::end() {
  column_->addStretch(1);
  for (QWidget* child : sheet_->findChildren<QWidget*>()) child->show();
  if (focused_.isEmpty()) return;
  auto* again = sheet_->findChild<QWidget*>(focused_);
  (again != nullptr ? again : parentWidget())->setFocus();
}

}  // namespace drapery
