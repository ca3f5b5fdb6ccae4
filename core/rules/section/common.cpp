#include "core/rules/section/common.h"

#include <cmath>
#include <variant>

#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"
#include "core/rules/evaluation.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {
const Choices<Moment> kMoments{{"sewn", Moment::Sewn},
                               {"trimmed", Moment::Trimmed},
                               {"cut", Moment::Cut},
                               {"cased", Moment::Cased}};
const Choices<Rounding> kRoundings{
    {"nearest", Rounding::Nearest}, {"up", Rounding::Up}, {"down", Rounding::Down}};
}  // namespace

std::vector<std::string> readWas(EntryReader& in) {
  std::vector<std::string> was = in.texts("was", Needed::No);
  const Node* node = in.find("was");
  for (std::size_t i = 0; i < was.size(); ++i) in.checkName(node->items[i], was[i]);
  return was;
}

Moment readSettles(EntryReader& in, const char* flag, Moment meant) {
  const Moment usual = in.flag(flag) ? meant : Moment::Never;
  return in.choice("settles", kMoments, usual);
}

std::optional<double> literalOf(const Node& node, bool isLength) {
  if (node.kind == Node::Kind::Number) return node.number;
  if (node.kind != Node::Kind::Text) return std::nullopt;
  if (!isLength) {
    const auto parsed = parseRatio(node.text);
    const auto* ratio = std::get_if<double>(&parsed);
    return ratio != nullptr ? std::optional(*ratio) : std::nullopt;
  }
  if (!namesUnit(node.text)) return std::nullopt;
  const auto parsed = parseLength(node.text, Units::Millimetres);
  const auto* length = std::get_if<Length>(&parsed);
  return length != nullptr ? std::optional(length->mm()) : std::nullopt;
}

std::optional<std::pair<double, double>> readRange(EntryReader& in, Needed needed, bool isLength) {
  const Node* range = in.list("range", needed);
  if (range == nullptr) return std::nullopt;
  const bool isPair = range->items.size() == 2;
  const auto low = isPair ? literalOf(range->items[0], isLength) : std::nullopt;
  const auto high = isPair ? literalOf(range->items[1], isLength) : std::nullopt;
  if (!low || !high || !std::isfinite(*low) || !std::isfinite(*high)) {
    in.complain(*range, "range-malformed", {{"key", std::string("range")}});
    return std::nullopt;
  }
  if (*low <= *high) return std::pair(*low, *high);
  in.complain(*range, "range-wrong",
              {{"least", formatNumber(*low, 4)}, {"most", formatNumber(*high, 4)}});
  return std::nullopt;
}

Rounding readRounding(EntryReader& in) { return in.choice("round", kRoundings, Rounding::Nearest); }

const char* roundingWords(Rounding rounding) {
  return rounding == Rounding::Up     ? "rounded up"
         : rounding == Rounding::Down ? "rounded down"
                                      : "rounded to the nearest mark";
}

std::vector<WordWhere> readWordsWhere(EntryReader& in, const char* key) {
  std::vector<WordWhere> words;
  const Node* node = in.find(key);
  if (node == nullptr || node->kind != Node::Kind::List) {
    words.push_back({in.text(key, Needed::Yes), {}});
    return words;
  }
  for (const Node& pair : node->items) {
    const bool isPair = pair.kind == Node::Kind::List && pair.items.size() == 2 &&
                        pair.items[0].kind == Node::Kind::Text;
    if (isPair)
      words.push_back({pair.items[0].text, in.formulaIn(pair.items[1], key)});
    else
      in.complainType(pair, key, "list of pairs, a name and a condition");
  }
  if (words.empty()) in.complainType(*node, key, "name, or list of pairs, a name and a condition");
  return words;
}

const std::string& wordOf(const std::vector<WordWhere>& words, const Evaluation& evaluation) {
  for (const WordWhere& each : words)
    if (evaluation.holds(each.when.formula)) return each.word;
  return words.back().word;
}

std::string wordsWhereAsCode(const std::vector<WordWhere>& words) {
  std::string out;
  for (const WordWhere& each : words) {
    out += (out.empty() ? "" : ", else ") + each.word;
    if (!each.when.empty()) out += " where " + asCode(each.when);
  }
  return out;
}

void readEach(EntryReader& in, Repeated& repeated) {
  const Sourced each = in.sourced("each", Needed::No);
  repeated.each = each.text;
  repeated.eachAt = each.at;
}

}  // namespace drapery
