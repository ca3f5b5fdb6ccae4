// What a digital caliper sends, a line for each reading: "+023.46 mm". Bytes in, readings or what
// is wrong with them out.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "core/quantity/length.h"

namespace drapery {

enum class CaliperFault {
  Garbled,    // no sign, figure and unit; or figures are missing against the lines before
  NoUnit,     // neither mm nor in: it could be either
  Unreadable  // bytes that are no text, as a wrong rate gives, or no end of a line
};

struct CaliperLine {
  std::variant<Length, CaliperFault> reading;
  std::string text;  // as it came, what is no text left out
};

/// Keeps what has come of a line until the rest does. Until the first line has ended only one that
/// begins with a sign counts: the caliper may have been in the middle of one.
class CaliperLines {
 public:
  std::vector<CaliperLine> take(std::string_view bytes);

 private:
  [[nodiscard]] CaliperLine read(const std::string& line);

  std::string begun_;
  bool isFirst_ = true;
  /// Letters that a figure had in a line padded with zeros, in mm and in inches: 0 until one came.
  std::array<std::size_t, 2> padded_{};
};

}  // namespace drapery
