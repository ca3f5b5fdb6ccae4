#include "core/rules/entry_reader.h"

#include <algorithm>
#include <array>

namespace drapery {

namespace {

// Words that a formula reads otherwise (units, the index of a series), and the fields of a job that
// are no measures.
constexpr std::array<std::string_view, 17> kReserved{
    "mm",    "cm",     "in",     "deg", "min",   "i",     "title",  "method",    "units",
    "round", "copies", "schema", "id",  "given", "fixed", "as_cut", "resolution"};

}  // namespace

std::string EntryReader::name() {
  std::string name = id();
  if (const Node* node = table().find("id"); node != nullptr) checkName(*node, name);
  return name;
}

void EntryReader::checkName(const Node& node, const std::string& name) {
  if (name.find('-') != std::string::npos)
    return complain(node, "id-with-minus", {{"id", shortened(name)}});
  const bool isReserved = std::find(kReserved.begin(), kReserved.end(), name) != kReserved.end() ||
                          findFormulaFunction(name) != nullptr;
  if (isReserved) complain(node, "id-reserved", {{"id", name}});
}

void EntryReader::complainOf(const FormulaFault& fault, const SourcePosition& at) {
  complainInText(at, fault.offset, fault.id, fault.arguments);
}

RuleFormula EntryReader::formulaIn(const Node& node, const char* key, const char* expected) {
  if (node.kind != Node::Kind::Text) {
    complainType(node, key, expected);
    return {};
  }
  const SourcePosition at = inside(node);
  auto parsed = Formula::parse(node.text);
  if (const auto* fault = std::get_if<FormulaFault>(&parsed)) {
    complainOf(*fault, at);
    return {};
  }
  return {std::move(std::get<Formula>(parsed)), at};
}

RuleFormula EntryReader::formula(const char* key, Needed needed) {
  const Node* node = typed(key, Node::Kind::Text, needed);
  if (node == nullptr) return {};
  if (node->text.find_first_not_of(" \t\n") == std::string::npos) {
    if (needed == Needed::Yes) complain(*node, "text-empty", {{"key", std::string(key)}});
    return {};
  }
  return formulaIn(*node, key);
}

RuleFormula EntryReader::countOrFormula(const char* key, Needed needed) {
  const Node* node = find(key);
  if (node != nullptr && node->kind == Node::Kind::Number)
    return {Formula::literal(count(key), Dimension::number()), at(*node)};
  if (node != nullptr && node->kind == Node::Kind::Text) return formula(key, needed);
  if (node != nullptr) complainType(*node, key, "number or formula");
  if (node == nullptr && needed == Needed::Yes) typed(key, Node::Kind::Text, needed);
  return {Formula::literal(1.0, Dimension::number()), {}};
}

std::vector<RuleFormula> EntryReader::tuple(const Node& node, const char* key, std::size_t size,
                                            const char* expected) {
  if (node.kind != Node::Kind::List || node.items.size() != size) {
    complainType(node, key, expected);
    return {};
  }
  std::vector<RuleFormula> all;
  for (const Node& item : node.items) all.push_back(formulaIn(item, key, expected));
  return all;
}

std::optional<RulePoint> EntryReader::point(const Node& node, const char* key) {
  auto pair = tuple(node, key, 2, "pair of formulas, x and y");
  if (pair.empty()) return std::nullopt;
  return RulePoint(std::move(pair[0]), std::move(pair[1]));
}

std::optional<RulePoint> EntryReader::pointAt(const char* key, Needed needed) {
  const Node* node = list(key, needed);
  return node != nullptr ? point(*node, key) : std::nullopt;
}

RuleWords EntryReader::ruleWords(const char* key, Needed needed) {
  RuleWords words;
  const auto parse = [&](const Node& node, RuleWords::Text& into) {
    const SourcePosition at = inside(node);
    auto parsed = parseWords(node.text, at, words);
    if (auto* pieces = std::get_if<RuleWords::Text>(&parsed)) {
      into = std::move(*pieces);
    } else if (const auto* brace = std::get_if<BracePosition>(&parsed)) {
      complainInText(at, brace->offset, "words-brace", {{"key", std::string(key)}});
    } else {
      complainOf(std::get<FormulaFault>(parsed), at);
    }
  };
  const Node* node = typed(key, Node::Kind::Text, needed);
  if (node == nullptr) return words;
  if (needed == Needed::Yes && node->text.find_first_not_of(" \t\n") == std::string::npos)
    complain(*node, "text-empty", {{"key", std::string(key)}});
  parse(*node, words.first);
  words.written = node->text;
  eachTranslation(key, [&](const std::string& language, const Node& text) {
    parse(text, words.other[language]);
  });
  return words;
}

}  // namespace drapery
