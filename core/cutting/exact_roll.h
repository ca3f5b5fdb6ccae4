// The least that a roll can be used, by trying all that lies within less and less narrow bounds.
#pragma once

#include "core/cutting/exact_lay_out.h"

namespace drapery {

struct ExactRoll {
  double bound = 0.0;                  // nothing costs less
  std::optional<MaterialLayOut> laid;  // the least; none where none below `known` was found
};

/// Of one roll without pins; the bound is 0 where there is too much to try.
/// @param effort of the usual work, 0 to 1. @param least nothing costs less than that, as is known
/// already; @param known what is laid.
ExactRoll exactRoll(const MaterialJob& job, double effort, double least, Micrometres known,
                    const std::function<bool()>& isEnough);

}  // namespace drapery
