#include "core/printing/print_sheets.h"

#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

constexpr int kMostTiles = 400;
constexpr double kNothing = 1e-9;

class Sheets {
 public:
  Sheets(const Paper& paper, const PrintLayout& layout, const PrinterError& error)
      : paper_(paper), layout_(layout), error_(error), room_(printRoom(paper, layout, error)) {}

  std::vector<PrintSheet> put(const std::vector<PrintThing>& things) {
    if (room_.width() < layout_.least || room_.height() < layout_.least) return {};
    whole(things);
    for (std::size_t i = 0; i < things.size(); ++i)
      if (!fits(things[i], false) && !fits(things[i], true) && !tile(i, things[i])) return {};
    if (paper_.isRoll) cutFromRoll();
    return std::move(sheets_);
  }

 private:
  [[nodiscard]] double wideOf(const PrintThing& thing, bool isTurned) const {
    return std::max(isTurned ? thing.height : thing.width,
                    std::min(thing.leastWide, room_.width()));
  }
  [[nodiscard]] static double highOf(const PrintThing& thing, bool isTurned) {
    return (isTurned ? thing.width : thing.height) + thing.above;
  }
  [[nodiscard]] bool fits(const PrintThing& thing, bool isTurned) const {
    return wideOf(thing, isTurned) <= room_.width() + kNothing &&
           highOf(thing, isTurned) <= room_.height() + kNothing;
  }

  /// Those that lie whole: rows from the top, the highest first, each thing in the first row with
  /// room for it.
  void whole(const std::vector<PrintThing>& things) {
    struct Lying {
      std::size_t thing;
      bool isTurned;
      double wide, high;
    };
    std::vector<Lying> lying;
    for (std::size_t i = 0; i < things.size(); ++i) {
      const bool isUpright = fits(things[i], false), isFlat = fits(things[i], true);
      if (!isUpright && !isFlat) continue;
      // Low things share a sheet more easily.
      const bool isTurned =
          !isUpright || (isFlat && highOf(things[i], true) < highOf(things[i], false));
      lying.push_back({i, isTurned, wideOf(things[i], isTurned), highOf(things[i], isTurned)});
    }
    std::stable_sort(lying.begin(), lying.end(), [&](const Lying& a, const Lying& b) {
      const bool isLast = things[a.thing].isLast, isOther = things[b.thing].isLast;
      return isLast != isOther ? isOther : a.high > b.high;
    });
    for (const Lying& each : lying) {
      Row& row = rowFor(each.wide, each.high);
      const double top = row.top;
      sheets_[row.sheet].places.push_back({each.thing, {row.used, top - each.high}, each.isTurned});
      row.used += each.wide + layout_.between;
    }
  }

  struct Row {
    std::size_t sheet;
    double top, high, used;
  };
  Row& rowFor(double wide, double high) {
    for (Row& row : rows_)
      if (high <= row.high + kNothing && row.used + wide <= room_.width() + kNothing) return row;
    double top = room_.height();
    std::size_t sheet = sheets_.size();
    // Under the last row of a sheet that has room.
    for (std::size_t s = 0; s < sheets_.size() && sheet == sheets_.size(); ++s) {
      if (sheets_[s].tile) continue;
      double lowest = room_.height();
      for (const Row& row : rows_)
        if (row.sheet == s) lowest = std::min(lowest, row.top - row.high - layout_.between);
      if (high > lowest + kNothing) continue;
      sheet = s;
      top = lowest;
    }
    if (sheet == sheets_.size()) sheets_.emplace_back();
    rows_.push_back({sheet, top, high, 0.0});
    return rows_.back();
  }

  /// Standing or lying, whichever takes fewer sheets.
  bool tile(std::size_t thing, const PrintThing& of) {
    const auto count = [&](double length, double room) {
      return length <= room + kNothing
                 ? 1.0
                 : std::ceil((length - layout_.overlap) / (room - layout_.overlap) - kNothing);
    };
    const double high = room_.height();
    const auto tiles = [&](bool isTurned) {
      return count(isTurned ? of.height : of.width, room_.width()) *
             count(isTurned ? of.width : of.height, high);
    };
    const bool isTurned = tiles(true) < tiles(false);
    if (!(tiles(isTurned) <= kMostTiles)) return false;
    const double width = isTurned ? of.height : of.width, height = isTurned ? of.width : of.height;
    const int columns = static_cast<int>(count(width, room_.width()));
    const int rows = static_cast<int>(count(height, high));
    const double across = room_.width() - layout_.overlap, along = high - layout_.overlap;
    for (int row = 0; row < rows; ++row)
      for (int column = 0; column < columns; ++column) {
        const double left = column * across, top = height - row * along;
        sheets_.push_back({});
        sheets_.back().tile = PrintTile{
            thing,
            isTurned,
            row,
            column,
            rows,
            columns,
            {left, std::max(0.0, top - high), std::min(width, left + room_.width()), top}};
      }
    return true;
  }

  /// Only as long as what lies on it.
  void cutFromRoll() {
    for (PrintSheet& sheet : sheets_) {
      double lowest = room_.height();
      for (const PrintPlace& place : sheet.places) lowest = std::min(lowest, place.at.y);
      const double used = sheet.tile ? sheet.tile->part.height() : room_.height() - lowest;
      const double high = std::max(used, layout_.least);
      // What lies there keeps to the top.
      for (PrintPlace& place : sheet.places) place.at.y -= lowest - (high - used);
      sheet.length = (high + layout_.foot) / error_.along + 2 * layout_.edge;
    }
  }

  const Paper& paper_;
  const PrintLayout& layout_;
  const PrinterError& error_;
  Box room_;
  std::vector<PrintSheet> sheets_;
  std::vector<Row> rows_;
};

}  // namespace

Box printRoom(const Paper& paper, const PrintLayout& layout, const PrinterError& error) {
  return {0.0, 0.0, (paper.width - 2 * layout.edge) * error.across - layout.side,
          (paper.height - 2 * layout.edge) * error.along - layout.foot};
}

std::vector<PrintSheet> printSheets(const std::vector<PrintThing>& things, const Paper& paper,
                                    const PrintLayout& layout, const PrinterError& error) {
  return Sheets(paper, layout, error).put(things);
}

}  // namespace drapery
