// What the commands say: results on standard output, mistakes on standard error.
#pragma once

#include <string>
#include <string_view>

#include "core/diag/issue.h"
#include "core/quantity/format_length.h"

namespace drapery::cli {

/// Standard input, output and error are there, so that no file is opened in the place of one that
/// was closed; writing to one that was closed still fails. The first thing that the program does.
void openStandardStreams();

/// The whole text on standard output, now. Returns `code`, or kRefused when it did not arrive,
/// which is then said.
int print(std::string_view text, int code);

/// One line for each mistake; with `explains`, and always on a terminal, the source line and a
/// caret under its place for those that have them. Returns kRefused when there are any, else kDone.
int tell(const Issues& issues, const Notation& notation = {}, bool explains = false);

/// A line of the program's own, on standard error; returns kRefused.
int complain(std::string_view text);

}  // namespace drapery::cli
