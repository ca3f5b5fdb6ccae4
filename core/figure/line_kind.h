// What a line of a drawing says; the painter decides how that looks.
#pragma once

namespace drapery {

enum class LineKind {
  Outline,    // of a thing that is there, closed
  Hidden,     // of one that is covered, or not measured yet
  Leaf,       // single leaves seen from an edge
  Section,    // a covering seen from its edge, `thickness` wide, open
  Cut,        // a cut inside a piece, or an edge seen as a line
  Fold,       // an edge to fold
  Crease,     // a line pressed in, to bend at
  Mark,       // drawn on the piece, neither cut nor folded
  Hole,       // closed
  Hatch,      // closed: an area that is glued, lapped or cut off
  Thread,     // wide, on top of what it is sewn through
  Break,      // where the drawing is broken off
  Grain,      // an arrow with two heads
  Dimension,  // a measuring line with ticks at both ends
  Extension   // thin, from the thing to its measuring line
};

/// Which way the paper goes at a fold, for who looks at it as it is drawn.
enum class Turns { Unsaid, Toward, Away };

}  // namespace drapery
