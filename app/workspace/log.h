// The log: what the program did and what Qt has to say, in the XDG state folder and nowhere else.
#pragma once

#include <string>
#include <string_view>

namespace drapery {

/// Begins a log file in `folder`, at most three of a megabyte each, and sends Qt's own messages
/// there. Where none can be written the program goes on without.
void startLog(const std::string& folder);

/// One line: control characters are shown as '?'. Nothing before `startLog`.
void logNote(std::string_view text);

}  // namespace drapery
