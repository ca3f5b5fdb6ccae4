#pragma once

namespace drapery {

inline constexpr double kHeaviest = 5000.0;  // g/m2, that any material may be said to weigh

/// What a paper or card for something weighs, g/m2 (ISO 536).
struct GrammageBand {
  double least = 0.0, most = 0.0;
  [[nodiscard]] bool holds(double grammage) const { return least <= grammage && grammage <= most; }
  friend bool operator==(const GrammageBand& a, const GrammageBand& b) = default;
};

}  // namespace drapery
