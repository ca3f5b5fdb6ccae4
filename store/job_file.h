// Job files: JSON to a Job and back. What was read and is not understood is kept.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <string_view>

#include "core/diag/issue.h"
#include "core/plan/job.h"

namespace drapery {

struct JobDocument {
  std::optional<Job> job;  // none when the file is not a job at all
  Issues issues;           // with file, line and column
  /// Where each field's value stands ("given/text_height"), to place the issues of a plan.
  std::map<std::string, SourcePosition, std::less<>> places;
};

/// `file` is the name shown in messages, and names a book that has no title. A job without an id
/// keeps none: whatever first writes it adds one.
JobDocument readJob(std::string_view text, const std::string& file);

/// Gives each issue the place of its field, or of the object the field is missing from.
void placeIssues(Issues& issues, const JobDocument& document);

/// Pretty-printed JSON, keys in the order of the contract, ending in a newline.
std::string writeJob(const Job& job);

inline constexpr const char* kJobSchema = "drapery-job/1";
/// Of a job that names none.
inline constexpr const char* kUsualMethod = "case-sunk-joint";

}  // namespace drapery
