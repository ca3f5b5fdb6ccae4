// All of it on one roll as short as can be, or on one sheet: by trying all that could lie so,
// within less and less narrow bounds.
#pragma once

#include "core/cutting/exact_lay_out.h"

namespace drapery {

struct ExactOne {
  double bound = 0.0;                  // nothing costs less; 0 where that is not known
  std::optional<MaterialLayOut> laid;  // the least; none where none below `known` was found
};

/// Whether there is little enough of it for either.
bool canTryOne(const MaterialJob& job);

/// Of one roll without pins; the bound is 0 where there is too much to try.
/// @param effort of the usual work, 0 to 1. @param least nothing costs less than that, as is known
/// already; @param known what is laid.
ExactOne exactRoll(const MaterialJob& job, double effort, double least, Micrometres known,
                   const std::function<bool()>& isEnough);

/// Of sheets of one size without pins, where more than one is known to do: one, or the bound is
/// two.
ExactOne exactSheet(const MaterialJob& job, double effort, const std::function<bool()>& isEnough);

}  // namespace drapery
