// Many copies of few kinds on one roll: slabs across it, each of strips along it side by side, in
// which one kind lies end to end. Heights of which some come to nearly the same length lose little
// so, however long that is.
#pragma once

#include <functional>
#include <vector>

#include "core/cutting/slab.h"

namespace drapery {

/// All that the job wants on its first stock, as short as such slabs can be (a shortest path over
/// how many of each kind are left); of many copies only those slabs are tried that lose least.
/// @returns none where there are more than four kinds or too many copies for that, or it is longer
/// than the stock.
std::vector<Slab> stripSlabs(const MaterialJob& job, const std::function<bool()>& isEnough);

}  // namespace drapery
