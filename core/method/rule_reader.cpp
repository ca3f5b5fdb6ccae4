#include "core/method/rule_reader.h"

#include <cmath>

#include "core/method/words_template.h"
#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"
#include "core/toml/table_reader.h"

namespace drapery {

namespace {

constexpr const char* kSchema = "drapery-method/1";

const Choices<InputKind> kKinds{{"length", InputKind::Length},
                                {"ratio", InputKind::Ratio},
                                {"count", InputKind::Count},
                                {"choice", InputKind::Choice}};
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
  if (kind != InputKind::Length) {
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

/// The figures that go with the options: `columns = {width = ["210 mm", ...]}`.
void readColumns(TableReader& in, InputRule& rule) {
  const Node* columns = in.find("columns");
  if (columns == nullptr) return;
  if (columns->kind != Node::Kind::Table) return in.complainType(*columns, "columns", "table");
  for (const Node::Member& member : columns->members) {
    ChoiceColumn column;
    column.id = member.key;
    for (const Node& item : member.value.items) {
      const bool isPlain = item.kind == Node::Kind::Number;
      const auto figure = literal(item, isPlain ? InputKind::Ratio : InputKind::Length);
      if (isPlain && !std::isnan(item.number)) column.unit = Unit::One;
      if (!figure) in.complainType(item, member.key.c_str(), "number or length");
      column.figures.push_back(figure.value_or(0.0));
    }
    if (column.figures.size() != rule.options.size())
      in.complain(member.value, "column-uneven",
                  {{"key", member.key},
                   {"found", std::to_string(column.figures.size())},
                   {"options", std::to_string(rule.options.size())}});
    column.figures.resize(rule.options.size());
    rule.columns.push_back(std::move(column));
  }
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
  rule.isCompared = in.flag("compared");
  rule.when = in.formula("when", Needed::No);
  rule.otherwise = in.formula("otherwise", Needed::No);
  rule.materials = in.texts("materials", Needed::No);
  rule.property = in.choice(
      "property",
      Choices<std::string>{{"thickness", "thickness"}, {"grammage", "grammage"}, {"bulk", "bulk"}},
      std::string("thickness"));
  if (rule.kind == InputKind::Choice) {
    readOptions(in, rule);
    readColumns(in, rule);
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
  rule.when = in.formula("when", Needed::No);
  rule.formula = in.formula("formula", Needed::Yes);
  rule.because = in.words("because", Needed::Yes);
  rule.practice = in.text("practice", Needed::No);
  rule.isHeld = in.flag("held");
  rule.isQuiet = in.flag("quiet");
  in.finish();
  return rule;
}

/// The list at `key`, each item with `size` formulas.
std::vector<std::vector<Sourced>> readTuples(TableReader& in, const char* key, std::size_t size,
                                             const char* expected) {
  std::vector<std::vector<Sourced>> tuples;
  const Node* list = in.list(key, Needed::No);
  if (list == nullptr) return tuples;
  for (const Node& item : list->items) {
    std::vector<Sourced> tuple;
    for (const Node& part : item.items)
      if (part.kind == Node::Kind::Text) tuple.push_back({part.text, in.inside(part)});
    if (tuple.size() != size || item.items.size() != size) {
      in.complainType(item, key, expected);
    } else {
      tuples.push_back(std::move(tuple));
    }
  }
  return tuples;
}

std::vector<PointRule> readPoints(TableReader& in, const char* key) {
  std::vector<PointRule> points;
  for (auto& pair : readTuples(in, key, 2, "list of pairs of formulas"))
    points.emplace_back(std::move(pair[0]), std::move(pair[1]));
  return points;
}

/// A name, or a list of pairs of a name and where it is that one.
std::vector<PartMaterial> readMaterials(TableReader& in) {
  std::vector<PartMaterial> materials;
  const Node* node = in.find("material");
  if (node != nullptr && node->kind == Node::Kind::List) {
    for (auto& pair : readTuples(in, "material", 2, "list of pairs, a name and a condition"))
      materials.push_back({pair[0].text, pair[1]});
  } else {
    materials.push_back({in.text("material", Needed::Yes), {}});
  }
  return materials;
}

Sourced readCount(TableReader& in) {
  const Node* node = in.find("count");
  if (node != nullptr && node->kind == Node::Kind::Text) return in.formula("count", Needed::No);
  if (node != nullptr && node->kind != Node::Kind::Number) {
    in.complainType(*node, "count", "number or formula");
    return {"1", {}};
  }
  return {std::to_string(in.count("count")), {}};
}

PartRule readPart(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "part", placer);
  PartRule rule;
  rule.at = in.at(node);
  rule.id = in.id();
  rule.title = in.words("title", Needed::Yes);
  rule.note = in.words("note", Needed::No);
  rule.materials = readMaterials(in);
  rule.grain = in.choice("grain", kGrains, Grain::Height);
  rule.rounding = in.choice("round", kRoundings, Rounding::Nearest);
  rule.count = readCount(in);
  rule.when = in.formula("when", Needed::No);
  const Node* size = in.list("size", Needed::Yes);
  if (size != nullptr && size->items.size() == 2) {
    rule.width = {size->items[0].text, in.inside(size->items[0])};
    rule.height = {size->items[1].text, in.inside(size->items[1])};
  } else if (size != nullptr) {
    in.complainType(*size, "size", "pair of formulas, width and height");
  }
  rule.isMirrored = in.flag("mirrored");
  rule.isTurned = in.flag("turned");
  rule.outline = readPoints(in, "outline");
  rule.places = readPoints(in, "at");
  for (auto& slit : readTuples(in, "slits", 4, "list of four formulas, x, y to x, y"))
    rule.slits.push_back(
        {{std::move(slit[0]), std::move(slit[1])}, {std::move(slit[2]), std::move(slit[3])}});
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

MarkRule readMark(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "mark", placer);
  MarkRule rule;
  rule.at = in.at(node);
  rule.id = in.id();
  rule.when = in.formula("when", Needed::No);
  rule.says = readTemplate(in, "says", Needed::Yes);
  in.finish();
  return rule;
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
  const Node* base = in.find("base");
  if (base != nullptr && base->kind == Node::Kind::List)
    method.bases = in.texts("base", Needed::No);
  else if (base != nullptr)
    method.bases = {in.text("base", Needed::No)};
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
  in.eachTable("mark", [&](const Node& node) { method.marks.push_back(readMark(node, placer)); });
  in.eachTable("finding",
               [&](const Node& node) { method.findings.push_back(readFinding(node, placer)); });
  in.finish();
  return method;
}

}  // namespace drapery
