// A rule file as text, before it is read.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>

namespace drapery {

struct MethodSource {
  std::string file;  // as shown in messages
  std::string text;
};

/// Finds the file of a base by its id.
using BaseLookup = std::function<std::optional<MethodSource>(std::string_view id)>;

}  // namespace drapery
