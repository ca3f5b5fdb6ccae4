#include "core/rules/section/input.h"

#include <algorithm>
#include <cmath>
#include <tuple>

#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"
#include "core/rules/entry_reader.h"
#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {

const Choices<InputKind> kKinds{
    {"length", InputKind::Length},     {"ratio", InputKind::Ratio}, {"count", InputKind::Count},
    {"choice", InputKind::Choice},     {"angle", InputKind::Angle}, {"bulk", InputKind::Bulk},
    {"grammage", InputKind::Grammage}, {"time", InputKind::Time},   {"money", InputKind::Money}};
const Choices<std::string> kProperties{
    {"thickness", "thickness"}, {"grammage", "grammage"}, {"bulk", "bulk"}};

/// A range's end or a default: a number, a length with its unit, or a fraction.
class InputReading {
 public:
  InputReading(const Node& entry, InputRole role, IssuePlacer& placer)
      : in_(entry, role == InputRole::Given ? "given" : "allowance", placer) {
    rule_.role = role;
    rule_.at = in_.at(entry);
  }

  /// What is sewn has names of its own: "caliper".
  InputRule run(bool isOfPattern) {
    rule_.id = isOfPattern ? in_.id() : in_.name();
    rule_.was = readWas(in_);
    rule_.kind = in_.choice("kind", kKinds, InputKind::Length);
    rule_.title = in_.words("title", Needed::Yes);
    rule_.ask = in_.words("ask", Needed::No);
    rule_.measure = in_.words("measure", Needed::No);
    readPlaces();
    rule_.practice = in_.text("practice", Needed::No);
    rule_.optional = in_.flag("optional");
    rule_.settles = readSettles(in_, "compared", Moment::Trimmed);
    rule_.isCompared = in_.flag("beside");
    rule_.scales = in_.flag("scales");
    rule_.when = in_.formula("when", Needed::No);
    rule_.otherwise = in_.formula("otherwise", Needed::No);
    rule_.materials = in_.texts("materials", Needed::No);
    rule_.property = in_.choice("property", kProperties, std::string("thickness"));
    if (rule_.kind == InputKind::Choice) {
      readOptions();
      readColumns();
    } else {
      if (const auto range = readRange(in_, Needed::Yes, isLength()))
        std::tie(rule_.least, rule_.most) = *range;
      rule_.fallback = readDefault("default");
      rule_.inchFallback = readDefault("default_in");
    }
    in_.finish();
    return std::move(rule_);
  }

 private:
  [[nodiscard]] bool isLength() const { return rule_.kind == InputKind::Length; }

  /// `default = "3 mm"`, and for books in inches `default_in = "1/8 in"`.
  RuleFormula readDefault(const char* key) {
    const Node* node = in_.find(key);
    if (node == nullptr) return {};
    const auto value = literalOf(*node, isLength());
    if (!value) return in_.formulaIn(*node, key, "number, length or formula");
    if (*value >= rule_.least && *value <= rule_.most)
      return {Formula::literal(*value, dimensionOf(rule_.kind)), in_.at(*node)};
    in_.complain(*node, "default-out-of-range",
                 {{"id", rule_.id},
                  {"value", shortened(node->text)},
                  {"least", formatNumber(rule_.least, 4)},
                  {"most", formatNumber(rule_.most, 4)}});
    return {};
  }

  /// `places = ["head", "tail"]`, each an id that readings say.
  void readPlaces() {
    const Node* places = in_.list("places", Needed::No);
    rule_.places = in_.texts("places", Needed::No);
    for (std::size_t i = 0; i < rule_.places.size(); ++i) {
      if (!isId(rule_.places[i]))
        in_.complain(places->items[i], "id-malformed", {{"id", shortened(rule_.places[i])}});
      if (std::count(rule_.places.begin(), rule_.places.end(), rule_.places[i]) > 1)
        in_.complain(
            places->items[i], "id-duplicate",
            {{"id", shortened(rule_.places[i])}, {"line", std::to_string(places->items[i].line)}});
    }
    rule_.placeTitles = titlesOf("place_titles", rule_.places);
  }

  /// One for each of the ids, in the reader's language where the file has it; an id without is its
  /// own.
  std::vector<LocalText> titlesOf(const char* key, const std::vector<std::string>& ids) {
    const std::vector<std::string> titles = in_.texts(key, Needed::No);
    std::vector<LocalText> all;
    for (std::size_t i = 0; i < ids.size(); ++i)
      all.push_back({i < titles.size() ? titles[i] : ids[i], {}});
    in_.eachTranslation(
        key,
        [&](const std::string& language, const Node& list) {
          for (std::size_t i = 0; i < std::min(ids.size(), list.items.size()); ++i)
            all[i].other[language] = list.items[i].text;
        },
        Node::Kind::List);
    return all;
  }

  void readOptions() {
    rule_.options = in_.texts("options", Needed::Yes);
    const Node* options = in_.find("options");
    for (std::size_t i = 0; i < rule_.options.size(); ++i) {
      const Node& node = options->items[i];
      if (!isPlainName(rule_.options[i]))
        in_.complain(node, "id-malformed", {{"id", shortened(rule_.options[i])}});
      in_.checkName(node, rule_.options[i]);
    }
    rule_.optionTitles = titlesOf("option_titles", rule_.options);
    readFormerOptions();
    const Node* chosen = in_.find("default");
    if (chosen == nullptr) return;
    const bool isOption =
        std::find(rule_.options.begin(), rule_.options.end(), chosen->text) != rule_.options.end();
    if (isOption) {
      rule_.fallback = in_.formulaIn(*chosen, "default", "one of the options");
      return;
    }
    in_.complain(*chosen, "value-not-allowed",
                 {{"key", std::string("default")},
                  {"value", shortened(chosen->text)},
                  {"allowed", joined(rule_.options)}});
  }

  /// `options_were = { sunk = "grooved" }`
  void readFormerOptions() {
    const Node* were = in_.find("options_were");
    if (were == nullptr) return;
    if (were->kind != Node::Kind::Table) return in_.complainType(*were, "options_were", "table");
    for (const Node::Member& former : were->members) {
      const std::string& now = former.value.text;
      if (std::find(rule_.options.begin(), rule_.options.end(), now) != rule_.options.end())
        rule_.optionsWere.emplace_back(former.key, now);
      else
        in_.complain(former.value, "value-not-allowed",
                     {{"key", std::string("options_were")},
                      {"value", shortened(now)},
                      {"allowed", joined(rule_.options)}});
    }
  }

  /// `columns = {width = ["210 mm", ...]}`
  void readColumns() {
    const Node* columns = in_.find("columns");
    if (columns == nullptr) return;
    if (columns->kind != Node::Kind::Table) return in_.complainType(*columns, "columns", "table");
    for (const Node::Member& member : columns->members) readColumn(member);
  }
  void readColumn(const Node::Member& member) {
    ChoiceColumn column;
    column.id = member.key;
    if (!isPlainName(column.id))
      in_.complain(member.value, "id-malformed", {{"id", shortened(column.id)}});
    for (const Node& item : member.value.items) {
      const bool isPlain = item.kind == Node::Kind::Number;
      const auto figure = literalOf(item, !isPlain);
      if (isPlain && !std::isnan(item.number)) column.unit = Unit::One;
      if (!figure) in_.complainType(item, member.key.c_str(), "number or length");
      column.figures.push_back(figure.value_or(0.0));
    }
    if (column.figures.size() != rule_.options.size())
      in_.complain(member.value, "column-uneven",
                   {{"key", member.key},
                    {"found", std::to_string(column.figures.size())},
                    {"options", std::to_string(rule_.options.size())}});
    column.figures.resize(rule_.options.size());
    rule_.columns.push_back(std::move(column));
  }

  static bool isPlainName(const std::string& name) {
    return isId(name) && name.find('-') == std::string::npos;
  }

  EntryReader in_;
  InputRule rule_;
};

}  // namespace

Dimension dimensionOf(InputKind kind) {
  switch (kind) {
    case InputKind::Length:
      return Dimension::length();
    case InputKind::Angle:
      return Dimension::angle();
    case InputKind::Grammage:
      return Dimension::grammage();
    case InputKind::Bulk:
      return Dimension::bulk();
    case InputKind::Time:
      return Dimension::time();
    case InputKind::Money:
      return Dimension::money();
    default:
      return Dimension::number();
  }
}

void InputSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  rules.inputs.push_back(InputReading(entry, role_, placer).run(rules.isPattern));
}

void InputSection::declare(RuleSet& rules, Linker& linker) const {
  for (std::size_t i = 0; i < rules.inputs.size(); ++i) {
    const InputRule& rule = rules.inputs[i];
    if (rule.role != role_) continue;
    ValueNode node = Linker::nodeOf(rule.id, ValueNode::Source::Input, i, dimensionOf(rule.kind));
    if (rule.kind == InputKind::Choice) node.quantity = Quantity::choice(rule.id);
    node.formula = formulaOf(rule.fallback);
    node.inches = formulaOf(rule.inchFallback);
    node.when = formulaOf(rule.when);
    node.otherwise = formulaOf(rule.otherwise);
    node.settles = rule.settles;
    const std::size_t index = rules.nodes.size();
    rules.inputNodes.push_back(index);
    linker.declare(std::move(node), rule.at, rule.was);
    for (std::size_t k = 0; k < rule.columns.size(); ++k) {
      const ChoiceColumn& column = rule.columns[k];
      const bool isLength = column.unit == Unit::Millimetre;
      ValueNode figure = Linker::nodeOf(rule.id + "." + column.id, ValueNode::Source::Column, i,
                                        isLength ? Dimension::length() : Dimension::number());
      figure.column = k;
      figure.uses = {index};
      linker.declare(std::move(figure), rule.at);
    }
  }
}

void InputSection::link(RuleSet& rules, Linker& linker) const {
  for (InputRule& rule : rules.inputs) {
    if (rule.role != role_) continue;
    // A choice's usual value is one of its options.
    std::optional<Dimension> dimension;
    if (rule.kind != InputKind::Choice) dimension = dimensionOf(rule.kind);
    linker.linkNode(rule.id, {{&rule.fallback, dimension},
                              {&rule.inchFallback, dimension},
                              {&rule.when, Dimension::number()},
                              {&rule.otherwise, dimension}});
  }
}

namespace {

std::string optionsText(const InputRule& rule) {
  std::string out;
  for (std::size_t i = 0; i < rule.options.size(); ++i) {
    out += (i == 0 ? "" : ", ") + asCode(rule.options[i]) + " (" + rule.optionTitles[i].text;
    for (const ChoiceColumn& column : rule.columns) {
      const std::string figure = plainAmount({column.figures[i], column.unit});
      if (figure != "–") out += (&column == rule.columns.data() ? ": " : " × ") + figure;
    }
    out += ")";
  }
  return out;
}

std::string allowedText(const InputRule& rule) {
  switch (rule.kind) {
    case InputKind::Choice:
      return optionsText(rule);
    case InputKind::Length:
      return plainAmount({rule.least, Unit::Millimetre}) + " to " +
             plainAmount({rule.most, Unit::Millimetre});
    case InputKind::Count:
      return "whole, " + formatNumber(rule.least, 0) + " to " + formatNumber(rule.most, 0);
    case InputKind::Ratio:
      return formatNumber(rule.least, 4) + " to " + formatNumber(rule.most, 4);
    default:
      return formatNumber(rule.least, 4) + " to " + formatNumber(rule.most, 4) + " " +
             dimensionOf(rule.kind).name();
  }
}

std::string told(const InputRule& rule) {
  std::string out =
      "- **" + rule.title.text + "** " + asCode(rule.id) + ": " + allowedText(rule) + ".";
  if (!rule.fallback.empty()) {
    out += " Unless said " + asCode(rule.fallback);
    if (!rule.inchFallback.empty()) out += ", in inches " + asCode(rule.inchFallback);
    out += ".";
  }
  if (rule.fallback.empty() && rule.optional) out += " May be left out.";
  out += onlyWhere(rule.when);
  if (!rule.otherwise.empty()) out += " Elsewhere " + asCode(rule.otherwise) + ".";
  if (!rule.places.empty()) {
    out += " Places:";
    for (const LocalText& place : rule.placeTitles)
      out += (&place == rule.placeTitles.data() ? " " : ", ") + place.text;
    out += ".";
  }
  if (!rule.materials.empty()) {
    out += " May name a material:";
    for (const std::string& kind : rule.materials)
      out += (kind == rule.materials.front() ? " " : ", ") + kind;
    out += ".";
  }
  return out + andSays(rule.measure.text) + fromPractice(rule.practice) + "\n";
}

}  // namespace

std::vector<Described> InputSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const InputRule& rule : rules.inputs)
    if (rule.role == role_)
      all.push_back({role_ == InputRole::Given ? "Measured" : "Decided", told(rule)});
  return all;
}

}  // namespace drapery
