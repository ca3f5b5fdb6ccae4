// What pieces are worth at some prices, and what nothing that lies in a box of a stock is worth
// more than.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <limits>
#include <vector>

#include "core/cutting/cut_problem.h"

namespace drapery {

/// At each of so many prices, which say different things.
inline constexpr std::size_t kPrices = 7;
using Worths = std::array<double, kPrices>;

/// Nothing that lies end to end within a length is worth more, for each um that it is wide.
struct SliceTable {
  std::uint32_t step = std::numeric_limits<std::uint32_t>::max();  // um
  std::vector<Worths> most{Worths{}};                              // by length in steps
  /// @param length no longer than it was reckoned for.
  [[nodiscard]] const Worths& of(Micrometres length) const {
    return most[static_cast<std::uint32_t>(length) / step];
  }
};

/// Of one stock: some prices are bounded by what lies end to end along it, the others by what lies
/// side by side across it; either table has nothing of the other's.
struct BoxWorths {
  SliceTable along, across;
  [[nodiscard]] bool isAnyAcross() const { return across.most.size() > 1; }
  [[nodiscard]] Worths most(Micrometres wide, Micrometres tall) const {
    const Worths& above = along.of(tall);
    const Worths& beside = across.of(wide);
    Worths most;
    for (std::size_t which = 0; which < kPrices; ++which)
      most[which] = double(wide) * above[which] + double(tall) * beside[which];
    return most;
  }
};

struct PiecePrices {
  std::vector<Worths> kinds;
  std::vector<BoxWorths> stocks;  // of the job
};

/// What pieces hold, or what is lost of a box: of its area, and at each price.
struct Measures {
  double area = 0.0;  // um2
  Worths worths{};
  Measures& operator+=(const Measures& other) {
    area += other.area;
    for (std::size_t which = 0; which < kPrices; ++which) worths[which] += other.worths[which];
    return *this;
  }
  friend Measures operator-(Measures a, const Measures& b) {
    a.area -= b.area;
    for (std::size_t which = 0; which < kPrices; ++which) a.worths[which] -= b.worths[which];
    return a;
  }
  /// Whether any of it is more than that.
  [[nodiscard]] bool isOver(const Measures& most) const {
    bool isOver = area > most.area;
    for (std::size_t which = 0; which < kPrices; ++which)
      isOver = isOver || worths[which] > most.worths[which];
    return isOver;
  }
};

}  // namespace drapery
