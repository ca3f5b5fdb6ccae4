// Files of rules, methods and patterns alike: listed, and looked up beside one another.
#pragma once

#include <fmt/format.h>

#include <optional>
#include <string>
#include <string_view>

#include "cli/console.h"
#include "core/rules/load_rules.h"
#include "words/shown_text.h"

namespace drapery::cli {

/// The file of that name beside `path`; a name leads to no other folder.
std::optional<TomlFile> fileBeside(const std::string& path, std::string_view id);

/// "zigzag  Two rows, staggered  ...", a line for each that is sound; what is wrong with the rest.
template <typename Library>
int printList(const Library& library) {
  int code = tell(library.leftOut());
  std::string out;
  for (const std::string& id : library.ids()) {
    const LoadedRules loaded = library.load(id);
    if (loaded.rules == nullptr) {
      code = tell(loaded.issues);
      continue;
    }
    out += fmt::format("{:<20} {:<26} {}\n", shownText(id), shownText(loaded.rules->title.text),
                       shownText(loaded.rules->about.text));
  }
  return print(out, code);
}

}  // namespace drapery::cli
