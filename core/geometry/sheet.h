// A sheet halved again and again, by cutting or folding, always across its longer side.
// Lengths in, lengths out. Source: plane geometry; ISO 216 sizes keep their proportion under it.
#pragma once

#include "core/quantity/length.h"

namespace drapery {

/// The piece after the last halving. When that was the fold at the spine, `width` is the leaf's
/// width (the side that was halved last) and `height` runs along the spine.
struct HalvedSheet {
  Length width;
  Length height;
  bool isWidthAlongLongSide = true;  // of the whole sheet
};

/// `halvings` 1 to 12, a whole number; anything else gives NaN. Which side comes first does not
/// matter. Of two equal sides the one along the sheet's short side is halved.
HalvedSheet halvedSheet(Length oneSide, Length otherSide, double halvings);

/// The least whole number not below `value`, taking a billionth above one for that one.
double wholeAbove(double value);

/// Thickness of one leaf in mm: grammage (g/m2) x bulk (cm3/g) / 1000, the definition of bulk in
/// ISO 534 solved for the thickness.
Length caliperOf(double grammage, double bulk);

}  // namespace drapery
