// The books that are cut together, as one job tells them.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <string>

#include "core/rules/rule_library.h"
#include "store/cut_elsewhere.h"
#include "store/cut_work.h"

namespace drapery {

struct BookRead {
  std::shared_ptr<const Job> job;
  std::shared_ptr<const Plan> plan;
  std::optional<Issue> issue;  // why there is neither
};

/// A book from its file; what is no job is refused with its first mistake, and one that is not
/// wholly measured.
BookRead readBookToCut(const std::string& path, const RuleLibrary& library);

/// The first book's job and plan are in `found` already: those that its job names beside its own
/// file, which is `path`, are put behind them, as `read` reads each; and what was cut of each while
/// another one was open.
/// @return what is wrong with those that are left out.
Issues gatherBooks(BooksLaidOut& found, const std::string& path, CutElsewhere& elsewhere,
                   const std::function<BookRead(const std::string&)>& read);
/// Each from its file.
Issues gatherBooks(BooksLaidOut& found, const std::string& path, const RuleLibrary& library);

}  // namespace drapery
