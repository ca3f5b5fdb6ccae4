// The log: what the program did and what Qt has to say, in the XDG state folder and nowhere else.
#pragma once

#include <string>
#include <string_view>

namespace drapery {

/// Begins a log file in `folder`, at most three of a megabyte each. Where none can be written the
/// program goes on without.
void startLog(const std::string& folder);

/// One line: control characters are shown as '?'. Before `startLog` the last hundred lines wait
/// for it.
void logNote(std::string_view text);

/// What Qt has to say goes to the log from now on, not to the terminal.
void takeQtMessages();

}  // namespace drapery
