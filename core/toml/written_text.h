// A TOML text as it is written: quotes, escapes, several lines.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace drapery {

/// As one line between quotes; what would end a line is a blank.
std::string quotedText(std::string_view text);

struct TextPlace {
  int lines = 0;       // below the one of the opening quote
  int characters = 0;  // before it in its line; in the first line, from the opening quote on
};

/// Where byte `offset` of the text that `written` stands for is written.
/// @param written from the opening quote on; what comes after the closing one does not matter.
TextPlace placeInText(std::string_view written, std::size_t offset);

}  // namespace drapery
