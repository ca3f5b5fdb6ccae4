#include "app/table/giving_list.h"

#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "words/amount_words.h"

namespace drapery {

namespace {

QString amount(const Plan& plan, std::size_t node, double figure) {
  return QString::fromStdString(
      amountWords({figure, plan.rules->nodes[node].unit}, windowNotation(plan)));
}

}  // namespace

GivingList::GivingList(Document& document, const Palette& palette, QWidget* parent)
    : QWidget(parent), document_(document), palette_(palette) {
  setObjectName("giving");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(12, 8, 12, 8);
  column->setSpacing(2);
  hide();
}

void GivingList::addWords(const QString& words, bool isHeading) {
  layout()->addWidget(isHeading ? inkLabel(words, 14.0, palette_.ink, this, true)
                                : inkLabel(words, 13.0, palette_.secondInk, this));
}

void GivingList::addRow(const QString& name, const QString& words, const FieldEdits& edits) {
  auto* button = new InkButton(words, palette_, this);
  button->setObjectName("giving." + name);
  button->setAccessibleName(words);
  button->installEventFilter(this);
  const std::size_t row = rows_.size();
  connect(button, &QAbstractButton::clicked, this, [this, row] { take(row); });
  layout()->addWidget(button);
  rows_.push_back({button, edits});
}

/// Each thing that could give way, with what it would become; then those that cannot far enough.
void GivingList::addWays(std::size_t node, double figure) {
  const Plan& plan = document_.plan();
  const std::string fixed = "fixed/" + value_;
  for (const GivingWay& way : document_.whatCouldGiveWay(value_, figure)) {
    const QString title = localText(plan.rules->titleOf(way.input));
    const double present = plan.values[way.input];
    const QString was = std::isnan(present) ? tr("nothing") : amount(plan, way.input, present);
    const QString becomes = amount(plan, way.input, way.figure);
    if (!way.becomes) {
      addWords(tr("%1 cannot: at %2 it would be %3")
                   .arg(title, becomes, amount(plan, node, way.reaches.value_or(figure))),
               false);
      continue;
    }
    FieldEdits edits{{way.field, way.becomes}};
    if (plan.isFixed(node)) edits.push_back({fixed, std::nullopt});
    addRow(QString::fromStdString(plan.rules->nodes[way.input].name),
           tr("%1: from %2 to %3").arg(title, was, becomes), edits);
  }
}

void GivingList::ask(const std::string& value, double figure) {
  close();
  const Plan& plan = document_.plan();
  const auto node = plan.rules->find(value);
  if (!node) return;
  value_ = value;
  const QString wanted = amount(plan, *node, figure);
  addWords(tr("%1 %2: what gives way?").arg(localText(plan.rules->titleOf(*node)), wanted), true);
  addWays(*node, figure);
  if (rows_.empty())
    addWords(tr("It follows from what is measured, and that does not give way."), false);
  const Entry said = plan.rules->nodes[*node].unit == Unit::Millimetre
                         ? Entry{formatExact(Length::fromMm(figure), document_.job().units), {}}
                         : Entry{figure, {}};
  const std::string field = "fixed/" + value;
  addRow("fixed", tr("nothing: say it as it is, %1").arg(wanted), {{field, said}});
  if (plan.isFixed(*node) && !std::isnan(plan.byRule[*node]))
    addRow("free", tr("let it go: %1 by its rule").arg(amount(plan, *node, plan.byRule[*node])),
           {{field, std::nullopt}});
  layout()->activate();
  adjustSize();
  show();
  raise();
  rows_.front().button->setFocus(Qt::OtherFocusReason);
}

void GivingList::close() {
  value_.clear();
  hide();
  rows_.clear();
  emptyLayout(layout());
}

void GivingList::leave() {
  if (!isAsking()) return;
  close();
  document_.endPreview();
  emit done();
}

/// The book as it would be.
void GivingList::look(std::size_t row) {
  if (row < rows_.size()) document_.preview(rows_[row].edits);
}

void GivingList::take(std::size_t row) {
  const FieldEdits edits = rows_[row].edits;
  close();
  document_.endPreview();
  if (const auto issue = document_.keep(edits)) emit refused(*issue);
  emit done();
}

bool GivingList::eventFilter(QObject* watched, QEvent* event) {
  std::size_t row = 0;
  while (row < rows_.size() && rows_[row].button != watched) ++row;
  if (row == rows_.size()) return false;
  if (event->type() == QEvent::FocusIn) look(row);
  if (event->type() == QEvent::FocusOut) {
    const auto reason = static_cast<QFocusEvent*>(event)->reason();
    // Into another row, or for a while only.
    const bool isForGood = reason != Qt::PopupFocusReason && reason != Qt::ActiveWindowFocusReason;
    if (isForGood)
      QMetaObject::invokeMethod(
          this,
          [this] {
            for (const Row& each : rows_)
              if (each.button->hasFocus()) return;
            leave();
          },
          Qt::QueuedConnection);
  }
  if (event->type() != QEvent::KeyPress) return false;
  const int key = static_cast<QKeyEvent*>(event)->key();
  const std::size_t last = rows_.size() - 1;
  if (key == Qt::Key_Escape) return leave(), true;
  if (key == Qt::Key_Return || key == Qt::Key_Enter) return take(row), true;
  if (key == Qt::Key_Down) return rows_[row == last ? 0 : row + 1].button->setFocus(), true;
  if (key == Qt::Key_Up) return rows_[row == 0 ? last : row - 1].button->setFocus(), true;
  return false;
}

void GivingList::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.paper);
  painter.setPen(QPen(palette_.accent, 1.0));
  painter.drawRect(rect().adjusted(0, 0, -1, -1));
}

}  // namespace drapery
