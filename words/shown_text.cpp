#include "words/shown_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <iterator>

namespace drapery {

namespace {

/// One letter of UTF-8, or a byte that is none (length 1, code above Unicode).
struct Letter {
  std::size_t length = 1;
  char32_t code = 0;
};
constexpr char32_t kNone = 0x110000;

Letter letterAt(std::string_view text) {
  const auto first = static_cast<unsigned char>(text.front());
  if (first < 0x80) return {1, first};
  const std::size_t length = first >= 0xF0 ? 4 : first >= 0xE0 ? 3 : 2;
  if (first < 0xC2 || first > 0xF4 || text.size() < length) return {1, kNone};
  char32_t code = first & (0xFFU >> (length + 1));
  for (std::size_t i = 1; i < length; ++i) {
    const auto next = static_cast<unsigned char>(text[i]);
    if ((next & 0xC0U) != 0x80U) return {1, kNone};
    code = code << 6U | (next & 0x3FU);
  }
  constexpr std::array<char32_t, 5> kLeast{0, 0, 0x80, 0x800, 0x10000};
  const bool isSurrogate = code >= 0xD800 && code <= 0xDFFF;
  if (code < kLeast[length] || isSurrogate || code >= kNone) return {1, kNone};
  return {length, code};
}

struct Range {
  char32_t first, last;
};
constexpr std::array kEscaped{Range{0x00, 0x1F},      Range{0x7F, 0x9F},      // C0, DEL, C1
                              Range{0x061C, 0x061C},  Range{0x200E, 0x200F},  // marks of direction
                              Range{0x2028, 0x202E},  // line ends, embeddings and overrides
                              Range{0x2066, 0x2069},  // isolates
                              Range{0xFEFF, 0xFEFF},  Range{0xFFF9, 0xFFFB},
                              Range{0xE0000, 0xE007F}};

bool isEscaped(char32_t code) {
  for (const Range& range : kEscaped)
    if (code >= range.first && code <= range.last) return true;
  return false;
}

std::string escapeOf(char32_t code) {
  if (code == '\n') return "\\n";
  if (code == '\t') return "\\t";
  if (code == '\r') return "\\r";
  if (code <= 0xFF) return fmt::format("\\x{:02x}", static_cast<unsigned>(code));
  return fmt::format("\\u{:04x}", static_cast<unsigned>(code));
}

}  // namespace

std::string shownJson(std::string_view json) {
  std::string out;
  out.reserve(json.size());
  const auto escape = [&out](char32_t unit) {
    fmt::format_to(std::back_inserter(out), "\\u{:04x}", static_cast<unsigned>(unit));
  };
  constexpr char32_t kPair = 0x10000;
  while (!json.empty()) {
    // Nearly all of it is plain. What comes before the letters lies between values: in texts it is
    // escaped already.
    const auto plain = std::find_if(json.begin(), json.end(), [](char byte) {
      return static_cast<unsigned char>(byte) >= 0x7F;
    });
    out.append(json.begin(), plain);
    json.remove_prefix(static_cast<std::size_t>(plain - json.begin()));
    if (json.empty()) break;
    const Letter letter = letterAt(json);
    if (letter.code == kNone || !isEscaped(letter.code)) {
      out += json.substr(0, letter.length);
    } else if (letter.code < kPair) {
      escape(letter.code);
    } else {
      escape(0xD800 + ((letter.code - kPair) >> 10U));
      escape(0xDC00 + ((letter.code - kPair) & 0x3FFU));
    }
    json.remove_prefix(letter.length);
  }
  return out;
}

namespace {

template <class IsShown>
std::string escaped(std::string_view text, const IsShown& isShown) {
  std::string out;
  out.reserve(text.size());
  while (!text.empty()) {
    const Letter letter = letterAt(text);
    if (letter.code == kNone)
      fmt::format_to(std::back_inserter(out), "\\x{:02x}",
                     static_cast<unsigned char>(text.front()));
    else if (isShown(letter.code))
      out += escapeOf(letter.code);
    else
      out += text.substr(0, letter.length);
    text.remove_prefix(letter.length);
  }
  return out;
}

}  // namespace

std::string shownText(std::string_view text) { return escaped(text, isEscaped); }

std::string shownControls(std::string_view text) {
  constexpr char32_t kLastControl = 0x9F;  // those of C1; of C0 lines and tabs stay
  return escaped(text, [](char32_t code) {
    return code <= kLastControl && code != '\t' && code != '\n' && code != '\r' && isEscaped(code);
  });
}

std::string shownBytes(std::string_view text) {
  return escaped(text, [](char32_t) { return false; });
}

}  // namespace drapery
