// A job as the commands are given it: a file, or - for standard input.
#pragma once

#include <optional>
#include <string>

#include "store/open_job.h"

namespace drapery::cli {

/// The shipped rules and materials, and the binder's own.
RuleLibrary houseLibrary();

/// The job planned; nothing once every mistake has been told.
std::optional<OpenedJob> openArgument(const std::string& path, const RuleLibrary& library,
                                      std::optional<Units> units = {});

}  // namespace drapery::cli
