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

std::optional<Issue> tomlTooDeep(std::string_view toml) {
  constexpr std::string_view kEndsKey = "=,[]{}\n";
  const auto issueAt = [toml](IssueId id, int limit, std::size_t at) {
    return Issue{id, {{"limit", std::to_string(limit)}}, {}, positionOf(toml, at), {}};
  };
  std::size_t begin = 0;  // of the key that may be there
  int parts = 1, open = 0;
  bool isHeader = false;  // a table's header ends with its line, closed or not
  for (std::size_t i = 0; i < toml.size(); ++i) {
    const char c = toml[i];
    if (c == '"' || c == '\'') {
      i = pastText(toml, i) - 1;
      continue;
    }
    if (c == '.' && ++parts > kDeepestTomlKey)
      return issueAt("toml-key-deep", kDeepestTomlKey,
                     std::min(toml.find_first_not_of(" \t", begin), i));
    if (c == '#') i = std::min(toml.find('\n', i), toml.size() - 1);
    if (c != '#' && kEndsKey.find(c) == std::string_view::npos) continue;
    const bool isLineStart =
        toml.substr(begin, i - begin).find_first_not_of(" \t\r") == toml.npos &&
        (begin == 0 || toml[begin - 1] == '\n');
    if (c == '[' && open == 0 && isLineStart) isHeader = true;
    if (c == '[' || c == '{') ++open;
    if ((c == ']' || c == '}') && open > 0) --open;
    if (open > kDeepestToml) return issueAt("too-deep", kDeepestToml, i);
    if (toml[i] == '\n') {
      if (isHeader) open = 0;
      isHeader = false;
    }
    begin = i + 1;
    parts = 1;
  }
  return std::nullopt;
}

}  // namespace drapery
