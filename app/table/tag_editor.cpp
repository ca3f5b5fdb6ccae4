#include "app/table/tag_editor.h"

#include <algorithm>

#include "app/table/tag_content.h"
#include "app/words/material_words.h"
#include "app/words/reading_words.h"
#include "app/words/window_words.h"
#include "core/plan/job_inputs.h"
#include "core/plan/job_overrides.h"
#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"

namespace drapery {

TagEditor::TagEditor(Document& document, QObject* parent) : QObject(parent), document_(document) {
  connect(&document_, &Document::bookChanged, this, [this] { messages_.clear(); });
}

void TagEditor::serve(Tag* tag) {
  connect(tag, &Tag::typed, this, &TagEditor::onTyped);
  connect(tag, &Tag::kept, this, &TagEditor::onKept);
  connect(tag, &Tag::stepped, this, &TagEditor::onStepped);
  connect(tag, &Tag::chosen, this, &TagEditor::onChosen);
  connect(tag, &Tag::abandoned, this, &TagEditor::onAbandoned);
}

QString TagEditor::message(const std::string& id) const {
  const auto found = messages_.find(id);
  return found != messages_.end() ? found->second : QString();
}

const Plan& TagEditor::planOf(const Tag&) const { return document_.plan(); }

const InputRule* TagEditor::inputOf(const Tag& tag) const {
  return planOf(tag).rules->input(nameOf(tag));
}

std::string TagEditor::fieldOfTag(const Tag& tag) const {
  if (isRuleValue(tag.value()) || tag.value() == "method") return tag.value();
  if (tag.kind() == Tag::Kind::Computed) return "fixed/" + tag.value();
  if (const auto place = readingPlace(*document_.plan().rules, tag.value()))
    return fieldOf(*place->measure) + "@" + place->name;
  const InputRule* rule = document_.plan().rules->input(tag.value());
  return rule != nullptr ? fieldOf(*rule) : std::string();
}

FieldValue TagEditor::valueOf(const Tag& tag, const QString& text) const {
  std::string written = text.trimmed().toStdString();
  if (written.empty()) return std::nullopt;  // back to the usual value
  const RuleSet& rules = *planOf(tag).rules;
  const std::string name = nameOf(tag);
  if (const auto place = readingPlace(rules, name)) return readingTyped(document_, *place, text);
  const InputRule* rule = rules.input(name);
  if (rule != nullptr)
    if (auto named = entryNamed(document_, *rule, text)) return named;
  const auto node = rules.find(name);
  const bool isLength =
      name == "round" || (rule != nullptr ? rule->kind == InputKind::Length
                                          : node && rules.nodes[*node].unit == Unit::Millimetre);
  // A bare number in the window is in the unit in use; the file says which.
  if (isLength) return Entry{lengthWithUnit(written, document_.job().units), {}};
  std::replace(written.begin(), written.end(), ',', '.');
  return Entry{written, {}};
}

void TagEditor::tell(Tag* tag, const Issue& issue) {
  const bool isOfBook = &planOf(*tag) == &document_.plan();
  const TagContent content =
      isOfBook ? tagContent(document_, tag->value()) : tagContent(planOf(*tag), nameOf(*tag));
  Issue named = issue;
  for (auto& [key, argument] : named.arguments)
    if (key == "name") argument = content.caption.toStdString();
  tell(tag, issueText(named, windowNotation(document_.plan())));
}

void TagEditor::tell(Tag* tag, const QString& words) {
  messages_[tag->value()] = words;
  emit messagesChanged();
}

void TagEditor::onTyped(Tag* tag, const QString& text) {
  const std::string field = fieldOfTag(*tag);
  messages_.erase(tag->value());
  if (field.empty()) return;
  // A reading that is being emptied stays where it hangs until it is kept so.
  const bool isReading = readingPlace(*document_.plan().rules, tag->value()).has_value();
  if (isReading && text.trimmed().isEmpty()) return document_.endPreview();
  const FieldValue value = valueOf(*tag, text);
  auto issue = foundWrong(field, value);
  if (!issue) issue = document_.preview(field, value);
  if (!issue) return;
  // "2" on the way to "210" and "8 1/" on the way to "8 1/4" are not mistakes yet.
  const InputRule* rule = inputOf(*tag);
  const bool isOnTheWay = couldBecomeSound(*issue, text.toStdString()) ||
                          (rule != nullptr && couldBecomeName(document_, *rule, text)) ||
                          (isReading && couldBecomeWay(*document_.plan().rules, text));
  if (isOnTheWay) return emit messagesChanged();
  document_.endPreview();
  tell(tag, *issue);
}

void TagEditor::onKept(Tag* tag, const QString& text, bool goOn) {
  if (tag->kind() == Tag::Kind::Computed) return onSaidOver(tag, text, goOn);
  if (tag->isTyping()) {
    const std::string field = fieldOfTag(*tag);
    if (field.empty()) return onAbandoned(tag);  // another book lies there, which has no such thing
    const FieldValue value = valueOf(*tag, text);
    auto issue = foundWrong(field, value);
    if (!issue) issue = document_.keep(field, value);
    if (issue) document_.endPreview();
    if (issue) return tell(tag, *issue);
    messages_.erase(tag->value());
    tag->stopTyping();
    document_.endPreview();
  }
  if (goOn) emit done(tag);
}

/// A computed figure is only asked about when it is another one. An empty text lets go what was
/// said; leaving the tag leaves all as it was.
void TagEditor::onSaidOver(Tag* tag, const QString& text, bool goOn) {
  if (!tag->isTyping() || !goOn) return onAbandoned(tag);
  const std::string field = fieldOfTag(*tag);
  const FieldValue value = valueOf(*tag, text);
  document_.endPreview();
  if (!value) {
    onAbandoned(tag);
    if (fieldValue(document_.job(), field)) document_.keep(field, std::nullopt);
    return;
  }
  const auto read = readSaid(field, value->value, *document_.plan().rules);
  if (const auto* issue = std::get_if<Issue>(&read)) return tell(tag, *issue);
  const bool isSame = text.trimmed() == tagContent(document_, tag->value()).text;
  if (isSame) return onAbandoned(tag);
  emit saidOver(tag, std::get<double>(read));
}

void TagEditor::onAbandoned(Tag* tag) {
  messages_.erase(tag->value());
  tag->stopTyping();
  document_.endPreview();
}

void TagEditor::onStepped(Tag* tag, int marks) {
  tag->keepTyped();
  const std::string field = fieldOfTag(*tag);
  const Plan& plan = planOf(*tag);
  auto present = plan.length(nameOf(*tag));
  const InputRule* rule = inputOf(*tag);
  const auto place = readingPlace(*plan.rules, nameOf(*tag));
  if (place) {
    rule = place->measure;
    const OneReading* reading = readingAt(plan, *place);
    if (reading != nullptr) present = Length::fromMm(reading->value);
  }
  if (!present || rule == nullptr || rule->kind != InputKind::Length) return;
  const Length step = plan.resolution * marks;
  const Rounding toward = marks > 0 ? Rounding::Down : Rounding::Up;
  const Length next = roundTo(*present, plan.resolution, toward) + step;
  const std::string written = formatExact(next, document_.job().units);
  const Entry said =
      place ? readingTyped(document_, *place, QString::fromStdString(written)) : Entry{written, {}};
  auto issue = foundWrong(field, said);
  if (!issue) issue = document_.step(field, said);
  if (issue) tell(tag, *issue);
  tag->takeFocus();
}

void TagEditor::onChosen(Tag* tag, int option) {
  const std::string field = fieldOfTag(*tag);
  if (field.empty()) return;  // the book has no such choice any more
  const auto index = static_cast<std::size_t>(option);
  const std::vector<std::string> options = field == "units" ? std::vector<std::string>{"mm", "in"}
                                           : field == "method"
                                               ? document_.library().alike(document_.job().method)
                                               : inputOf(*tag)->options;
  if (index >= options.size()) return;
  if (field == "units") return document_.keepUnits(options[index]);
  messages_.erase(tag->value());
  const Entry chosen{options[index], {}};
  auto issue = foundWrong(field, chosen);
  if (!issue) issue = document_.keep(field, chosen);
  if (issue) {
    emit refused(*issue);
    emit messagesChanged();  // the choice shows what holds
  }
}

}  // namespace drapery
