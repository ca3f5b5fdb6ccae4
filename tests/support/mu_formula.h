// muParser over the functions that rule files may call: the measure of what a formula means.
#pragma once

#include <map>
#include <optional>
#include <string>

namespace drapery::test {

/// Nothing when muParser finds the text no formula over these names; NaN without a finite result.
/// It knows neither missing numbers nor literals with a unit.
std::optional<double> muEvaluated(const std::string& text,
                                  const std::map<std::string, double, std::less<>>& numbers);

}  // namespace drapery::test
