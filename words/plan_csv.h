// The pieces of a plan as a table for spreadsheets: comma-separated values, RFC 4180.
#pragma once

#include <string>

#include "core/plan/job.h"
#include "core/plan/plan.h"

namespace drapery {

/// "title,method,part,...": the names of the columns, with the line's end.
std::string partsCsvHeader();

/// A line for each piece; lengths in mm.
std::string partsCsv(const Job& job, const Plan& plan);

}  // namespace drapery
