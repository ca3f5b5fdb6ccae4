#include "app/table/way_in.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/parse_length.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kWidthEm = 16.0, kEntryEm = 6.0;

const StartRule* startNamed(const Plan& plan, const std::string& id) {
  for (const StartRule& start : plan.rules->starts)
    if (start.id == id) return &start;
  return nullptr;
}

}  // namespace

WayIn::WayIn(Document& document, const Palette& palette, QWidget* parent)
    : QWidget(parent), document_(document), palette_(palette) {
  setObjectName("wayin");
  setAutoFillBackground(true);
  QPalette colours = this->palette();
  colours.setColor(QPalette::Window, palette.ground);
  setPalette(colours);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(10, 8, 10, 8);
  column->setSpacing(3);
  setFixedWidth(static_cast<int>(kWidthEm * em()));
  connect(&document_, &Document::bookChanged, this, [this] {
    start_.clear();
    isOver_ = false;
    ask();
  });
  ask();
}

/// A book that is measured as it lies there needs no more asking once it is measured; one that is
/// planned may have what it is for still to be said.
bool WayIn::isAsking() const {
  const Plan& plan = document_.plan();
  if (isOver_ || plan.rules->starts.empty()) return false;
  const StartRule* start = startNamed(plan, start_);
  if (start == nullptr) return document_.job().given.empty();
  return !start->solves.empty() || !document_.missing().empty();
}

QLabel* WayIn::addWords(const QString& words, bool isHeading) {
  QLabel* label = inkLabel(words, isHeading ? 14.0 : 13.0, palette_.ink, this, isHeading);
  label->setWordWrap(true);
  hang(label);
  return label;
}

/// At once, not with the next event.
void WayIn::hang(QWidget* widget) {
  layout()->addWidget(widget);
  widget->show();
}

InkButton* WayIn::addAnswer(const QString& name, const QString& words) {
  auto* button = new InkButton(words, palette_, this);
  button->setObjectName("wayin." + name);
  hang(button);
  return button;
}

void WayIn::ask() {
  emptyLayout(layout());
  addWords(tr("What is there to begin with?"), true);
  for (const StartRule& start : document_.plan().rules->starts) {
    InkButton* button = addAnswer(QString::fromStdString(start.id), localText(start.title));
    button->setAccessibleDescription(localText(start.says));
    connect(button, &QAbstractButton::clicked, this, [this, id = start.id] { answer(id); });
  }
  addWords(tr("Or type a figure where it hangs."), false);
  connect(addAnswer("kind", tr("another kind of book")), &QAbstractButton::clicked, this,
          &WayIn::kindsWanted);
  layout()->activate();
}

void WayIn::answer(const std::string& id) {
  const StartRule* start = startNamed(document_.plan(), id);
  if (start == nullptr) return;
  start_ = id;
  emptyLayout(layout());
  addWords(localText(start->title), true);
  told_ = addWords(localText(start->says), false);
  if (!start->solves.empty())
    for (const std::string& value : start->asks) addEntry(value);
  const std::string first = start->solves.empty() ? start->asks.front() : std::string();
  askWhatFor();
  connect(addAnswer("end", tr("that is all")), &QAbstractButton::clicked, this, &WayIn::end);
  layout()->activate();
  emit changed();
  if (!first.empty()) emit goOnAt(first);
  if (auto* entry = findChild<QLineEdit*>()) entry->setFocus();
}

/// The methods by what their books are for.
void WayIn::askWhatFor() {
  addWords(tr("And what is it for?"), true);
  for (const std::string& id : document_.library().alike(document_.job().method)) {
    const LoadedRules loaded = document_.library().load(id);
    if (loaded.rules == nullptr || loaded.rules->suits.text.empty()) continue;
    InkButton* button =
        addAnswer("for." + QString::fromStdString(id), localText(loaded.rules->suits));
    button->setCheckable(true);
    button->setChecked(id == document_.job().method);
    button->setAccessibleDescription(localText(loaded.rules->never));
    connect(button, &QAbstractButton::clicked, this, [this, id] {
      if (const auto issue = document_.keep("method", Entry{id, {}})) emit refused(*issue);
      const QString chosen = "wayin.for." + QString::fromStdString(document_.job().method);
      for (InkButton* each : findChildren<InkButton*>())
        each->setChecked(each->objectName() == chosen);
    });
  }
}

void WayIn::addEntry(const std::string& value) {
  const auto node = document_.plan().rules->find(value);
  if (!node) return;
  auto* row = new QWidget(this);
  auto* line = new QHBoxLayout(row);
  line->setContentsMargins(0, 0, 0, 0);
  auto* entry = new QLineEdit(row);
  const QString title = localText(document_.plan().rules->titleOf(*node));
  entry->setObjectName("wayin." + QString::fromStdString(value));
  entry->setAccessibleName(title);
  entry->setPlaceholderText(tr("type it"));
  entry->setFixedWidth(static_cast<int>(kEntryEm * em()));
  entry->setFont(textFont(15.0, true));
  dressEntry(entry, palette_, palette_.ink, palette_.secondInk);
  connect(entry, &QLineEdit::editingFinished, this, [this, value, entry] { keep(value, entry); });
  line->addWidget(inkLabel(title, 13.0, palette_.secondInk, row));
  line->addStretch(1);
  line->addWidget(entry);
  hang(row);
}

/// An input is said as it is; for a computed one the input behind it is planned.
std::optional<Issue> WayIn::said(const StartRule& start, const std::string& value,
                                 const QString& typed) {
  const RuleSetPtr rules = document_.plan().rules;  // stays while the book is planned anew
  const std::string text = lengthWithUnit(typed.trimmed().toStdString(), document_.job().units);
  const std::string planned = start.plannedFor(value);
  const InputRule& rule = *rules->input(planned.empty() ? value : planned);
  if (planned.empty()) return document_.keep(fieldOf(rule), Entry{text, {}});
  const auto read = parseLength(text, document_.job().units);
  const auto* figure = std::get_if<Length>(&read);
  if (figure == nullptr) {
    const auto wrong = readFigure(text, rule);
    const auto* issue = std::get_if<Issue>(&wrong);
    return issue != nullptr ? std::optional(*issue) : std::nullopt;
  }
  const auto solved = document_.solveFor(planned, value, figure->mm());
  if (const auto* issue = std::get_if<Issue>(&solved)) return *issue;
  return document_.keep(fieldOf(rule), decidedEntry(*rules, rule, std::get<double>(solved)));
}

void WayIn::keep(const std::string& value, QLineEdit* entry) {
  const StartRule* start = startNamed(document_.plan(), start_);
  if (start == nullptr || !entry->isModified()) return;
  entry->setModified(false);
  const QString says = localText(start->says);
  const auto issue = said(*start, value, entry->text());
  const QString wrong = issue ? issueText(*issue, windowNotation(document_.plan())) : QString();
  entry->setAccessibleDescription(wrong);
  entry->setToolTip(wrong);
  inkEntry(entry, issue ? palette_.stop : palette_.ink);
  told_->setText(issue ? wrong : says);
  layout()->activate();
  emit changed();
  if (!issue && entry->hasFocus()) focusNextChild();
}

void WayIn::keepTyped() {
  for (QLineEdit* entry : findChildren<QLineEdit*>())
    if (entry->isModified())
      keep(entry->objectName().section(QLatin1Char('.'), 1).toStdString(), entry);
}

void WayIn::end() {
  isOver_ = true;
  emit changed();
  emit goOnAt({});
}

}  // namespace drapery
