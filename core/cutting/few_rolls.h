// No roll is begun while another would do, and the shortest of those that cost the same.
#pragma once

#include <vector>

#include "core/cutting/cut_layout.h"

namespace drapery {

/// One roll where all finds room on one: then more of them spare nothing. One for each that has
/// pins, where those leave room for the rest.
CutProblem onFewRolls(const CutProblem& problem);

/// What lies on rolls on as few, if that costs no more, and on the shortest on which all finds
/// room, of those that are as wide, lie the same way and cost the same. What is cut off at once
/// stays together; rolls with pins stay as they are.
std::vector<CutSheet> onFewRolls(const CutProblem& problem, const std::vector<CutSheet>& sheets);

}  // namespace drapery
