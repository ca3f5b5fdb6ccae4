#include "store/utf8.h"

namespace drapery {

namespace {

struct Lead {
  unsigned from, to;   // range of the first byte
  unsigned low, high;  // range of the second
  std::size_t length;
};

// RFC 3629, section 4.
constexpr Lead kLeads[]{
    {0x00, 0x7F, 0, 0, 1},       {0xC2, 0xDF, 0x80, 0xBF, 2}, {0xE0, 0xE0, 0xA0, 0xBF, 3},
    {0xE1, 0xEC, 0x80, 0xBF, 3}, {0xED, 0xED, 0x80, 0x9F, 3}, {0xEE, 0xEF, 0x80, 0xBF, 3},
    {0xF0, 0xF0, 0x90, 0xBF, 4}, {0xF1, 0xF3, 0x80, 0xBF, 4}, {0xF4, 0xF4, 0x80, 0x8F, 4}};

unsigned byteAt(std::string_view bytes, std::size_t i) {
  return static_cast<unsigned char>(bytes[i]);
}

/// The length of the sequence at `at`; 0 when there is none.
std::size_t sequenceAt(std::string_view bytes, std::size_t at) {
  for (const Lead& lead : kLeads) {
    const unsigned first = byteAt(bytes, at);
    if (first < lead.from || first > lead.to) continue;
    if (lead.length == 1) return 1;
    if (at + lead.length > bytes.size()) return 0;
    const unsigned second = byteAt(bytes, at + 1);
    if (second < lead.low || second > lead.high) return 0;
    for (std::size_t i = 2; i < lead.length; ++i)
      if ((byteAt(bytes, at + i) & 0xC0U) != 0x80U) return 0;
    return lead.length;
  }
  return 0;
}

}  // namespace

std::size_t firstNotUtf8(std::string_view bytes) {
  std::size_t at = 0;
  while (at < bytes.size()) {
    const std::size_t length = sequenceAt(bytes, at);
    if (length == 0) return at;
    at += length;
  }
  return at;
}

}  // namespace drapery
