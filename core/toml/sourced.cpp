#include "core/toml/sourced.h"

namespace drapery {

const std::string& LocalText::in(const std::string& language) const {
  const auto found = other.find(language);
  return found == other.end() ? text : found->second;
}

}  // namespace drapery
