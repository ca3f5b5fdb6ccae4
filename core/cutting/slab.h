// A part of a roll, as wide as it: what is cut off at once.
#pragma once

#include <vector>

#include "core/cutting/bin.h"

namespace drapery {

struct Slab {
  Micrometres along = 0;           // what its pieces take
  std::vector<std::size_t> holds;  // kinds
  std::vector<SheetPart> parts;    // the first is the whole
};

Slab emptySlab(Micrometres across, Micrometres along);
/// One piece, as short as it lies on the job's first stock.
Slab aloneSlab(const MaterialJob& job, std::size_t kind);
/// One more piece, in the lower left corner of a free part of it.
void placeInSlab(Slab& slab, std::size_t at, std::size_t kind, const LyingSize& size);

/// A part and what it is split into, as short as its pieces are: what is cut across the roll anyway
/// is a slab of its own.
void addSlabs(const std::vector<SheetPart>& parts, std::size_t at, std::vector<Slab>& slabs);
Micrometres alongOf(const std::vector<Slab>& slabs);
/// One after the other on one of the job's stocks.
Bin binOf(const MaterialJob& job, std::size_t stock, const std::vector<Slab>& slabs);

}  // namespace drapery
