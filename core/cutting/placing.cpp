#include "core/cutting/placing.h"

#include <algorithm>
#include <limits>
#include <optional>

namespace drapery {

namespace {

double scoreOf(const MaterialJob& job, const Bin& bin, const SheetPart& room, const LyingSize& size,
               const PlacingHabit& habit) {
  const bool isRoll = job.stock(bin.stock).form == StockForm::Roll;
  if (isRoll || habit.fit == PlacingHabit::Fit::Lowest) {
    const double end = double(room.y + size.along);
    // Within what is used already the tightest, else the lowest end.
    if (isRoll && room.y + size.along <= bin.end) return double(room.across - size.across) / 1e9;
    return end + double(room.across - size.across) / 1e9;
  }
  if (habit.fit == PlacingHabit::Fit::ShortestSide)
    return double(std::min(room.across - size.across, room.along - size.along));
  return double(room.across) * double(room.along) - double(size.across) * double(size.along);
}

void place(const MaterialJob& job, Bin& bin, std::size_t freeIndex, std::size_t kind,
           const LyingSize& size, const PlacingHabit& habit) {
  std::size_t at = bin.free[freeIndex];
  bin.free.erase(bin.free.begin() + static_cast<std::ptrdiff_t>(freeIndex));
  while (true) {
    const SheetPart room = bin.parts[at];
    const bool isWide = room.across > size.across, isHigh = room.along > size.along;
    if (!isWide && !isHigh) break;
    const double besideFirst = std::max(double(room.across - size.across) * double(room.along),
                                        double(size.across) * double(room.along - size.along));
    const double aboveFirst = std::max(double(room.across - size.across) * double(size.along),
                                       double(room.across) * double(room.along - size.along));
    bool isBeside = !isHigh || (isWide && (besideFirst >= aboveFirst) == habit.isLarge);
    // Of a roll nothing but shelves: its end is not known yet.
    if (isHigh && isOpenEnded(job, bin, room)) isBeside = false;
    splitPart(bin.parts, at, isBeside, isBeside ? size.across : size.along);
    bin.free.push_back(bin.parts[at].high);
    at = bin.parts[at].low;
  }
  SheetPart& piece = bin.parts[at];
  piece.kind = SheetPart::Kind::Piece;
  piece.piece = kind;
  piece.isTurned = size.isTurned;
  hold(job, bin, piece);
}

}  // namespace

double placingSize(const MaterialJob& job, std::size_t kind, PlacingHabit::Order order) {
  const CutPiece& piece = job.kind(kind);
  switch (order) {
    case PlacingHabit::Order::LongerSide:
      return double(std::max(piece.width, piece.height)) * 1e6 + areaOfKind(job, kind) / 1e6;
    case PlacingHabit::Order::Height:
      return double(piece.height);
    case PlacingHabit::Order::Width:
      return double(piece.width);
    case PlacingHabit::Order::Area:
      break;
  }
  return areaOfKind(job, kind);
}

bool putPiece(const MaterialJob& job, std::vector<Bin>& bins, std::size_t kind,
              const PlacingHabit& habit, std::size_t first) {
  struct Place {
    std::size_t bin = 0, free = 0;
    LyingSize size;
  };
  std::optional<Place> best;
  double least = std::numeric_limits<double>::infinity();
  // Of very many sheets the older ones are full.
  constexpr std::size_t kLooked = 300;
  if (bins.size() > 2 * kLooked) first = std::max(first, bins.size() - kLooked);
  for (std::size_t b = first; b < bins.size(); ++b)
    for (const LyingSize& size : job.sizes[bins[b].stock][kind])
      for (std::size_t f = 0; f < bins[b].free.size(); ++f) {
        const SheetPart& room = bins[b].parts[bins[b].free[f]];
        if (size.across > room.across || size.along > room.along) continue;
        const double score = scoreOf(job, bins[b], room, size, habit);
        if (score < least) {
          least = score;
          best = {b, f, size};
        }
      }
  if (!best) return false;
  place(job, bins[best->bin], best->free, kind, best->size, habit);
  return true;
}

}  // namespace drapery
