#include "core/diag/issue.h"

#include "core/diag/utf8.h"

namespace drapery {

namespace {
constexpr std::size_t kLongestShown = 40;
}  // namespace

std::string shortened(std::string_view text) {
  std::string out;
  std::size_t characters = 0;
  for (const char c : text) {
    if (!goesOn(c) && ++characters > kLongestShown) return out + "…";
    out += c;
  }
  return out;
}

}  // namespace drapery
