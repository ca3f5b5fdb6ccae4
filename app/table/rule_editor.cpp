#include "app/table/rule_editor.h"

#include <QKeyEvent>
#include <QLabel>
#include <QVBoxLayout>
#include <algorithm>

#include "app/ink_button.h"
#include "app/words/window_words.h"
#include "paint/fonts.h"
#include "words/amount_words.h"

namespace drapery {

namespace {

constexpr double kText = 13.0;

/// A text as its rule says it now: each kind of rule has its own.
struct RuleTexts {
  std::vector<std::tuple<const char*, QString, std::string>> texts;  // key, label, text
};

RuleTexts textsOf(const RuleSet& rules, const std::string& list, const std::string& id) {
  RuleTexts all;
  const auto add = [&](const char* key, const QString& label, std::string text) {
    all.texts.emplace_back(key, label, std::move(text));
  };
  if (list == "derive") {
    for (const DerivedRule& rule : rules.derived)
      if (rule.id == id) {
        add("formula", RuleEditor::tr("Formula"), std::string(rule.formula.text()));
        add("because", RuleEditor::tr("Because"), rule.because.text);
      }
  } else if (list == "finding") {
    for (const FindingRule& rule : rules.findings)
      if (rule.id == id) add("when", RuleEditor::tr("Told when"), std::string(rule.when.text()));
  } else if (const InputRule* rule = rules.input(id)) {
    add("default", RuleEditor::tr("Unless it is said"), std::string(rule->fallback.text()));
  }
  return all;
}

}  // namespace

RuleEntry::RuleEntry(QString text, const Palette& palette, QWidget* parent)
    : QPlainTextEdit(parent), palette_(palette), before_(std::move(text)) {
  setPlainText(before_);
  setFont(textFont(kText));
  setTabChangesFocus(true);
  setFrameShape(QFrame::NoFrame);
  setVerticalScrollBarPolicy(Qt::ScrollBarAsNeeded);
  QPalette colours = this->palette();
  colours.setColor(QPalette::Base, palette.paper);
  colours.setColor(QPalette::Text, palette.ink);
  setPalette(colours);
  const int lines = before_.size() > 60 ? 4 : 2;
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
    : QWidget(parent), document_(document), palette_(palette), told_(new QLabel(this)) {
  setObjectName("ruleeditor");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 4, 0, 0);
  column->setSpacing(3);
  told_->setObjectName("ruleeditor.told");
  told_->setWordWrap(true);
  told_->setTextFormat(Qt::PlainText);
  told_->setFont(textFont(kText));
  told_->setAlignment(Qt::AlignLeft | Qt::AlignTop);
  told_->setMinimumHeight(3 * QFontMetrics(told_->font()).lineSpacing() + 4);  // nothing jumps
  hide();
}

void RuleEditor::open(const std::string& list, const std::string& id) {
  RuleDesk* desk = document_.ruleDesk();
  if (desk == nullptr) return;
  close();
  if (const Issues issues = desk->begin(); !issues.empty()) return emit refused(issues.front());
  list_ = list;
  id_ = id;
  for (const auto& [key, label, text] : textsOf(*document_.plan().rules, list, id).texts)
    addText(key, label, text);
  layout()->addWidget(told_);
  auto* back = new InkButton(tr("as the method has it"), palette_, this);
  back->setObjectName("ruleeditor.back");
  connect(back, &QAbstractButton::clicked, this, &RuleEditor::restore);
  layout()->addWidget(back);
  if (!texts_.empty()) texts_.front().entry->setFocus();
}

void RuleEditor::addText(const char* key, const QString& label, const std::string& text) {
  auto* caption = new QLabel(label, this);
  caption->setFont(textFont(12.0));
  layout()->addWidget(caption);
  auto* entry = new RuleEntry(QString::fromStdString(text), palette_, this);
  entry->setObjectName(QString("ruleeditor.") + key);
  entry->setAccessibleName(label);
  layout()->addWidget(entry);
  const std::size_t which = texts_.size();
  texts_.push_back({key, entry});
  connect(entry, &QPlainTextEdit::textChanged, this, [this, which] { tryOut(which); });
  connect(entry, &RuleEntry::kept, this, [this, which] { keep(which); });
  connect(entry, &RuleEntry::left, this, [this] {
    close();
    document_.endPreview();
    emit closed();
  });
}

RuleEdit RuleEditor::editOf(std::size_t which) const {
  return {{list_, id_, texts_[which].key}, texts_[which].entry->toPlainText().toStdString()};
}

/// Checked with every key; sound rules are drawn at once.
void RuleEditor::tryOut(std::size_t which) {
  const RuleDesk::Trial trial = document_.ruleDesk()->tryOut(editOf(which));
  texts_[which].entry->setWrong(trial.wrongAt);
  QPalette colours = told_->palette();
  const Notation notation = windowNotation(document_.plan());
  if (trial.loaded.rules == nullptr) {
    words_ =
        trial.loaded.issues.empty() ? QString() : issueText(trial.loaded.issues.front(), notation);
    colours.setColor(QPalette::WindowText, palette_.stop);
    document_.endPreview();
  } else {
    document_.endPreview();
    const auto former = document_.plan().number(id_);
    document_.previewRules(trial.loaded.rules);
    const auto now = document_.plan().number(id_);
    const auto node = document_.plan().rules->find(id_);
    const auto words = [&](const std::optional<double>& figure) {
      return figure && node ? QString::fromStdString(amountWords(
                                  {*figure, document_.plan().rules->nodes[*node].unit}, notation))
                            : tr("nothing");
    };
    words_ = node ? tr("By this rule %1, by the former %2. Enter keeps it.")
                        .arg(words(now), words(former))
                  : tr("It is sound. Enter keeps it.");
    colours.setColor(QPalette::WindowText, palette_.secondInk);
  }
  told_->setPalette(colours);
  told_->setText(words_);
}

void RuleEditor::keep(std::size_t which) {
  const RuleEdit edit = editOf(which);
  document_.endPreview();
  const Issues issues = document_.ruleDesk()->keep(edit);
  if (!issues.empty()) {
    words_ = issueText(issues.front(), windowNotation(document_.plan()));
    told_->setText(words_);
    return;
  }
  close();
  emit closed();
}

/// What the house says of it is taken out again.
void RuleEditor::restore() {
  document_.endPreview();
  std::vector<std::string> keys;
  for (const Text& text : texts_) keys.push_back(text.key);
  const std::string list = list_, id = id_;
  close();
  for (const std::string& key : keys)
    if (document_.ruleDesk()->said({list, id, key}))
      if (const Issues issues = document_.ruleDesk()->keep({{list, id, key}, std::nullopt});
          !issues.empty())
        emit refused(issues.front());
  emit closed();
}

void RuleEditor::close() {
  id_.clear();
  words_.clear();
  told_->clear();
  texts_.clear();
  told_->setParent(nullptr);
  while (QLayoutItem* item = layout()->takeAt(0)) {
    if (QWidget* widget = item->widget(); widget != nullptr && widget != told_) {
      widget->hide();
      widget->setObjectName({});
      widget->deleteLater();
    }
    delete item;
  }
  told_->setParent(this);
  hide();
}

}  // namespace drapery
