#include "core/rules/rule_words.h"

#include <array>
#include <utility>

namespace drapery {

namespace {

constexpr std::array<std::pair<std::string_view, Unit>, 3> kUnitMarks{
    {{":mm", Unit::Millimetre}, {":deg", Unit::Degree}, {":1", Unit::One}}};

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
      } else {
        literal(text_[i]);
      }
    }
    return std::move(pieces_);
  }

 private:
  void literal(char c) {
    if (pieces_.empty() || pieces_.back().expression) pieces_.emplace_back();
    pieces_.back().literal += c;
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
    pieces_.push_back({{}, words_.expressions.size()});
    words_.expressions.push_back(std::move(expression));
    return std::nullopt;
  }

  const std::string& text_;
  const SourcePosition& at_;
  RuleWords& words_;
  RuleWords::Text pieces_;
};

}  // namespace

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
