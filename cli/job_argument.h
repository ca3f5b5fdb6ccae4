// A job as the commands are given it: a file, or - for standard input.
#pragma once

#include <optional>
#include <string>
#include <variant>

#include "store/open_job.h"

namespace drapery::cli {

/// The shipped rules and materials, and the binder's own.
RuleLibrary houseLibrary();

/// A file's bytes, or standard input's for -; no more than a JSON file may have, and one.
std::variant<std::string, Issue> readInput(const std::string& path);

/// The job planned; nothing once every mistake has been told.
std::optional<OpenedJob> openArgument(const std::string& path, const RuleLibrary& library,
                                      std::optional<Units> units = {});

}  // namespace drapery::cli
