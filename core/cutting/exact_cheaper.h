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

/// Whether so many of each of its kinds are few enough pieces; on one roll there may be more.
bool canTryCheaper(const MaterialJob& job, const Counts& wanted);

/// Boxes that waste more than stock so cheap has room for are not joined. From what costs hardly
/// more than `least` up to what is known, each step as far as takes a few times as long as the one
/// before.
/// @param work as of exactBelow.
/// @param least a bound. @param known what a lay-out costs by now.
/// @param isEnough asked often; then what was found out by then is told.
ExactCheaper exactCheaper(const MaterialJob& job, std::uint64_t& work, double least,
                          const std::function<double()>& known,
                          const std::function<bool()>& isEnough);

}  // namespace drapery
