// Texts from a file and where they stand there.
#pragma once

#include <map>
#include <string>

#include "core/diag/issue.h"

namespace drapery {

/// A text and the place of its first character.
struct Sourced {
  std::string text;
  SourcePosition at;
  [[nodiscard]] bool empty() const { return text.empty(); }
};

/// A text in the file's first language and in others (`says`, `says.de`).
struct LocalText {
  std::string text;
  std::map<std::string, std::string> other;
  [[nodiscard]] const std::string& in(const std::string& language) const;
};

}  // namespace drapery
