// What pieces are worth so that nothing that lies end to end along a roll is worth more than one:
// then what a box holds tells how much of its room is lost, also of what is too short for any more.
#pragma once

#include <functional>
#include <optional>

#include "core/cutting/box_worths.h"
#include "core/cutting/material_job.h"

namespace drapery {

/// At the first price all of a job's pieces are worth as much as can be, at the others some of them
/// are: what loses little at one loses much at another. None where lengths or pieces are too many,
/// or there was no time.
/// @param along so much of the job's only stock is used, um, enlarged by the kerf.
std::optional<PiecePrices> stackPrices(const MaterialJob& job, Micrometres along,
                                       const std::function<bool()>& isOver);

/// How much each kind counts, of many ways to say it: first all as many as there are; then each up
/// to twice as much, as chance has it, or, as it has it too, a few of them more and most of them
/// hardly anything.
std::vector<double> chanceWeights(const Counts& counts, std::size_t which);

}  // namespace drapery
