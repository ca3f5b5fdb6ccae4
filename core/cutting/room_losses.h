// What has to be lost in a room of any size, even if there were as many of each piece as one likes:
// what looks as if it left room for others may leave room for none.
#pragma once

#include <algorithm>
#include <cstdint>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class RoomLosses {
 public:
  /// Of the job's pieces in rooms as large as one of its stocks, and smaller ones; none where that
  /// cannot be reckoned, or `isOver` ended it.
  static std::optional<RoomLosses> reckon(const MaterialJob& job, std::size_t stock,
                                          const std::function<bool()>& isOver);

  /// Where a length is found, across or along.
  struct Length {
    double um = 0.0;  // at most the stock's
    std::size_t at = 0;
  };
  [[nodiscard]] Length acrossOf(Micrometres across) const {
    const double um = std::min(double(across), across_);
    const auto column = static_cast<std::size_t>((um + kHalf) * columnsPer_);
    return {um, std::min(column, columns_ - 1) * rows_};
  }
  [[nodiscard]] Length alongOf(Micrometres along) const {
    const double um = std::min(double(along), along_);
    const auto row = static_cast<std::size_t>((um + kHalf) * rowsPer_);
    return {um, std::min(row, rows_ - 1)};
  }
  /// At least so much, um2; lengths are enlarged by the kerf. Of a room that is larger than the
  /// stock as if it were as large.
  [[nodiscard]] double in(const Length& across, const Length& along) const {
    return std::max(0.0, across.um * along.um - most_[across.at + along.at] * unit_);
  }
  [[nodiscard]] double in(Micrometres across, Micrometres along) const {
    return in(acrossOf(across), alongOf(along));
  }

 private:
  static constexpr double kHalf = 0.5;       // um: lengths are whole
  double across_ = 0.0, along_ = 0.0;        // um
  double columnsPer_ = 0.0, rowsPer_ = 0.0;  // um
  std::size_t columns_ = 0, rows_ = 0;
  double unit_ = 0.0;                // um2
  std::vector<std::uint16_t> most_;  // that lies in a room: column after column
};

/// Of a material's stocks: reckoned when first asked for, and the same for all of one kerf and
/// grain.
class StockRoomLosses {
 public:
  /// None where there are none; they stay as long as this does.
  const RoomLosses* of(const MaterialJob& job, std::size_t stock,
                       const std::function<bool()>& isOver);

 private:
  struct Reckoned {
    CutStock stock;
    std::optional<RoomLosses> losses;
  };
  std::mutex mutex_;
  std::vector<std::unique_ptr<Reckoned>> all_;
};

/// Whether there are so many pieces of so many kinds to choose from that it is worth telling what
/// they must lose.
bool areLossesTold(std::size_t kinds, const MaterialJob& job);
/// Then a job's, else none.
const RoomLosses* lossesAmong(std::size_t kinds, const MaterialJob& job, std::size_t stock,
                              const std::function<bool()>& isOver);

}  // namespace drapery
