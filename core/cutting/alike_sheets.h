// The same pieces on as many sheets of each stock, more of them alike: fewer settings of the gauge.
#pragma once

#include <functional>
#include <utility>
#include <vector>

#include "core/cutting/bin.h"

namespace drapery {

/// The same of sheets that are alike: of one stock, with as many of each kind.
using Likeness = std::pair<std::size_t, std::vector<std::size_t>>;
Likeness likenessOf(const Bin& bin);

/// The fullest sheet is laid as often as there are pieces for it, then the next; what is left over
/// of them goes where there is room. As they were, where that finds no room for all or does not
/// make more alike.
/// @param kept which of them stay as they are; rolls and sheets with pins do anyway.
/// @param isEnough asked now and then: stocks that are not done by then stay as they were.
std::vector<Bin> moreAlike(const MaterialJob& job, const std::vector<Bin>& bins,
                           const std::vector<std::size_t>& kept,
                           const std::function<bool()>& isEnough);

}  // namespace drapery
