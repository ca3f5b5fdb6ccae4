// A drawing: shapes in mm with roles, and the spots where measures hang. Knows nothing of screens.
#pragma once

#include <string>
#include <vector>

#include "core/geometry/outline.h"
#include "core/rules/section/view.h"

namespace drapery {

/// What a shape is; the painter decides how that looks.
enum class Role {
  Leaves,     // the text block, closed
  LeafEdge,   // single leaves seen from an edge
  Board,      // closed, hatched
  Stiffener,  // closed, hatched
  Cloth,      // closed, lying flat
  Paper,      // closed, lying flat
  ClothPath,  // open, the covering seen from its edge; `thickness` wide
  Rod,        // closed
  Break,      // where the drawing is broken off
  Hidden,     // dashed: the book under the board, or what is not yet measured
  Fold,       // dash-dot-dot
  Dimension,  // a measuring line with ticks at both ends
  Slit,       // a cut inside a piece
  Cut,        // an edge seen as a line
  Extension,  // thin, from the thing to its measuring line
  Grain,      // an arrow with two heads
  Hole,       // closed
  Thread,     // wide, on top of what it is sewn through
};

struct Shape {
  Role role = Role::Leaves;
  std::vector<Point> points;
  bool isClosed = false;
  std::string subject;     // the part or value it shows: "board", "setback"; may be empty
  double thickness = 0.0;  // ClothPath: mm
};

/// Where the tag of a value hangs.
struct TagSpot {
  std::string value;  // a node's name, or "method"
  Point anchor;
  Side side = Side::Above;
};

/// A word in the drawing. Only an id here: the words stand at the edge, where they are translated.
struct DrawingLabel {
  std::string id;  // "view.head"
  Point at;        // its middle, or what it stands above
  bool isAbove = false;
};

struct Drawing {
  std::string id;  // "block", "joint", "flat-case"
  std::vector<Shape> shapes;
  std::vector<TagSpot> tags;  // in the order of the work
  std::vector<DrawingLabel> labels;
};

/// The smallest box around all shapes; zero for none.
Box boundsOf(const Drawing& drawing);

}  // namespace drapery
