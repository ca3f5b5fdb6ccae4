// Boxes one behind the other along a strip so that hardly anything of it is left: of those that
// reach about as far, the few that lose least are gone on from.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <vector>

#include "core/cutting/cut_problem.h"
#include "core/cutting/packed_counts.h"

namespace drapery {

class EndToEnd {
 public:
  struct Part {
    PackedCounts taken;
    Micrometres length = 0;
    double lost = 0.0;  // of the strip, as far as it reaches, um2
  };
  struct Strip {
    double lost = 0.0;  // with what is left at its end, um2
    PackedCounts taken;
    std::vector<std::uint32_t> parts;  // of those given, each as often as it lies there
  };

  /// @param parts what loses least for its length comes first. @param high the strip, um.
  /// @param lacking of what there is.
  /// @returns the one that loses least; none where each loses `mostLost` or more, um2.
  std::optional<Strip> best(const std::vector<Part>& parts, Micrometres length, Micrometres high,
                            const PackedCounts& lacking, double mostLost);

 private:
  static constexpr std::size_t kCells = 1000, kInACell = 4;
  struct Begun {
    PackedCounts taken;
    Micrometres length = 0;
    double lost = 0.0;
    std::uint32_t step = 0;  // the last of them
  };
  struct Step {
    std::uint32_t before = 0, part = 0;
  };
  /// Which reach about as far.
  struct Cell {
    std::size_t count = 0;
    std::array<std::uint32_t, kInACell> begun{};
  };
  /// In the place of that which loses most, where the cell is full.
  void put(const Begun& more, std::uint32_t part, Cell& cell);

  std::vector<Begun> begun_;
  std::vector<Cell> cells_;
  std::vector<Step> steps_;
};

}  // namespace drapery
