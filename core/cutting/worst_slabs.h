// What lies worst on a roll and beside it, taken off to be laid anew: a little at a time, since of
// some dozen pieces many ways can be tried.
#pragma once

#include <optional>
#include <random>
#include <vector>

#include "core/cutting/bin.h"

namespace drapery {

struct WithoutWorst {
  std::vector<Bin> bins;            // what stays
  std::vector<std::size_t> stocks;  // whose sheets were emptied
  std::vector<std::size_t> loose;   // kinds
};

/// Without slabs of one roll, and now and then a sheet beside it, that together hold some dozen
/// pieces: those on which most is lost, more or less, as chance has it. None where no roll without
/// pins holds many more.
std::optional<WithoutWorst> withoutWorst(const MaterialJob& job, const std::vector<Bin>& bins,
                                         std::mt19937_64& chance);

}  // namespace drapery
