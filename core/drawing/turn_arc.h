// The arc that tells how far a cover is turned.
#pragma once

#include "core/drawing/figure.h"

namespace drapery {

struct TurnArc {
  Point hinge;
  double radius = 0.0;                // mm
  double start = 0.0, whole = 180.0;  // degrees: where it begins, and how far it goes round
  [[nodiscard]] Point at(double degrees, double part = 1.0) const;
};

/// Thin, with a mark at each 30 degrees: all that the cover can reach, so that the drawing keeps
/// its place however it is turned.
void addTurnArc(Sketch& sketch, const TurnArc& arc);
/// The heavier mark where it goes no further.
void addStop(Sketch& sketch, const TurnArc& arc, double degrees);

/// Room for all that is ever drawn there, so that nothing else moves.
void keepRoom(Sketch& sketch, const std::vector<Point>& reached);

}  // namespace drapery
