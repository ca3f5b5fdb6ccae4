// Patterns as sheets: as often as whole numbers near theirs say, and of what is still wanted.
#pragma once

#include <vector>

#include "core/cutting/bin.h"
#include "core/cutting/pattern_bound.h"

namespace drapery {

/// One filled so, without what is not wanted any more; not at all where less than that part of its
/// area is, or where there are no more such sheets.
/// @param used sheets by stock of the job.
void addPattern(const MaterialJob& job, const PatternUse& use, double least, std::vector<Bin>& bins,
                std::vector<int>& used, Counts& wanted);

/// Each as often as it is used whole; false where none is.
bool addWhole(const MaterialJob& job, const std::vector<PatternUse>& patterns,
              std::vector<Bin>& bins, std::vector<int>& used, Counts& wanted);

}  // namespace drapery
