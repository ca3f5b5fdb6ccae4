// What differs between methods, a row for each value or piece and a cell for each method.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/plan/compare.h"
#include "core/quantity/format_length.h"

namespace drapery {

struct ComparedRow {
  LocalText title;
  std::vector<std::string> cells;  // by method, as there are; a dash where one has none
};

/// Values told beside one another, then the pieces as they are cut; only what differs.
std::vector<ComparedRow> comparedRows(const Comparison& comparison,
                                      const std::function<Notation(const Plan&)>& notation);

}  // namespace drapery
