// A piece that is printed on, on one book: its panels with their places.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/plan/plan.h"

namespace drapery {

struct Artwork {
  struct Panel {
    const ArtworkPanel* rule = nullptr;
    double left = 0.0, width = 0.0;  // mm, exact
    [[nodiscard]] double right() const { return left + width; }
  };

  const ArtworkRule* rule = nullptr;
  double height = 0.0, bleed = 0.0, clear = 0.0;  // mm, exact
  std::vector<Panel> panels;                      // from the left, outside up

  [[nodiscard]] double width() const { return panels.back().right(); }
  /// Between panels, from the left edge.
  [[nodiscard]] std::vector<double> folds() const;
  [[nodiscard]] const Panel* panel(std::string_view id) const;
  /// How far the folds read from the right are from mirroring those read from the left: the most, 0
  /// for a piece that is alike on both sides, mm.
  [[nodiscard]] double closes() const;
};

/// None where it has no place on this book, a figure of it is missing or one not above 0.
std::optional<Artwork> artworkOn(const ArtworkRule& rule, const Plan& plan);
/// What of it has no size above 0 on this book, where that is why there is none; empty else.
std::string sizelessOf(const ArtworkRule& rule, const Plan& plan);
std::vector<Artwork> artworksOn(const Plan& plan);

}  // namespace drapery
