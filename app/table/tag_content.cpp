#include "app/table/tag_content.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

#include "app/words/material_words.h"
#include "app/words/reading_words.h"
#include "app/words/window_words.h"
#include "core/plan/give_way.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Tag)
};

std::optional<Severity> worstFinding(const Plan& plan, const std::string& value) {
  std::optional<Severity> worst;
  for (const PlannedFinding& finding : plan.findings) {
    const auto& touches = finding.rule->touches;
    if (std::find(touches.begin(), touches.end(), value) == touches.end()) continue;
    if (!worst || finding.rule->severity < *worst) worst = finding.rule->severity;
  }
  return worst;
}

TagContent unitsContent(const Document& document) {
  TagContent content;
  content.caption = Words::tr("measured in");
  content.options = QStringList{Words::tr("mm"), Words::tr("inches")};
  content.text = content.options[document.plan().units == Units::Inches ? 1 : 0];
  return content;
}

TagContent resolutionContent(const Document& document) {
  const Plan& plan = document.plan();
  TagContent content;
  content.caption = Words::tr("cut to");
  content.text = bareWords(plan.resolution, windowNotation(plan));
  content.unit = plan.units == Units::Inches ? "in" : "mm";
  content.isSupposed = !document.job().round.has_value();
  content.severity = worstFinding(plan, "round");
  return content;
}

TagContent methodContent(const Document& document) {
  TagContent content;
  content.caption = Words::tr("made as");
  for (const std::string& id : document.library().alike(document.job().method))
    content.options << document.methodTitle(id);
  content.text = document.methodTitle(document.job().method);
  return content;
}

void showChoice(TagContent& content, const Plan& plan, const InputRule& rule) {
  for (const LocalText& title : rule.optionTitles) content.options << localText(title);
  const std::string chosen(plan.choice(rule.id));
  for (std::size_t i = 0; i < rule.options.size(); ++i)
    if (rule.options[i] == chosen) content.text = content.options[static_cast<qsizetype>(i)];
}

/// Whether `cut` is the rounded form of a part's size that is simply the value `node`.
bool isSizeOf(const Plan& plan, const ValueNode& cut, std::size_t node) {
  if (cut.uses.size() != 1) return false;
  const ValueNode& size = plan.rules->nodes[cut.uses.front()];
  return size.uses.size() == 1 && size.uses.front() == node && size.formula->isName();
}

/// A piece's exact size also tells what the rule in hand makes of it.
void addCutSize(TagContent& content, const Plan& plan, std::size_t node) {
  for (const ValueNode& other : plan.rules->nodes) {
    const bool isCutOfIt = other.source == ValueNode::Source::CutSize &&
                           plan.part(plan.rules->parts[other.rule].id) != nullptr &&
                           isSizeOf(plan, other, node);
    const auto cut = isCutOfIt ? plan.length(other.name) : std::nullopt;
    if (!cut || content.text.isEmpty()) continue;
    const QString words = bareWords(*cut, windowNotation(plan));
    if (words != content.text) content.unit += Words::tr(", cut %1").arg(words);
    return;
  }
}

/// What is marked out also tells where on the rule in hand.
void addMark(TagContent& content, const Plan& plan, const ValueNode& value) {
  for (const PlannedMark& mark : plan.marks) {
    const bool isOfIt =
        mark.length && mark.rule->exact.formula.isName() && mark.rule->exact.text() == value.name;
    if (!isOfIt || content.text.isEmpty()) continue;
    const QString words = bareWords(mark.length->cut, windowNotation(plan));
    if (words != content.text) content.unit += Words::tr(", marked %1").arg(words);
    return;
  }
}

/// What may be named there, and what is.
void addMaterial(TagContent& content, const Document& document, const InputRule& rule) {
  content.names = materialNames(document, rule);
  const QString named = namedMaterial(document, rule);
  if (!named.isEmpty() && !content.text.isEmpty())
    content.unit += ", " + named.section(QLatin1Char(','), 0, 0);
}

TagContent readingContent(const Document& document, const ReadingPlace& place) {
  const Plan& plan = document.plan();
  TagContent content;
  content.caption = placeWords(place);
  content.unit = unitWords(plan, place.node);
  const OneReading* reading = readingAt(plan, place);
  if (reading == nullptr) {
    content.placeholder = Words::tr("type it");
    content.isSupposed = true;
    return content;
  }
  content.names = wayNames(*plan.rules);
  content.text = figureWords(plan, place.node, reading->value);
  content.isSupposed = !reading->counts || plan.isPlanned(place.node);
  if (!reading->by.empty()) content.unit += ", " + wayWords(*plan.rules, reading->by);
  return content;
}

/// Of several readings the mean; of a plan that it is one.
void addReadings(TagContent& content, const Plan& plan, std::size_t node, const InputRule& rule) {
  content.hasReadings = !rule.places.empty();
  if (!plan.entered[node]) return;
  const int count = plan.readings[plan.rules->nodes[node].rule].count;
  if (count > 1) content.unit += Words::tr(", mean of %1").arg(count);
  if (!plan.isPlanned(node)) return;
  content.isSupposed = true;
  content.unit += Words::tr(", planned");
}

/// What was said in place of the rule, and what that would give.
void addFixed(TagContent& content, const Plan& plan, std::size_t node) {
  content.isFixed = true;
  content.unit +=
      std::isnan(plan.byRule[node])
          ? Words::tr(", said")
          : Words::tr(", said; rule %1").arg(figureWords(plan, node, plan.byRule[node]));
}

TagContent numberContent(const Plan& plan, std::size_t node) {
  TagContent content;
  const ValueNode& of = plan.rules->nodes[node];
  content.caption = localText(plan.rules->titleOf(node));
  content.text = valueWords(plan, node);
  content.unit = unitWords(plan, node);
  if (of.source != ValueNode::Source::Input) {
    if (plan.isFixed(node)) addFixed(content, plan, node);
    addCutSize(content, plan, node);
    addMark(content, plan, of);
    return content;
  }
  const InputRule& rule = plan.rules->inputs[of.rule];
  content.isSupposed = !plan.entered[node];
  if (rule.kind == InputKind::Choice) {
    showChoice(content, plan, rule);
  } else if (content.text.isEmpty() && !rule.ask.text.empty()) {
    content.caption = localText(rule.ask);
    content.placeholder = Words::tr("type it");
  }
  return content;
}

TagContent numberContent(const Document& document, std::size_t node) {
  const Plan& plan = document.plan();
  TagContent content = numberContent(plan, node);
  if (plan.rules->nodes[node].source != ValueNode::Source::Input) return content;
  const InputRule& rule = plan.rules->inputs[plan.rules->nodes[node].rule];
  addMaterial(content, document, rule);
  addReadings(content, plan, node, rule);
  return content;
}

}  // namespace

bool isRuleValue(const std::string& value) { return value == "units" || value == "round"; }

std::optional<Tag::Kind> tagKind(const Plan& plan, const std::string& value) {
  if (value == "method" || value == "units") return Tag::Kind::Choice;
  if (value == "round" || readingPlace(*plan.rules, value)) return Tag::Kind::Entry;
  const auto node = plan.rules->find(value);
  if (!node) return std::nullopt;
  const ValueNode& of = plan.rules->nodes[*node];
  if (of.source != ValueNode::Source::Input)
    return std::isnan(plan.values[*node])  ? std::nullopt
           : canBeSaid(*plan.rules, *node) ? std::optional(Tag::Kind::Computed)
                                           : std::optional(Tag::Kind::Figure);
  if (!plan.counts[*node]) return std::nullopt;  // no place on this book
  const InputRule& rule = plan.rules->inputs[of.rule];
  if (rule.kind != InputKind::Choice) return Tag::Kind::Entry;
  return rule.options.size() > 1 ? std::optional(Tag::Kind::Choice) : std::nullopt;
}

bool isMeasuredLength(const Plan& plan, const std::string& value) {
  const auto place = readingPlace(*plan.rules, value);
  const InputRule* rule = place ? place->measure : plan.rules->input(value);
  return rule != nullptr && rule->kind == InputKind::Length;
}

TagContent tagContent(const Plan& plan, const std::string& value) {
  TagContent content = numberContent(plan, *plan.rules->find(value));
  content.severity = worstFinding(plan, value);
  return content;
}

TagContent tagContent(const Document& document, const std::string& value) {
  if (value == "units") return unitsContent(document);
  if (value == "round") return resolutionContent(document);
  if (const auto place = readingPlace(*document.plan().rules, value))
    return readingContent(document, *place);
  TagContent content = value == "method"
                           ? methodContent(document)
                           : numberContent(document, *document.plan().rules->find(value));
  content.severity = worstFinding(document.plan(), value);
  return content;
}

}  // namespace drapery
