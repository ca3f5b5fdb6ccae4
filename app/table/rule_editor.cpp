#include "app/table/rule_editor.h"

#include <QKeyEvent>
#include <QLabel>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "paint/fonts.h"
#include "words/amount_words.h"

namespace drapery {

namespace {

constexpr double kText = 13.0;

struct RuleText {
  const char* key;
  QString label;
  std::string text;  // as the rule says it now
};

std::vector<RuleText> textsOf(const RuleSet& rules, const std::string& list,
                              const std::string& id) {
  if (list == "derive") {
    for (const DerivedRule& rule : rules.derived)
      if (rule.id == id)
        return {{"formula", RuleEditor::tr("Formula"), std::string(rule.formula.text())},
                {"because", RuleEditor::tr("Because"), rule.because.text}};
  } else if (list == "finding") {
    for (const FindingRule& rule : rules.findings)
      if (rule.id == id)
        return {{"when", RuleEditor::tr("Told when"), std::string(rule.when.text())},
                {"says", RuleEditor::tr("Says"), rule.says.written},
                {"do", RuleEditor::tr("What to do"), rule.remedy.written}};
  } else if (const InputRule* rule = rules.input(id)) {
    return {{"default", RuleEditor::tr("Unless it is said"), std::string(rule->fallback.text())}};
  }
  return {};
}

}  // namespace

RuleEntry::RuleEntry(const QString& text, const Palette& palette, QWidget* parent)
    : QPlainTextEdit(parent), palette_(palette) {
  setPlainText(text);
  document()->setModified(false);
  setFont(textFont(kText));
  setTabChangesFocus(true);
  setFrameShape(QFrame::NoFrame);
  setVerticalScrollBarPolicy(Qt::ScrollBarAsNeeded);
  QPalette colours = this->palette();
  colours.setColor(QPalette::Base, palette.paper);
  colours.setColor(QPalette::Text, palette.ink);
  setPalette(colours);
  const int lines = text.size() > 60 ? 4 : 2;
  setFixedHeight(lines * QFontMetrics(font()).lineSpacing() + 14);
}

void RuleEntry::setWrong(std::optional<std::size_t> at) {
  QList<QTextEdit::ExtraSelection> wrong;
  if (at) {
    const QByteArray bytes = toPlainText().toUtf8();
    const auto before =
        static_cast<int>(QString::fromUtf8(bytes.left(static_cast<qsizetype>(*at))).size());
    QTextEdit::ExtraSelection mark;
    mark.cursor = QTextCursor(document());
    mark.cursor.setPosition(std::min(before, document()->characterCount() - 1));
    mark.cursor.movePosition(QTextCursor::EndOfWord, QTextCursor::KeepAnchor);
    if (!mark.cursor.hasSelection())
      mark.cursor.movePosition(QTextCursor::NextCharacter, QTextCursor::KeepAnchor);
    mark.format.setUnderlineStyle(QTextCharFormat::WaveUnderline);
    mark.format.setUnderlineColor(palette_.stop);
    wrong << mark;
  }
  setExtraSelections(wrong);
}

void RuleEntry::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) return emit kept();
  if (event->key() == Qt::Key_Escape) return emit left();
  QPlainTextEdit::keyPressEvent(event);
}

RuleEditor::RuleEditor(Document& document, const Palette& palette, QWidget* parent)
    : QWidget(parent), document_(document), palette_(palette) {
  setObjectName("ruleeditor");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 4, 0, 0);
  column->setSpacing(3);
  hide();
}

void RuleEditor::open(const std::string& list, const std::string& id) {
  if (document_.ruleDesk() == nullptr) return;
  if (isOpen()) leave();
  list_ = list;
  id_ = id;
  for (const auto& [key, label, text] : textsOf(*document_.plan().rules, list, id))
    addText(key, label, text);
  told_ = inkLabel({}, kText, palette_.secondInk, this);
  told_->setObjectName("ruleeditor.told");
  told_->setWordWrap(true);
  told_->setAlignment(Qt::AlignLeft | Qt::AlignTop);
  told_->setMinimumHeight(3 * QFontMetrics(told_->font()).lineSpacing() + 4);  // nothing jumps
  layout()->addWidget(told_);
  auto* back = new InkButton(tr("as the method has it"), palette_, this);
  back->setObjectName("ruleeditor.back");
  connect(back, &QAbstractButton::clicked, this, &RuleEditor::restore);
  layout()->addWidget(back);
  if (!texts_.empty()) texts_.front().entry->setFocus();
}

void RuleEditor::addText(const char* key, const QString& label, const std::string& text) {
  layout()->addWidget(inkLabel(label, 12.0, palette_.ink, this));
  auto* entry = new RuleEntry(QString::fromStdString(text), palette_, this);
  entry->setObjectName(QString("ruleeditor.") + key);
  entry->setAccessibleName(label);
  layout()->addWidget(entry);
  texts_.push_back({key, entry});
  connect(entry, &QPlainTextEdit::textChanged, this, &RuleEditor::tryOut);
  connect(entry, &RuleEntry::kept, this, &RuleEditor::keep);
  connect(entry, &RuleEntry::left, this, &RuleEditor::leave);
}

RuleEdits RuleEditor::typed() const {
  RuleEdits edits;
  for (const Text& text : texts_)
    if (text.entry->document()->isModified())
      edits.push_back({{list_, id_, text.key}, text.entry->toPlainText().toStdString()});
  return edits;
}

void RuleEditor::write(const std::string& key, const QString& text) {
  for (const Text& each : texts_)
    if (key.empty() || each.key == key) {
      // As keys do: what is set whole would not count as changed.
      QTextCursor cursor(each.entry->document());
      cursor.select(QTextCursor::Document);
      return cursor.insertText(text);
    }
}

void RuleEditor::tell(const QString& words, const QColor& ink) {
  QPalette colours = told_->palette();
  colours.setColor(QPalette::WindowText, ink);
  told_->setPalette(colours);
  told_->setText(words);
}

/// Checked with every key; sound rules are drawn at once.
void RuleEditor::tryOut() {
  const RuleEdits edits = typed();
  if (edits.empty()) return;
  const RuleDesk::Trial trial = document_.ruleDesk()->tryOut(edits);
  for (const Text& text : texts_) {
    const bool isWrong = text.key == edits[trial.wrong].place.key;
    text.entry->setWrong(isWrong ? trial.wrongAt : std::nullopt);
  }
  const Notation notation = windowNotation(document_.plan());
  if (trial.loaded.rules == nullptr) {
    document_.endPreview();
    return tell(issueText(trial.loaded.issues.front(), notation), palette_.stop);
  }
  const auto figureOf = [&](const Plan& plan) {
    const auto node = plan.rules->find(id_);
    if (!node || std::isnan(plan.values[*node])) return tr("nothing");
    return QString::fromStdString(
        amountWords({plan.values[*node], plan.rules->nodes[*node].unit}, notation));
  };
  document_.previewRules(trial.loaded.rules);
  const bool isFigure = document_.plan().rules->find(id_).has_value();
  tell(isFigure ? tr("By this rule %1, by the former %2. Enter keeps it.")
                      .arg(figureOf(document_.plan()), figureOf(*document_.formerPlan()))
                : tr("It is sound. Enter keeps it."),
       palette_.secondInk);
}

void RuleEditor::keep() {
  const RuleEdits edits = typed();
  if (edits.empty()) return leave();
  document_.endPreview();
  const Issues issues = document_.ruleDesk()->keep(edits);
  if (!issues.empty())
    return tell(issueText(issues.front(), windowNotation(document_.plan())), palette_.stop);
  close();
  emit closed();
}

/// What the house says of it is taken out again.
void RuleEditor::restore() {
  document_.endPreview();
  RuleDesk& desk = *document_.ruleDesk();
  RuleEdits edits;
  for (const Text& text : texts_)
    if (const RulePlace place{list_, id_, text.key}; desk.said(place))
      edits.push_back({place, std::nullopt});
  const Issues issues = edits.empty() ? Issues{} : desk.keep(edits);
  if (!issues.empty()) emit refused(issues.front());
  close();
  emit closed();
}

void RuleEditor::leave() {
  if (!isOpen()) return;
  close();
  document_.endPreview();
  emit closed();
}

void RuleEditor::close() {
  id_.clear();
  texts_.clear();
  told_ = nullptr;
  emptyLayout(layout());
  hide();
}

}  // namespace drapery
