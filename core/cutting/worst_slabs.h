// What lies worst on a roll and beside it, taken off to be laid anew: a little at a time, since of
// some dozen pieces many ways can be tried.
#pragma once

#include <cstddef>
#include <optional>
#include <random>
#include <vector>

#include "core/cutting/bin.h"

namespace drapery {

/// Pieces that are few: all of a roll is then laid anew as soon as a part of it.
inline constexpr std::size_t kFewOnARoll = 120;

/// What is lost on a sheet or slab, um2, more or less as chance has it.
/// @param whole its first part. @param holds kinds of the job.
double lostMoreOrLess(const MaterialJob& job, const SheetPart& whole,
                      const std::vector<std::size_t>& holds, std::mt19937_64& chance);

struct WithoutWorst {
  std::vector<Bin> bins;            // what stays
  std::vector<std::size_t> stocks;  // whose sheets were emptied
  std::vector<std::size_t> loose;   // kinds
};

/// Without slabs of one roll, and now and then a sheet beside it, that together hold some dozen
/// pieces: those on which most is lost, more or less, as chance has it. None where each roll
/// without pins holds few.
std::optional<WithoutWorst> withoutWorst(const MaterialJob& job, const std::vector<Bin>& bins,
                                         std::mt19937_64& chance);

}  // namespace drapery
