#include "core/method/words_template.h"

#include <array>
#include <utility>

namespace drapery {

namespace {

constexpr std::array<std::pair<std::string_view, Unit>, 3> kUnitMarks{
    {{":mm", Unit::Millimetre}, {":deg", Unit::Degree}, {":1", Unit::One}}};

WordsTemplate::Piece expressionPiece(std::string_view inside, const SourcePosition& at) {
  WordsTemplate::Piece piece;
  for (const auto& [mark, unit] : kUnitMarks) {
    if (!inside.ends_with(mark)) continue;
    inside.remove_suffix(mark.size());
    piece.unit = unit;
    break;
  }
  piece.expression = {std::string(inside), at};
  return piece;
}

void addLiteral(WordsTemplate& words, char c) {
  if (words.pieces.empty() || !words.pieces.back().expression.empty()) words.pieces.emplace_back();
  words.pieces.back().literal += c;
}

}  // namespace

std::variant<WordsTemplate, std::size_t> parseWords(const Sourced& source) {
  WordsTemplate words;
  const std::string_view text = source.text;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const bool doubled = i + 1 < text.size() && text[i + 1] == text[i];
    if ((text[i] == '{' || text[i] == '}') && doubled) {
      addLiteral(words, text[i++]);
    } else if (text[i] == '{') {
      const std::size_t end = text.find('}', i);
      if (end == std::string_view::npos || end == i + 1) return i;
      SourcePosition at = source.at;
      at.column += static_cast<int>(i) + 1;
      words.pieces.push_back(expressionPiece(text.substr(i + 1, end - i - 1), at));
      i = end;
    } else if (text[i] == '}') {
      return i;
    } else {
      addLiteral(words, text[i]);
    }
  }
  return words;
}

}  // namespace drapery
