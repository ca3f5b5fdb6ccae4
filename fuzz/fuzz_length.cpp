// Any bytes are a length or are refused; what is read is finite and writes and reads the same.
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <string_view>

#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace drapery;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  for (const Units units : {Units::Millimetres, Units::Inches}) {
    const auto parsed = parseLength(text, units);
    const auto* length = std::get_if<Length>(&parsed);
    if (length == nullptr) continue;
    if (!std::isfinite(length->mm())) std::abort();
    if (std::abs(length->mm()) > 1e6) continue;
    const auto again = parseLength(formatExact(*length, units), Units::Millimetres);
    const auto* same = std::get_if<Length>(&again);
    if (same == nullptr || std::abs((*same - *length).mm()) > 1e-5) std::abort();
  }
  const auto ratio = parseRatio(text);
  if (const double* value = std::get_if<double>(&ratio); value != nullptr && !std::isfinite(*value))
    std::abort();
  return 0;
}
