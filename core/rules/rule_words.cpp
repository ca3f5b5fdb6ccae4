#include "core/rules/rule_words.h"

#include <array>
#include <cmath>
#include <utility>

namespace drapery {

namespace {

constexpr std::array<std::pair<std::string_view, Unit>, 3> kUnitMarks{
    {{":mm", Unit::Millimetre}, {":deg", Unit::Degree}, {":1", Unit::One}}};

constexpr std::string_view kIf = "if ";

class WordsReading {
 public:
  WordsReading(const std::string& text, const SourcePosition& at, RuleWords& words)
      : text_(text), at_(at), words_(words) {}

  std::variant<RuleWords::Text, BracePosition, FormulaFault> run() {
    for (std::size_t i = 0; i < text_.size(); ++i) {
      const bool isBrace = text_[i] == '{' || text_[i] == '}';
      if (isBrace && i + 1 < text_.size() && text_[i + 1] == text_[i]) {
        literal(text_[i++]);
      } else if (text_[i] == '{') {
        const std::size_t end = text_.find('}', i);
        if (end == std::string::npos || end == i + 1) return BracePosition{i};
        if (auto fault = expression(i + 1, end)) return std::move(*fault);
        i = end;
      } else if (text_[i] == '}') {
        return BracePosition{i};
      } else if (text_[i] == '[' && bracket_ == 0 && opensBracket(i)) {
        bracket_ = ++brackets_;
        if (auto fault = condition(i)) return std::move(*fault);
      } else if (text_[i] == ']' && bracket_ != 0) {
        bracket_ = 0;
      } else {
        literal(text_[i]);
      }
    }
    return std::move(pieces_);
  }

 private:
  void literal(char c) {
    if (pieces_.empty() || pieces_.back().expression || pieces_.back().bracket != bracket_)
      pieces_.push_back({{}, std::nullopt, bracket_});
    pieces_.back().literal += c;
  }

  /// Only what is closed again and has a figure or a condition in it can be left out; other
  /// brackets are signs like any other.
  [[nodiscard]] bool opensBracket(std::size_t at) const {
    const std::size_t end = text_.find_first_of("[]", at + 1);
    if (end == std::string::npos || text_[end] != ']') return false;
    const std::string_view inside = std::string_view(text_).substr(at + 1, end - at - 1);
    const std::size_t brace = inside.find('{');
    const bool hasFigure = brace != std::string_view::npos && inside.compare(brace, 2, "{{") != 0;
    return hasFigure || (inside.starts_with(kIf) && inside.find(';') != std::string_view::npos);
  }

  /// "[if FORMULA;": goes on to the sign before the words.
  std::optional<FormulaFault> condition(std::size_t& i) {
    const std::size_t end = text_.find(';', i);
    if (text_.compare(i + 1, kIf.size(), kIf) != 0 || end == std::string::npos) return std::nullopt;
    const std::size_t begin = i + 1 + kIf.size();
    auto fault = expression(begin, end);
    if (!fault) {
      words_.expressions.back().isCondition = true;
      words_.expressions.back().named = Unit::One;
    }
    i = end;
    if (i + 1 < text_.size() && text_[i + 1] == ' ') ++i;  // one blank belongs to the sign
    return fault;
  }

  std::optional<FormulaFault> expression(std::size_t begin, std::size_t end) {
    std::string_view inside = std::string_view(text_).substr(begin, end - begin);
    RuleWords::Expression expression;
    for (const auto& [mark, unit] : kUnitMarks) {
      if (!inside.ends_with(mark)) continue;
      inside.remove_suffix(mark.size());
      expression.named = unit;
      break;
    }
    if (constexpr std::string_view kBare = ":bare"; inside.ends_with(kBare)) {
      inside.remove_suffix(kBare.size());
      expression.isBare = true;
    }
    auto parsed = Formula::parse(inside);
    if (auto* fault = std::get_if<FormulaFault>(&parsed)) {
      fault->offset += begin;
      return std::move(*fault);
    }
    expression.formula = {std::move(std::get<Formula>(parsed)), at_, begin};
    pieces_.push_back({{}, words_.expressions.size(), bracket_});
    words_.expressions.push_back(std::move(expression));
    return std::nullopt;
  }

  const std::string& text_;
  const SourcePosition& at_;
  RuleWords& words_;
  RuleWords::Text pieces_;
  std::size_t bracket_ = 0, brackets_ = 0;
};

}  // namespace

bool isShown(const RuleWords& words, const RuleWords::Text& text, const RuleWords::Piece& piece,
             const std::vector<Amount>& figures) {
  if (piece.expression && words.expressions[*piece.expression].isCondition) return false;
  if (piece.bracket == 0) return true;
  constexpr double kNothing = 1e-9;
  bool isAsked = false, holds = true;
  for (const RuleWords::Piece& each : text) {
    if (each.bracket != piece.bracket || !each.expression) continue;
    const double figure = figures[*each.expression].value;
    const bool is = !std::isnan(figure) && std::abs(figure) > kNothing;
    if (words.expressions[*each.expression].isCondition) {
      isAsked = true;
      holds = is;
    } else if (!isAsked) {
      holds = holds && is;
    }
  }
  return holds;
}

const RuleWords::Text& RuleWords::in(std::string_view language) const {
  const auto found = other.find(language);
  return found == other.end() ? first : found->second;
}

std::variant<RuleWords::Text, BracePosition, FormulaFault> parseWords(const std::string& text,
                                                                      const SourcePosition& at,
                                                                      RuleWords& words) {
  return WordsReading(text, at, words).run();
}

}  // namespace drapery
