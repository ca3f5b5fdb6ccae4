// All that costs less than what is known, where it can be tried: the least of it, or that there is
// nothing.
#pragma once

#include "core/cutting/exact_lay_out.h"

namespace drapery {

/// What comes of it: laid as cheaply as can be, or nothing can cost less than `bound`.
struct ExactCheaper {
  double bound = 0.0;
  std::optional<MaterialLayOut> laid = {};
  bool isAll = false;  // was tried that costs less than what is known, or than what was found
};

/// Whether so many of each kind are few enough pieces.
bool canTryCheaper(const Counts& wanted);

/// Boxes that waste more than stock so cheap has room for are not joined.
/// @param work as of exactBelow.
/// @param least a bound. @param known what a lay-out costs.
/// @param isEnough asked often; then what was found out by then is told.
/// @param parts how far from `least` to `known`, by rising part, the last 1: the less may be lost
///   the sooner all is tried.
ExactCheaper exactCheaper(const MaterialJob& job, std::uint64_t& work, double least, double known,
                          const std::function<bool()>& isEnough,
                          const std::vector<double>& parts = {0.25, 1.0});

}  // namespace drapery
