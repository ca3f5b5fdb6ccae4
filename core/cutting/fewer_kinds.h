// What nothing can cost less than, of pieces of many sizes: those that are nearly alike are taken
// as small as the smallest of them, and all lay-outs of these are tried.
#pragma once

#include <cstdint>
#include <functional>

#include "core/cutting/material_job.h"

namespace drapery {

/// So few kinds that there are no more than `most` pairs to be joined: of each, nothing is larger
/// than any piece that it stands for. As if nothing were pinned; on the job's stocks alone.
CutProblem withFewerKinds(const MaterialJob& job, double most);

/// Whether there are few enough pieces, and little enough is lost so, for it to say anything.
bool canTryFewerKinds(const MaterialJob& job);

/// In steps, each of more kinds. (Rounding down: Fernandez de la Vega and Lueker 1981, from
/// memory.)
/// @param work as of exactBelow. @param least a bound. @param known what a lay-out costs by now.
/// @param isEnough asked often; then what was found out by then is told.
double boundOfFewerKinds(const MaterialJob& job, std::uint64_t& work, double least,
                         const std::function<double()>& known,
                         const std::function<bool()>& isEnough);

}  // namespace drapery
