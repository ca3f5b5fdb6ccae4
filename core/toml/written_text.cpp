#include "core/toml/written_text.h"

#include <algorithm>

#include "core/diag/utf8.h"

namespace drapery {

namespace {

/// One escape or letter: how it is written, and for how many bytes it stands.
struct Unit {
  std::size_t written = 1;
  std::size_t bytes = 1;
};

std::size_t bytesOfCode(std::string_view digits) {
  unsigned long code = 0;
  for (const char c : digits) {
    const unsigned digit = c >= 'a'   ? unsigned(c - 'a' + 10)
                           : c >= 'A' ? unsigned(c - 'A' + 10)
                                      : unsigned(c - '0');
    code = code * 16 + digit;
  }
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
}

Unit unitAt(std::string_view text, bool hasEscapes) {
  if (hasEscapes && text.front() == '\\' && text.size() > 1) {
    if (text[1] == 'u' && text.size() >= 6) return {6, bytesOfCode(text.substr(2, 4))};
    if (text[1] == 'U' && text.size() >= 10) return {10, bytesOfCode(text.substr(2, 8))};
    if (text[1] != '\n' && text[1] != '\r' && text[1] != ' ' && text[1] != '\t') return {2, 1};
    // A line that goes on: nothing up to the next word.
    return {std::min(text.find_first_not_of(" \t\r\n", 1), text.size()), 0};
  }
  std::size_t length = 1;
  while (length < text.size() && goesOn(text[length])) ++length;
  return {length, length};
}

}  // namespace

std::string quotedText(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"' || c == '\\') out += '\\';
    const bool isControl = (c >= 0 && c < ' ') || c == '\x7f';
    out += isControl ? ' ' : c;
  }
  return out + '"';
}

TextPlace placeInText(std::string_view written, std::size_t offset) {
  const bool isLong = written.substr(0, 3) == "\"\"\"" || written.substr(0, 3) == "'''";
  TextPlace place;
  const auto pass = [&](std::string_view passed) {
    for (const char c : passed) {
      if (c == '\n') {
        ++place.lines;
        place.characters = 0;
      } else if (!goesOn(c)) {
        ++place.characters;
      }
    }
  };
  std::size_t at = isLong ? 3 : 1;
  // The line end right behind three quotes is no part of the text.
  if (isLong && written.substr(at, 1) == "\r") ++at;
  if (isLong && written.substr(at, 1) == "\n") ++at;
  pass(written.substr(0, at));
  const bool hasEscapes = written.substr(0, 1) == "\"";
  std::size_t bytes = 0;
  while (at < written.size()) {
    const Unit unit = unitAt(written.substr(at), hasEscapes);
    if (bytes + unit.bytes > offset) break;
    pass(written.substr(at, unit.written));
    bytes += unit.bytes;
    at += unit.written;
  }
  return place;
}

}  // namespace drapery
