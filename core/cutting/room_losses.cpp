#include "core/cutting/room_losses.h"

#include <cmath>
#include <limits>
#include <numeric>

#include "core/cutting/plate_values.h"

namespace drapery {

std::optional<RoomLosses> RoomLosses::reckon(const MaterialJob& job, std::size_t stock,
                                             const std::function<bool()>& isOver) {
  constexpr double kMostWork = 1.2e8;       // some tenths of a second
  constexpr double kFine = 1e9;             // of the whole, in which it is reckoned
  constexpr std::size_t kMostSteps = 1500;  // each way
  using Kept = std::uint16_t;
  constexpr double kMostKept = std::numeric_limits<Kept>::max();
  PlateValues values(job, stock, PlateValues::Coarse::Down, kMostWork);
  if (!values.isUsable()) return std::nullopt;
  const UsableSize whole = values.usable();
  const double area = double(whole.across) * double(whole.along);
  std::vector<double> areas;
  for (const auto& sizes : job.sizes[stock])
    areas.push_back(sizes.empty() ? 0.0
                                  : double(sizes.front().across) * double(sizes.front().along) *
                                        kFine / area);
  if (values.ceiling(areas) + double(areas.size()) >
      double(std::numeric_limits<PlateValues::Worth>::max()))
    return std::nullopt;
  std::vector<PlateValues::Worth> worth;
  worth.reserve(areas.size());
  for (const double each : areas) worth.push_back(static_cast<PlateValues::Worth>(std::ceil(each)));
  Counts counts;
  if (!values.best(worth, 0.0, counts, isOver)) return std::nullopt;
  PlateValues::BySteps steps = values.bySteps(kMostSteps);
  RoomLosses losses;
  losses.across_ = double(whole.across);
  losses.along_ = double(whole.along);
  losses.columnsPer_ = steps.columnsPer;
  losses.rowsPer_ = steps.rowsPer;
  losses.columns_ = steps.columns;
  losses.rows_ = steps.rows;
  losses.unit_ = area / kMostKept;
  losses.most_.reserve(steps.worth.size());
  for (const PlateValues::Worth each : steps.worth)
    losses.most_.push_back(
        static_cast<Kept>(std::min(kMostKept, std::ceil(double(each) / kFine * kMostKept))));
  return losses;
}

const RoomLosses* StockRoomLosses::of(const MaterialJob& job, std::size_t stock,
                                      const std::function<bool()>& isOver) {
  const auto isLike = [&](const CutStock& a) {
    const CutStock& b = job.stock(stock);
    return a.kerf == b.kerf && a.grain == b.grain && a.pattern == b.pattern;
  };
  const std::lock_guard lock(mutex_);
  for (const auto& each : all_)
    if (isLike(each->stock)) return each->losses ? &*each->losses : nullptr;
  // The largest of them, so that the others have theirs too; but of what is used up nothing is
  // told.
  const auto isThere = [&](std::size_t s) {
    return std::any_of(job.sizes[s].begin(), job.sizes[s].end(),
                       [](const auto& ways) { return !ways.empty(); });
  };
  std::size_t largest = stock;
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    if (isLike(job.stock(s)) && isThere(s) && roomOf(job.stock(s)) > roomOf(job.stock(largest)))
      largest = s;
  auto losses = RoomLosses::reckon(job, largest, isOver);
  if (!losses && isOver()) return nullptr;
  all_.push_back(std::make_unique<Reckoned>(Reckoned{job.stock(largest), std::move(losses)}));
  return all_.back()->losses ? &*all_.back()->losses : nullptr;
}

bool areLossesTold(std::size_t kinds, const MaterialJob& job) {
  constexpr std::size_t kManyKinds = 12;
  constexpr int kManyPieces = 150;
  return job.roomLosses && kinds >= kManyKinds &&
         std::accumulate(job.counts.begin(), job.counts.end(), 0) >= kManyPieces;
}

const RoomLosses* lossesAmong(std::size_t kinds, const MaterialJob& job, std::size_t stock,
                              const std::function<bool()>& isOver) {
  if (!areLossesTold(kinds, job)) return nullptr;
  return job.roomLosses->of(job, stock, isOver);
}

}  // namespace drapery
