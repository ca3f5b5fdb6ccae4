// Many copies of few kinds on one roll: slabs across it, each of strips along it side by side, in
// which one kind lies end to end. Heights of which some come to nearly the same length lose little
// so, however long that is.
#pragma once

#include <functional>
#include <vector>

#include "core/cutting/slab.h"

namespace drapery {

/// All that the job wants, as short as such slabs can be (a shortest path over how many of each
/// kind are left); of many copies only those slabs are tried that lose least, and rows of one kind.
/// @param isEnough asked often; true ends it with none.
/// @returns none too where there is more than one roll, a pin, more than four kinds or too many
/// copies for that, or where it is longer than the roll.
std::vector<Slab> stripSlabs(const MaterialJob& job, const std::function<bool()>& isEnough);

}  // namespace drapery
