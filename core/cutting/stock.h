// What lies on the shelf to be cut, and what cutting takes from it and gives back.
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <variant>
#include <vector>

#include "core/cutting/edge_cuts.h"
#include "core/diag/issue.h"
#include "core/quantity/units.h"

namespace drapery {

/// How the grain was found: bent the easy way, a damp strip that curled, a tear that ran straight.
enum class GrainSign { Bend, Damp, Tear };

struct GrainTest {
  GrainSign sign = GrainSign::Bend;
  std::string on;  // the day, "2026-11-26"; may be empty
  friend bool operator==(const GrainTest& a, const GrainTest& b) = default;
};

struct StockItem {
  CutStock lies;
  Units units = Units::Millimetres;  // in which its size is told
  Micrometres thickness = 0;         // 0: not said
  double grammage = 0.0;             // g/m2 (ISO 536); 0: not said
  std::string place, note;
  bool isOffCut = false;
  std::optional<GrainTest> grainTest;
  friend bool operator==(const StockItem& a, const StockItem& b) = default;
};

/// The item with all that differs between the two as `to` has it: what somebody else changed of it
/// meanwhile stays.
StockItem withDifference(StockItem item, const StockItem& from, const StockItem& to);

struct Stock {
  std::vector<StockItem> items;
  UsableLeft usable;

  [[nodiscard]] const StockItem* named(const std::string& id) const;
  friend bool operator==(const Stock& a, const Stock& b) = default;
};

/// The shelf with an item made otherwise. @returns "stock-unknown" where it is gone, "stock-name"
/// where something else has its new name by now.
std::variant<Stock, Issue> itemChanged(const Stock& shelf, const StockItem& from,
                                       const StockItem& to);

/// What one cutting takes and gives.
struct StockChange {
  struct Taken {
    StockItem item;          // as it was
    std::size_t place = 0;   // in the list
    int count = 0;           // sheets, or whole rolls
    Micrometres length = 0;  // of a roll
  };
  std::vector<Taken> taken;
  std::vector<StockItem> given;  // off-cuts, and what is left of a roll that was one of several
};

/// So many of an item of the shelf, and nothing that comes of them.
StockChange takenOf(const Stock& shelf, const StockItem& item, int count);
/// So much of a roll of the shelf. Of several alike one is begun: it lies there by itself then.
StockChange takenOffRoll(const Stock& shelf, const StockItem& roll, Micrometres length);

/// One sheet of a lay-out cut so many times. `stock` is the problem's, and lies on the shelf under
/// its id. Off-cuts are worth their share of the sheet and lie where it lay. A roll is cut once.
/// @returns "stock-unknown" where the shelf has none of that id.
std::variant<StockChange, Issue> stockChangeOf(const Stock& shelf, const CutStock& stock,
                                               const CutSheet& sheet, int times);

/// The shelf after it. @returns "stock-short" with what is there and what is needed, "stock-name"
/// where something else has an off-cut's name by now.
std::variant<Stock, Issue> afterCutting(const Stock& shelf, const StockChange& change);
/// The shelf as it was before, in the same order; what was cut meanwhile stays cut. @returns
/// "stock-used" with an off-cut or a begun roll that is no longer there, or no longer all of it.
std::variant<Stock, Issue> cutTakenBack(const Stock& shelf, const StockChange& change);

}  // namespace drapery
