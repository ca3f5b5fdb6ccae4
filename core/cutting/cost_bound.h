// What no lay-out can cost less than.
#pragma once

#include <functional>

#include "core/cutting/material_job.h"

namespace drapery {

/// By dual feasible functions of widths and heights (Fekete and Schepers, "A general framework for
/// bounds for higher-dimensional orthogonal packing problems", 2004, from memory), which take in
/// the plain area; on a roll by slices across it. In the stocks' cost; 0 for nothing to be cut.
/// @param isOver that no better one need be looked for.
double costBound(const MaterialJob& job, const std::function<bool()>& isOver);

}  // namespace drapery
