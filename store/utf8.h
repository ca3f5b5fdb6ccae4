// Whether bytes are UTF-8 (RFC 3629).
#pragma once

#include <cstddef>
#include <string_view>

namespace drapery {

/// The offset of the first byte that begins no well-formed sequence (overlong forms, surrogates and
/// values over U+10FFFF are not); the size when all is well.
std::size_t firstNotUtf8(std::string_view bytes);

}  // namespace drapery
