// So few pieces that on which sheets they lie decides more than how those are filled.
#pragma once

#include <numeric>

#include "core/cutting/material_job.h"

namespace drapery {

inline bool areFewPieces(const MaterialJob& job) {
  constexpr int kMost = 60;
  return std::accumulate(job.counts.begin(), job.counts.end(), 0) <= kMost;
}

}  // namespace drapery
