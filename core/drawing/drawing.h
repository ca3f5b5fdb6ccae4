// A drawing: shapes in mm, each with what its line is, what it is made of, its layer and what it
// stands for; and the spots where measures hang. Knows nothing of screens and pages.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/figure/line_kind.h"
#include "core/geometry/outline.h"
#include "core/quantity/units.h"
#include "core/rules/rule_words.h"
#include "core/rules/section/view.h"
#include "core/rules/subject.h"

namespace drapery {

/// What lies inside an outline.
enum class Matter { None, Leaves, Board, Card, Cloth, Paper, Rod, Waste };

/// What belongs together where layers can be switched off.
enum class Layer {
  Book,    // what is there before anything is cut
  Pieces,  // what is cut
  Work,    // what is done to a piece: cuts, folds, holes, thread
  Grain,
  Measures  // measuring lines
};

struct Shape {
  LineKind line = LineKind::Outline;
  Matter matter = Matter::None;
  Layer layer = Layer::Book;
  Subject subject;  // may be none
  std::vector<Point> points;
  bool isClosed = false;
  double thickness = 0.0;       // Section: mm
  Turns turns = Turns::Unsaid;  // Fold, Crease
  friend bool operator==(const Shape& a, const Shape& b) = default;
};

/// In the layer where such a line usually lies.
Shape openShape(LineKind line, std::vector<Point> points, Subject subject);
/// An outline filled with what it is made of: leaves and rods are of the book, all else is cut.
Shape closedShape(LineKind line, Matter matter, std::vector<Point> points, Subject subject);
/// The same, dashed while `isKnown` does not hold.
Shape closedShape(bool isKnown, Matter matter, std::vector<Point> points, Subject subject);

/// A thin piece cut through, along its middle: its thickness in mm.
Shape sectionShape(Matter matter, double thickness, std::vector<Point> points, Subject subject);

/// What a piece's material ("cloth", "mull", "card") is drawn as; a board where it is none of the
/// soft ones.
Matter matterOf(std::string_view material);

/// Where a tag hangs: of a value, a reading of one, or a job's field.
struct TagSpot {
  Subject subject;
  Point anchor;
  Side side = Side::Above;
  Point from = {}, to = {};  // its measuring line; alike where it has none
};

/// A word in the drawing. Only an id here: the words stand at the edge, where they are translated.
/// `Over` keeps the lines under it away.
enum class LabelSide { On, Over, Above, Before };
/// The label of the block's face.
inline constexpr const char* kFaceLabel = "view.face";

struct DrawingLabel {
  std::string id;  // "view.head"; empty: words of the rule file
  Point at;        // its middle, or what it stands above or ends at
  LabelSide side = LabelSide::On;
  LocalText words = {};
  /// Words with figures, in place of the words: how they are written is settled at the edge.
  const RuleWords* says = nullptr;
  std::vector<Amount> figures = {};
};

/// How a thing that turns is held.
struct Pose {
  double turn = -1.0;   // degrees from shut, 0 to 180, or 360 where it goes right round; below 0
                        // as it is shown at first
  bool isBoth = false;  // the cover on the other side with it
  friend bool operator==(const Pose& a, const Pose& b) {
    return a.turn == b.turn && a.isBoth == b.isBoth;
  }
};

/// What is taken hold of, for its words: a cover; one that goes right round; the folds of a strip;
/// the jaws of a spring; sides that go down round the leaves and lift again.
enum class Turning { Cover, RightRound, Folds, Spring, Round };

/// Where it is taken hold of, and what it turns about; as far as it goes. An arm from the one to
/// the other stands at `from` degrees when it is shut, and moves by `per` of them for each degree.
struct Grip {
  Point hinge, at;
  double turn = 0.0, most = 180.0;  // degrees from shut
  Turning turning = Turning::Cover;
  double whole = 180.0;  // as far as it could go
  double from = 0.0, per = 1.0;
  bool hasOther = false;           // whether another cover can be shown with it
  double low = 0.0, high = 360.0;  // as far as it can be pulled from where it is
};

struct Drawing {
  std::string id;  // "block", "joint", "flat-case"
  std::vector<Shape> shapes;
  std::vector<TagSpot> tags;  // in the order of the work
  std::vector<DrawingLabel> labels;
  std::optional<Box> window;  // what is seen of it; none: all
  std::optional<Grip> grip;   // of what can be turned
  bool isToScale = true;
};

/// The smallest box around all shapes; zero for none.
Box boundsOf(const Drawing& drawing);
/// The window, or the box around all.
Box seenOf(const Drawing& drawing);

}  // namespace drapery
