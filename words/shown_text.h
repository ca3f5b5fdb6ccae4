// Text from a file, a path or the command line as it may be shown: on one line, and no more than
// letters to whatever shows it.
#pragma once

#include <string>
#include <string_view>

namespace drapery {

/// Control characters (C0, DEL, C1), line ends of any kind, signs that turn the direction of
/// writing and bytes that are no UTF-8 as escapes: \n, \x1b, \u202e. Everything else as it is.
std::string shownText(std::string_view text);

/// Only control characters, save tabs and line ends, and bytes that are no UTF-8: for a table,
/// whose texts may turn the direction of writing.
std::string shownControls(std::string_view text);

/// Only bytes that are no UTF-8: names of files in JSON, which escapes the rest itself.
std::string shownBytes(std::string_view text);

/// JSON that says the same with the same letters as JSON's own escapes. RapidJSON escapes only
/// those below a blank.
std::string shownJson(std::string_view json);

}  // namespace drapery
