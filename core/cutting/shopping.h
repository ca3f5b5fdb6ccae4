// What has to be got for pieces that find no room on what lies there.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/cutting/sold_size.h"
#include "core/cutting/stock.h"
#include "core/cutting/to_buy.h"
#include "core/quantity/grammage_band.h"

namespace drapery {

/// Pieces of one make: of one kind, named alike, as thick and as heavy.
struct ToGet {
  std::string kind;           // "board"
  std::string named;          // the material that was named for them; may be empty
  std::string apart;          // the piece that has it alone; empty: it is for all of its make
  Micrometres thickness = 0;  // that the plan reckons with; 0: none
  Units units = Units::Millimetres;  // in which the book tells it
  std::optional<GrammageBand> grammage;
  std::vector<Unplaced> pieces;
  std::vector<SoldSize> sold;  // that hold them, least of it first
  bool isTooLarge = false;     // sizes are known, and none holds them
  Micrometres length = 0;      // of all pieces end to end, where it is sold by length; else 0
  std::string instead;         // what else does; may be empty
};

struct ShoppingList {
  std::vector<ToBuy> more;     // of stocks that lie there
  std::vector<ToGet> missing;  // of which nothing that can be bought lies there
  bool isRough = false;        // at a glance: less may do
  [[nodiscard]] bool isEmpty() const { return more.empty() && missing.empty(); }
};

/// As it lies on the shelf once it was bought: as many as hold the pieces, of a roll to the next
/// ten centimetres. Its name may be there already.
StockItem stockBought(const ToGet& wanted, const SoldSize& size);

}  // namespace drapery
