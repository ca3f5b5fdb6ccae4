#include "core/diag/issue.h"

#include "core/diag/utf8.h"

namespace drapery {

namespace {
constexpr std::size_t kLongestShown = 40;
constexpr std::size_t kMostBytes = 4;  // of a character
}  // namespace

std::string shortened(std::string_view text) {
  std::string out;
  std::size_t characters = 0;
  for (const char c : text) {
    // Bytes that only go on with a character are none, however many there are.
    const bool isFull = out.size() >= kLongestShown * kMostBytes;
    if (isFull || (!goesOn(c) && ++characters > kLongestShown)) return out + "…";
    out += c;
  }
  return out;
}

}  // namespace drapery
