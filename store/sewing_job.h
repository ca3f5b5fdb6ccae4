// The key `sewing` of a job's text: how the book is to be sewn.
#pragma once

#include <map>
#include <string>
#include <string_view>

#include "core/diag/issue.h"
#include "core/sewing/sewing_job.h"

namespace drapery {

struct SewingDocument {
  SewingJob job;
  bool isThere = false;  // the key
  bool saysPattern = false;
  std::map<std::string, SourcePosition> places;  // by field: "given/strip_width", "start"
  Issues issues;

  /// Gives each issue the place of its field, or of the key that it is missing from.
  void place(Issues& found) const;
};

/// Only `schema`, `title`, `units`, `round` and `sewing` are looked at.
SewingDocument readSewingJob(std::string_view text, const std::string& file);

}  // namespace drapery
