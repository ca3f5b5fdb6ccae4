// What becomes of a rectangle while a sheet is being filled: it is free, or a piece, or split.
#pragma once

#include <cstddef>
#include <vector>

#include "core/cutting/cut_problem.h"

namespace drapery {

/// On a sheet that is enlarged by the kerf.
struct SheetPart {
  enum class Kind { Free, Piece, Split };
  Kind kind = Kind::Free;
  Micrometres x = 0, y = 0, across = 0, along = 0;
  bool isBeside = false;  // of a split
  std::size_t low = 0, high = 0;
  std::size_t piece = 0;  // a kind of the job
  bool isTurned = false;
};

/// The pieces in a part, each as often as it lies there, behind those that are in `pieces`.
void addPieces(const std::vector<SheetPart>& parts, std::size_t at,
               std::vector<std::size_t>& pieces);

/// Where the last piece ends along the sheet; 0 where there is none.
Micrometres endOf(const std::vector<SheetPart>& parts);

/// The same with other parts in the place of one: `instead` is a whole of its own, of that size.
std::vector<SheetPart> withInstead(const std::vector<SheetPart>& parts, std::size_t at,
                                   const std::vector<SheetPart>& instead);

/// So much of a part and the rest, which are the last two parts then.
void splitPart(std::vector<SheetPart>& parts, std::size_t at, bool isBeside, Micrometres low);

}  // namespace drapery
