// Labels for pieces and off-cuts, in a grid, to be cut out and tied to a pile or laid under a
// weight.
#pragma once

#include <QString>
#include <vector>

#include "exchange/page_column.h"

namespace drapery {

struct CutLabel {
  QString name, size, below;
  bool isAlong = true;  // the grain, along what stands second
  bool hasGrain = true;
};

/// The column outlives its pages.
void writeLabels(PageColumn& column, const std::vector<CutLabel>& labels);

}  // namespace drapery
