#include "app/table/way_in.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/ink_button.h"
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

bool WayIn::isAsking() const {
  const bool isBegun = !document_.job().given.empty();
  return !isOver_ && !document_.plan().rules->starts.empty() && (!isBegun || isAnswered());
}

void WayIn::clear() {
  for (QWidget* widget : shown_) {
    layout()->removeWidget(widget);
    widget->hide();
    widget->setParent(nullptr);  // its names are gone at once
    widget->deleteLater();
  }
  shown_.clear();
}

void WayIn::addWords(const QString& words, const QColor& colour) {
  auto* label = new QLabel(words, this);
  label->setWordWrap(true);
  label->setFont(textFont(13.0));
  QPalette colours = label->palette();
  colours.setColor(QPalette::WindowText, colour);
  label->setPalette(colours);
  hang(label);
}

/// At once, not with the next event.
void WayIn::hang(QWidget* widget) {
  layout()->addWidget(widget);
  widget->show();
  shown_.push_back(widget);
}

void WayIn::addHeading(const QString& words) {
  addWords(words, palette_.ink);
  static_cast<QLabel*>(shown_.back())->setFont(textFont(14.0, true));
}

InkButton* WayIn::addAnswer(const QString& name, const QString& words) {
  auto* button = new InkButton(words, palette_, this);
  button->setObjectName("wayin." + name);
  hang(button);
  return button;
}

void WayIn::ask() {
  clear();
  addHeading(tr("What is there to begin with?"));
  for (const StartRule& start : document_.plan().rules->starts) {
    InkButton* button = addAnswer(QString::fromStdString(start.id), localText(start.title));
    button->setAccessibleDescription(localText(start.says));
    connect(button, &QAbstractButton::clicked, this, [this, id = start.id] { answer(id); });
  }
  addWords(tr("Or type a figure where it hangs."), palette_.secondInk);
  layout()->activate();
}

void WayIn::answer(const std::string& id) {
  const StartRule* start = startNamed(document_.plan(), id);
  if (start == nullptr) return;
  start_ = id;
  clear();
  addHeading(localText(start->title));
  addWords(localText(start->says), palette_.ink);
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
  addHeading(tr("And what is it for?"));
  for (const std::string& id : document_.library().ids()) {
    const LoadedRules loaded = document_.library().load(id);
    if (loaded.rules == nullptr || loaded.rules->suits.text.empty()) continue;
    InkButton* button =
        addAnswer("for." + QString::fromStdString(id), localText(loaded.rules->suits));
    button->setCheckable(true);
    button->setChecked(id == document_.job().method);
    button->setAccessibleDescription(localText(loaded.rules->never));
    connect(button, &QAbstractButton::clicked, this, [this, id] {
      document_.keep("method", Entry{id, {}});
      const QString chosen = "wayin.for." + QString::fromStdString(document_.job().method);
      for (QWidget* widget : shown_)
        if (auto* each = qobject_cast<InkButton*>(widget); each != nullptr && each->isCheckable())
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
  entry->setFrame(false);
  QPalette colours = entry->palette();
  colours.setColor(QPalette::Base, palette_.paper);
  colours.setColor(QPalette::Text, palette_.ink);
  colours.setColor(QPalette::PlaceholderText, palette_.secondInk);
  entry->setPalette(colours);
  connect(entry, &QLineEdit::returnPressed, this, [this, value, entry] { keep(value, entry); });
  connect(entry, &QLineEdit::editingFinished, this, [this, value, entry] {
    if (entry->isModified()) keep(value, entry);
  });
  auto* caption = new QLabel(title, row);
  caption->setFont(textFont(13.0));
  QPalette captionColours = caption->palette();
  captionColours.setColor(QPalette::WindowText, palette_.secondInk);
  caption->setPalette(captionColours);
  line->addWidget(caption);
  line->addStretch(1);
  line->addWidget(entry);
  hang(row);
}

/// An input is said as it is; for a computed one the input behind it is planned.
void WayIn::keep(const std::string& value, QLineEdit* entry) {
  const StartRule* start = startNamed(document_.plan(), start_);
  if (start == nullptr || !entry->isModified()) return;
  entry->setModified(false);
  const Plan& plan = document_.plan();
  const Notation notation = windowNotation(plan);
  const std::string text =
      lengthWithUnit(entry->text().trimmed().toStdString(), document_.job().units);
  const std::string planned = start->plannedFor(value);
  std::optional<Issue> issue;
  if (planned.empty()) {
    issue = document_.keep(fieldOf(*plan.rules->input(value)), Entry{text, {}});
  } else {
    const auto read = parseLength(text, document_.job().units);
    const auto* figure = std::get_if<Length>(&read);
    const InputRule& rule = *plan.rules->input(planned);
    if (figure == nullptr) {
      const auto wrong = readFigure(text, rule);
      if (const auto* told = std::get_if<Issue>(&wrong)) issue = *told;
    } else {
      const auto solved = document_.solveFor(planned, value, figure->mm());
      if (const auto* told = std::get_if<Issue>(&solved)) issue = *told;
      if (const auto* mm = std::get_if<double>(&solved))
        issue = document_.keep(fieldOf(rule), plannedEntry(*plan.rules, *mm));
    }
  }
  entry->setAccessibleDescription(issue ? issueText(*issue, notation) : QString());
  entry->setToolTip(entry->accessibleDescription());
  QPalette colours = entry->palette();
  colours.setColor(QPalette::Text, issue ? palette_.stop : palette_.ink);
  entry->setPalette(colours);
  for (QWidget* widget : shown_)
    if (auto* label = qobject_cast<QLabel*>(widget); label != nullptr && label == shown_[1])
      label->setText(issue ? issueText(*issue, notation) : localText(start->says));
  layout()->activate();
  emit changed();
  if (!issue) focusNextChild();
}

void WayIn::end() {
  isOver_ = true;
  emit changed();
  emit goOnAt({});
}

}  // namespace drapery
