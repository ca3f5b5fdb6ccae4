#include "core/method/rule_reader.h"

#include "core/method/table_reader.h"
#include "core/method/words_template.h"
#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

constexpr const char* kSchema = "drapery-method/1";

const Choices<InputKind> kKinds{
    {"length", InputKind::Length}, {"ratio", InputKind::Ratio}, {"choice", InputKind::Choice}};
const Choices<Unit> kUnits{{"mm", Unit::Millimetre}, {"deg", Unit::Degree}, {"1", Unit::One}};
const Choices<Grain> kGrains{
    {"height", Grain::Height}, {"width", Grain::Width}, {"any", Grain::Any}};
const Choices<Rounding> kRoundings{
    {"nearest", Rounding::Nearest}, {"up", Rounding::Up}, {"down", Rounding::Down}};
const Choices<Severity> kSeverities{
    {"stop", Severity::Stop}, {"mind", Severity::Mind}, {"note", Severity::Note}};

/// A range's end or a default: a number, a length with its unit, or a fraction.
std::optional<double> literal(const Node& node, InputKind kind) {
  if (node.kind == Node::Kind::Number) return node.number;
  if (node.kind != Node::Kind::Text) return std::nullopt;
  if (kind == InputKind::Length && namesUnit(node.text)) {
    const auto parsed = parseLength(node.text, Units::Millimetres);
    if (const auto* length = std::get_if<Length>(&parsed)) return length->mm();
  }
  if (kind == InputKind::Ratio) {
    const auto parsed = parseRatio(node.text);
    if (const auto* ratio = std::get_if<double>(&parsed)) return *ratio;
  }
  return std::nullopt;
}

void readRange(TableReader& in, InputRule& rule) {
  const Node* range = in.list("range", Needed::Yes);
  if (range == nullptr) return;
  const auto low = range->items.size() == 2 ? literal(range->items[0], rule.kind) : std::nullopt;
  const auto high = range->items.size() == 2 ? literal(range->items[1], rule.kind) : std::nullopt;
  if (!low || !high) {
    in.complain(*range, "range-malformed", {{"key", std::string("range")}});
  } else if (*low > *high) {
    in.complain(*range, "range-wrong",
                {{"least", formatNumber(*low, 4)}, {"most", formatNumber(*high, 4)}});
  } else {
    rule.least = *low;
    rule.most = *high;
  }
}

void readDefault(TableReader& in, InputRule& rule) {
  const Node* node = in.find("default");
  if (node == nullptr) return;
  const auto value = literal(*node, rule.kind);
  if (value && (*value < rule.least || *value > rule.most)) {
    in.complain(*node, "default-out-of-range",
                {{"id", rule.id},
                 {"value", shortened(node->text)},
                 {"least", formatNumber(rule.least, 4)},
                 {"most", formatNumber(rule.most, 4)}});
  } else if (value) {
    rule.fallback = {formatNumber(*value, 9), in.at(*node)};
  } else if (node->kind == Node::Kind::Text) {
    rule.fallback = {node->text, in.inside(*node)};
  } else {
    in.complainType(*node, "default", "number, length or formula");
  }
}

void readOptions(TableReader& in, InputRule& rule) {
  rule.options = in.texts("options", Needed::Yes);
  const std::vector<std::string> titles = in.texts("option_titles", Needed::No);
  for (std::size_t i = 0; i < rule.options.size(); ++i)
    rule.optionTitles.push_back({i < titles.size() ? titles[i] : rule.options[i], {}});
  const Node* chosen = in.find("default");
  if (chosen == nullptr) return;
  rule.fallback = {chosen->text, in.inside(*chosen)};
  for (const std::string& option : rule.options)
    if (option == chosen->text) return;
  in.complain(*chosen, "value-not-allowed",
              {{"key", std::string("default")},
               {"value", shortened(chosen->text)},
               {"allowed", joined(rule.options)}});
}

InputRule readInput(const Node& node, InputRole role, IssuePlacer& placer) {
  TableReader in(node, role == InputRole::Given ? "given" : "allowance", placer);
  InputRule rule;
  rule.role = role;
  rule.at = in.at(node);
  rule.id = in.id();
  rule.kind = in.choice("kind", kKinds, InputKind::Length);
  rule.title = in.words("title", Needed::Yes);
  rule.ask = in.words("ask", Needed::No);
  rule.measure = in.words("measure", Needed::No);
  rule.practice = in.text("practice", Needed::No);
  rule.optional = in.flag("optional");
  if (rule.kind == InputKind::Choice) {
    readOptions(in, rule);
  } else {
    readRange(in, rule);
    readDefault(in, rule);
  }
  in.finish();
  return rule;
}

DerivedRule readDerived(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "derive", placer);
  DerivedRule rule;
  rule.at = in.at(node);
  rule.id = in.id();
  rule.unit = in.choice("unit", kUnits, Unit::Millimetre);
  rule.title = in.words("title", Needed::Yes);
  rule.formula = in.formula("formula", Needed::Yes);
  rule.because = in.words("because", Needed::Yes);
  rule.practice = in.text("practice", Needed::No);
  in.finish();
  return rule;
}

std::vector<std::pair<Sourced, Sourced>> readPlaces(TableReader& in) {
  std::vector<std::pair<Sourced, Sourced>> places;
  const Node* list = in.list("at", Needed::No);
  if (list == nullptr) return places;
  for (const Node& place : list->items) {
    const bool isPair = place.items.size() == 2 && place.items[0].kind == Node::Kind::Text &&
                        place.items[1].kind == Node::Kind::Text;
    if (!isPair) {
      in.complainType(place, "at", "list of pairs of formulas");
      continue;
    }
    places.push_back({{place.items[0].text, in.inside(place.items[0])},
                      {place.items[1].text, in.inside(place.items[1])}});
  }
  return places;
}

PartRule readPart(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "part", placer);
  PartRule rule;
  rule.at = in.at(node);
  rule.id = in.id();
  rule.title = in.words("title", Needed::Yes);
  rule.note = in.words("note", Needed::No);
  rule.material = in.text("material", Needed::Yes);
  rule.grain = in.choice("grain", kGrains, Grain::Height);
  rule.rounding = in.choice("round", kRoundings, Rounding::Nearest);
  rule.count = in.count("count");
  rule.corner = in.formula("corner", Needed::No);
  const Node* size = in.list("size", Needed::Yes);
  if (size != nullptr && size->items.size() == 2) {
    rule.width = {size->items[0].text, in.inside(size->items[0])};
    rule.height = {size->items[1].text, in.inside(size->items[1])};
  } else if (size != nullptr) {
    in.complainType(*size, "size", "pair of formulas, width and height");
  }
  rule.places = readPlaces(in);
  in.finish();
  return rule;
}

WordsTemplate readTemplate(TableReader& in, const char* key, Needed needed) {
  const Sourced text = in.formula(key, needed);
  auto parsed = parseWords(text);
  if (auto* words = std::get_if<WordsTemplate>(&parsed)) return std::move(*words);
  SourcePosition at = text.at;
  at.column += static_cast<int>(std::get<std::size_t>(parsed));
  in.complainAt(at, "words-brace", {{"key", std::string(key)}});
  return {};
}

FindingRule readFinding(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "finding", placer);
  FindingRule rule;
  rule.at = in.at(node);
  rule.id = in.id();
  rule.severity = in.choice("severity", kSeverities, Severity::Mind);
  rule.when = in.formula("when", Needed::Yes);
  rule.says = readTemplate(in, "says", Needed::Yes);
  rule.remedy = readTemplate(in, "do", Needed::Yes);
  rule.touches = in.texts("touches", Needed::Yes);
  in.finish();
  return rule;
}

}  // namespace

Method readRules(const Node& root, IssuePlacer& placer) {
  TableReader in(root, "file", placer);
  Method method;
  in.exactly("schema", kSchema);
  method.id = in.id();
  method.base = in.text("base", Needed::No);
  method.title = in.words("title", Needed::Yes);
  method.about = in.words("about", Needed::No);
  method.isBase = in.flag("is_base");
  method.wants = in.texts("wants", Needed::No);
  in.eachTable("given", [&](const Node& node) {
    method.inputs.push_back(readInput(node, InputRole::Given, placer));
  });
  in.eachTable("allowance", [&](const Node& node) {
    method.inputs.push_back(readInput(node, InputRole::Allowance, placer));
  });
  in.eachTable("derive",
               [&](const Node& node) { method.derived.push_back(readDerived(node, placer)); });
  in.eachTable("part", [&](const Node& node) { method.parts.push_back(readPart(node, placer)); });
  in.eachTable("finding",
               [&](const Node& node) { method.findings.push_back(readFinding(node, placer)); });
  in.finish();
  return method;
}

}  // namespace drapery
