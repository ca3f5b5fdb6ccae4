#include "core/diag/issue.h"

namespace drapery {

namespace {
constexpr std::size_t kLongestShown = 40;
bool isContinuation(char c) { return (static_cast<unsigned char>(c) & 0xC0U) == 0x80U; }
}  // namespace

std::string shortened(std::string_view text) {
  std::string out;
  std::size_t characters = 0;
  for (const char c : text) {
    if (!isContinuation(c) && ++characters > kLongestShown) return out + "…";
    const auto byte = static_cast<unsigned char>(c);
    out += byte < 0x20 || byte == 0x7F ? '?' : c;
  }
  return out;
}

}  // namespace drapery
