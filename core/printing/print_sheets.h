// Things of their true size on sheets of paper: small ones together, large ones in tiles that
// overlap.
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "core/geometry/point.h"
#include "core/printing/paper.h"

namespace drapery {

/// mm of true size.
struct PrintLayout {
  double edge = 8.0;      // that printers leave bare
  double foot = 27.0;     // for the bars and the words on them
  double side = 9.0;      // for the upright bar, at the right
  double least = 126.0;   // of a room's height: the upright bars and their words
  double overlap = 10.0;  // of neighbouring tiles
  double between = 7.0;   // things on one sheet
};

struct PrintThing {
  double width = 0.0, height = 0.0;
  double above = 0.0;      // words over it, where it lies whole
  double leastWide = 0.0;  // that they need
  bool isLast = false;     // fills what the others leave
};

/// A thing that lies whole on its sheet; mm from the lower left corner of the sheet's room.
struct PrintPlace {
  std::size_t thing = 0;
  Point at;               // the lower left corner of its box, as it lies
  bool isTurned = false;  // a quarter counter-clockwise
};

/// A part of a thing that is larger than the sheet.
struct PrintTile {
  std::size_t thing = 0;
  bool isTurned = false;
  int row = 0, column = 0;  // from the top, from the left
  int rows = 1, columns = 1;
  Box part;  // of the thing as it lies; its lower left corner lies in the room's
};

struct PrintSheet {
  std::vector<PrintPlace> places;
  std::optional<PrintTile> tile;  // alone on its sheet
  double length = 0.0;            // of the paper, where it comes from a roll; mm
};

/// The room for things on a sheet of it, mm of true size. `error` makes it smaller or larger.
Box printRoom(const Paper& paper, const PrintLayout& layout, const PrinterError& error);

/// Those that lie whole first, then the parts of larger ones. Empty where the paper has no room, or
/// a thing would take more than 400 tiles.
std::vector<PrintSheet> printSheets(const std::vector<PrintThing>& things, const Paper& paper,
                                    const PrintLayout& layout = {}, const PrinterError& error = {});

}  // namespace drapery
