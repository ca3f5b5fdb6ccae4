// All pieces of a problem laid out on its stock.
#pragma once

#include "core/cutting/lay_out_limits.h"

namespace drapery {

/// Small jobs exactly, larger ones as well as time allows; each material tells its cost and what it
/// cannot cost less than, were nothing pinned. What fits no stock, or finds none left, is in
/// `unplaced`.
CutLayout layOut(const CutProblem& problem, const LayOutLimits& limits);

}  // namespace drapery
