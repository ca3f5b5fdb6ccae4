// What lies on a sheet or a roll as boxes within boxes, to be opened and joined anew.
#pragma once

#include <memory>
#include <random>
#include <vector>

#include "core/cutting/slab.h"

namespace drapery {

struct LaidBox;
using LaidBoxPtr = std::shared_ptr<const LaidBox>;

/// What no box is joined of any more: a piece; or boxes side by side or one above the other, none
/// of them joined in the same way itself. Enlarged by the kerf, as pieces are.
struct LaidBox {
  Micrometres across = 0, along = 0;
  bool isBeside = false;
  std::vector<LaidBoxPtr> of;  // none: a piece
  std::size_t kind = 0;        // of the job
  bool isTurned = false;
  std::size_t pieces = 1;
  double area = 0.0;  // of its pieces, um2
};

LaidBoxPtr pieceAlone(std::size_t kind, const LyingSize& size);
/// @param of one at least.
LaidBoxPtr joinedBox(bool isBeside, const std::vector<LaidBoxPtr>& of);
/// As small as what lies in a part is; none where that is nothing.
LaidBoxPtr laidBoxOf(const std::vector<SheetPart>& parts, std::size_t at);
/// In a free part that is large enough.
void layBox(const LaidBox& box, std::size_t at, Slab& slab);

/// Opens boxes until there are so many, as chance has it one by one, those that hold more more
/// often; or mostly what was opened last, so that all but a corner of it stays together.
void openSome(std::vector<LaidBoxPtr>& boxes, std::size_t most, std::mt19937_64& random);

}  // namespace drapery
