// What a sheet can be worth at most where there are only so many of each piece: a piece of which
// too many would be used is worth less by a price, and that much is there for each of its kind,
// used or not (M. L. Fisher, "The Lagrangian relaxation method for solving integer programming
// problems", Management Science 27, 1981).
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <vector>

#include "core/cutting/material_job.h"
#include "core/cutting/plate_values.h"

namespace drapery {

/// Worth in whole numbers of a unit of its own, rounded up.
struct RationedValues {
  double unit = 1.0;                // so many of them are a value of 1
  std::vector<double> prices;       // as values, by kind
  std::vector<std::int64_t> worth;  // of a piece, less its price
  std::int64_t allPrices = 0;       // of all pieces there are
  std::int64_t most = 0;            // that the sheet can be worth, prices and all
  PlateValues::BySteps rooms;       // what a part of it can be, without them
};

/// In steps of some nanoseconds.
struct RationingWork {
  double look = 0.0;  // of one: lengths are counted in steps as fine as that allows
  double all = 0.0;   // of all of them
};

/// Of a job's first stock, a sheet: the prices at which `most` is least, as far as they are found.
/// What is too small to be told apart by the steps is taken as if it needed no room.
/// @param values by kind.
/// @param from prices to begin with, as values.
/// @param known what it is worth at least.
/// @param tried called with what would be worth most at prices that were tried, where there are
///   as many pieces and it lies on the sheet.
/// @returns none where nothing can be told, or `isOver` ended it.
std::optional<RationedValues> rationedValues(
    const MaterialJob& job, const std::vector<double>& values, const std::vector<double>& from,
    const RationingWork& work, const std::function<double()>& known,
    const std::function<void(std::vector<SheetPart>)>& tried, const std::function<bool()>& isOver);

}  // namespace drapery
