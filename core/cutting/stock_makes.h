// Of one material only what is as thick and as heavy as the pieces want it: boards of 2.4 mm are
// not cut from those of 3 mm while there are others.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/cutting/stock.h"
#include "core/quantity/grammage_band.h"
#include "core/quantity/units.h"

namespace drapery {

/// 0 and none: whichever.
struct WantedMake {
  std::string material;
  Micrometres thickness = 0;
  std::optional<GrammageBand> grammage;
  int layers = 1;  // so many, pasted together, are to be as thick
};

/// 0: not said.
struct StockMake {
  std::string material;
  Micrometres thickness = 0;
  double grammage = 0.0;             // g/m2
  Units units = Units::Millimetres;  // in which it is told
  double room = 0.0;                 // how much of it lies there: any measure, the same for all
};

/// In its layers thicker or thinner than is wanted by more than a tenth of a millimetre and a tenth
/// of it.
bool isOtherThickness(const WantedMake& wanted, const StockMake& stock);
bool isOtherWeight(const WantedMake& wanted, const StockMake& stock);
/// Of how many layers of what is there a piece comes to be as thick as it is wanted, the fewest
/// first; one where no number of layers does.
int layersFor(const WantedMake& wanted, const std::vector<StockMake>& there, int most);

/// A piece of the problem on stock of another make, or perhaps of another.
struct OtherMake {
  std::size_t piece = 0;
  const StockItem* on = nullptr;  // of the shelf
  WantedMake wanted;
  // Plain: it is seldom that; Width: of what is sold by the length; Layers: several make one
  enum class What { Thickness, Weight, Plain, Width, Layers } what = What::Thickness;
  Micrometres wide = 0;  // as it was reckoned
};

struct SortedMakes {
  std::vector<std::string> pieces, stocks;  // the material of each
};

/// Materials by which each piece is cut only from what is as thick as it wants, or of which that is
/// not said, where there is such stock; and of that only from what is as heavy. They are called as
/// before unless there have to be several of one: "board, 2.4 mm".
SortedMakes sortedMakes(const std::vector<WantedMake>& pieces,
                        const std::vector<StockMake>& stocks);

}  // namespace drapery
