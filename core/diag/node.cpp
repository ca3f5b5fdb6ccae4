#include "core/diag/node.h"

namespace drapery {

std::string sourceLine(std::string_view source, int line) {
  constexpr std::size_t kLongestShown = 160;
  std::size_t begin = 0;
  for (int i = 1; i < line; ++i) {
    const std::size_t end = source.find('\n', begin);
    if (end == std::string_view::npos) return {};
    begin = end + 1;
  }
  std::string_view text = source.substr(begin, source.find('\n', begin) - begin);
  if (!text.empty() && text.back() == '\r') text.remove_suffix(1);
  return std::string(text.substr(0, kLongestShown));
}

}  // namespace drapery
