// What is left of a sheet in one piece, when all else that is cut out of it in the same way is
// pushed together.
#pragma once

#include <vector>

#include "core/cutting/sheet_part.h"

namespace drapery {

/// How large that is at most, as it is, not enlarged; um2. 0 where nothing is left.
/// @param parts of a sheet, the first is the whole.
double oneRest(const std::vector<SheetPart>& parts, Micrometres kerf);

/// The same parts so that it is left. A piece may lie in the corner of a larger part then.
void pushTogether(std::vector<SheetPart>& parts, Micrometres kerf);

}  // namespace drapery
