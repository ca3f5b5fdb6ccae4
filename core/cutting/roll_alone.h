// A roll by itself, where few sheets lie beside it: those are filled first, and how the rest lies
// on the roll is then looked for as if there were nothing else.
#pragma once

#include <optional>

#include "core/cutting/pattern_dive.h"

namespace drapery {

/// The stock that is the only roll and holds all kinds, of many pieces, beside which all sheets
/// hold but a small part; none where there is no such roll, or nothing beside it. Of fewer pieces
/// the sheets matter to what nothing can cost less than.
std::optional<std::size_t> rollBesideFew(const MaterialJob& job);

/// What they say of one stock, as if that were the only one.
Patterns ofStockAlone(const Patterns& patterns, std::size_t stock);

/// What lies on one stock alone, beside what lies on others.
/// @param alone in the terms of `onStockAlone`. @param beside in those of the job.
LaidInPart withStock(LaidInPart beside, LaidInPart alone, std::size_t stock);

}  // namespace drapery
