// Characters of a UTF-8 text, as columns count them.
#pragma once

#include <algorithm>
#include <cstddef>
#include <string_view>

namespace drapery {

/// Whether the byte goes on with a character that began before it.
inline bool goesOn(char byte) { return (static_cast<unsigned char>(byte) & 0xC0U) == 0x80U; }

inline std::size_t charactersOf(std::string_view text) {
  return static_cast<std::size_t>(
      std::count_if(text.begin(), text.end(), [](char c) { return !goesOn(c); }));
}

/// How many bytes the first `characters` take; one more than there are when it has fewer.
inline std::size_t bytesOf(std::string_view text, std::size_t characters) {
  std::size_t at = 0;
  for (; characters > 0; --characters) {
    if (at >= text.size()) return text.size() + 1;
    ++at;
    while (at < text.size() && goesOn(text[at])) ++at;
  }
  return at;
}

}  // namespace drapery
