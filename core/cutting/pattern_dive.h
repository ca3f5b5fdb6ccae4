// Sheets by patterns, whole ones only: those that would be used whole are taken, patterns are found
// again for what is then left, and so on down to the last sheets.
#pragma once

#include <functional>
#include <random>

#include "core/cutting/bin.h"
#include "core/cutting/pattern_bound.h"

namespace drapery {

/// Adds such sheets and takes what they hold out of `wanted`; what no pattern holds well stays.
/// @param patterns of all that is wanted.
/// @param used sheets by stock of the job.
/// @param chance which of several is taken; none: the one that would be used most.
void addByPatterns(const MaterialJob& job, const Patterns& patterns, std::mt19937_64* chance,
                   const std::function<bool()>& isOver, std::vector<Bin>& bins,
                   std::vector<int>& used, Counts& wanted);

}  // namespace drapery
