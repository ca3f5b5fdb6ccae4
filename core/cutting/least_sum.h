// What a bound comes to once sheets are whole.
#pragma once

#include "core/cutting/material_job.h"

namespace drapery {

/// Whatever pieces are worth: together the stock that is used holds at least what all of them are.
struct StockCover {
  std::vector<double> values;  // by stock: what a sheet can hold at most; of a roll a micrometre
  double all = 0.0;
};

/// The least that whole sheets of such prices can come to without being under `bound`. Of one roll:
/// pushed together, pieces end where a sum of their lengths does.
/// @param covers other than the plain areas.
double leastSumFrom(const MaterialJob& job, double bound,
                    const std::vector<StockCover>& covers = {});

}  // namespace drapery
