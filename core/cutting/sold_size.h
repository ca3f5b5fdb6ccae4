// In which of the sizes that something is sold in, pieces are had from the least of it.
#pragma once

#include <string>
#include <vector>

#include "core/cutting/lay_out_limits.h"
#include "core/quantity/units.h"

namespace drapery {

struct SoldSize {
  CutStock of;                       // a sheet, or a roll as long as is wanted
  std::string name;                  // that the size goes by: "A4"; may be empty
  Units units = Units::Millimetres;  // in which it is told
  int sheets = 0;                    // that hold all pieces
  Micrometres length = 0;            // of a roll
  double used = 0.0;                 // the part of it that becomes pieces
};

/// Those that hold all pieces, with how much of them: the least of it first, and of one size only
/// the better way for its grain to run.
/// @param pieces of any material
/// @param limits of each lay-out; cancelled: what was found by then is given
std::vector<SoldSize> soldSizes(std::vector<CutPiece> pieces, const std::vector<SoldSize>& sizes,
                                const LayOutLimits& limits);

}  // namespace drapery
