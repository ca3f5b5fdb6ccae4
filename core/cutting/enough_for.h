// How often what lies there is enough for the same pieces.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/cutting/cut_problem.h"

namespace drapery {

/// Of one material.
struct EnoughFor {
  std::string material;
  int times = 0;        // at least: a lay-out of so many was found
  bool isMore = false;  // perhaps: no more are asked for, of any material alike
};

/// Of each material of which there are pieces, the scarcest first; what is pinned may lie anywhere.
/// By first lay-outs alone: more may find room.
/// @param isCancelled may be empty; then nothing is given
std::vector<EnoughFor> enoughFor(const CutProblem& problem,
                                 const std::function<bool()>& isCancelled = {});

/// How many rectangles of one piece a sheet gives; of a piece that may be turned at least, to 500.
int yieldOf(const CutProblem& problem, std::size_t piece, std::size_t stock);

}  // namespace drapery
