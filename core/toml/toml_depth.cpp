#include "core/toml/toml_depth.h"

#include <algorithm>

#include "core/diag/utf8.h"

namespace drapery {

namespace {

/// One past a text in quotes that begins at `at`, three of them or one.
std::size_t pastText(std::string_view toml, std::size_t at) {
  const char quote = toml[at];
  const std::string_view three = quote == '"' ? "\"\"\"" : "'''";
  const bool isLong = toml.substr(at, 3) == three;
  std::size_t i = at + (isLong ? 3 : 1);
  for (; i < toml.size(); ++i) {
    if (quote == '"' && toml[i] == '\\') {
      ++i;
    } else if (isLong ? toml.substr(i, 3) == three : toml[i] == quote || toml[i] == '\n') {
      return i + (isLong ? 3 : 1);
    }
  }
  return toml.size();
}

SourcePosition positionOf(std::string_view toml, std::size_t at) {
  const std::string_view before = toml.substr(0, at);
  const std::size_t line = before.rfind('\n') + 1;  // 0 where there is none
  return {{},
          static_cast<int>(std::count(before.begin(), before.end(), '\n')) + 1,
          static_cast<int>(charactersOf(before.substr(line))) + 1};
}

}  // namespace

std::optional<SourcePosition> keyTooDeep(std::string_view toml) {
  constexpr std::string_view kEndsKey = "=,[]{}\n";
  std::size_t begin = 0;
  int parts = 1;
  for (std::size_t i = 0; i < toml.size(); ++i) {
    const char c = toml[i];
    if (c == '"' || c == '\'') {
      i = pastText(toml, i) - 1;
    } else if (c == '#' || kEndsKey.find(c) != std::string_view::npos) {
      if (c == '#') i = std::min(toml.find('\n', i), toml.size());
      begin = i + 1;
      parts = 1;
    } else if (c == '.' && ++parts > kDeepestTomlKey) {
      return positionOf(toml, std::min(toml.find_first_not_of(" \t", begin), i));
    }
  }
  return std::nullopt;
}

}  // namespace drapery
