// Filled sheets and rolls as a lay-out: those alike told once; one with as much left over in one
// piece as can be.
#pragma once

#include <functional>
#include <vector>

#include "core/cutting/bin.h"
#include "core/cutting/exact_lay_out.h"

namespace drapery {

/// @param lost kinds that lie nowhere, each as often as one does.
/// @param isEnough whether it is no longer worth the time to leave the largest off-cut that there
///   can be, and to have more sheets alike.
MaterialLayOut layOutOf(const MaterialJob& job, const std::vector<Bin>& bins,
                        const std::vector<std::size_t>& lost,
                        const std::function<bool()>& isEnough);

}  // namespace drapery
