// A pattern's holes, stretches and wraps on one book.
#pragma once

#include <variant>

#include "core/diag/issue.h"
#include "core/plan/plan.h"
#include "core/sewing/stitch_graph.h"

namespace drapery {

inline constexpr std::size_t kMostHoles = 400;
inline constexpr double kHolesNear = 0.01;  // mm: nearer they are one

/// Where everything lies on the book whose numbers the plan has; or every mistake: a place that is
/// none, two holes in one place, a stretch to itself or there twice, a wrap there twice, a hole
/// that nothing comes to, over 400 holes, a pattern in parts. Each is placed at its entry.
std::variant<StitchGraph, Issues> layPattern(const Plan& plan);

}  // namespace drapery
