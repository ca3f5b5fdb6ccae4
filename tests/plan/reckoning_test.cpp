// A second reckoning of every case to hold the rule files against: five schools, three shapes of
// spine. Sources: radius and angle of a circular segment from its chord and height, and right
// triangles for the joint (plane geometry); what is added for squares, margins, trims and turn-ins
// is common practice. The path under the rod is held against the convex hull in tests/geometry.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/geometry/joint.h"
#include "tests/support/books.h"

namespace drapery {
namespace {

using test::anyJob;
using test::kSchools;
using test::planOf;

const double kNone = std::nan("");

/// Radius and half angle of a segment, by the textbook.
double arcOver(double span, double depth) {
  if (depth == 0) return span;
  const double radius = (span * span / 4 + depth * depth) / (2 * depth);
  return radius * 2 * std::atan2(span / 2, radius - depth);
}

double linedOver(double span, double depth, double lining) {
  return arcOver(span, depth) + 4 * std::atan(2 * depth / span) * lining;
}

class Reckoning {
 public:
  explicit Reckoning(const Plan& plan) : plan_(plan) {}

  void check() {
    spine();
    heights();
    joint();
    if (plan_.number("setback")) {
      boards();
      trial();
      pieces();
      jacket();
    }
  }

 private:
  double in(const std::string& name) const { return plan_.number(name).value_or(kNone); }
  bool is(const char* choice, const char* option) const { return plan_.choice(choice) == option; }
  bool isSaid(const char* name) const { return plan_.entered[*plan_.rules->find(name)]; }
  bool school(const char* id) const { return plan_.rules->id == id; }

  /// Where the handbook has no figure the plan must have none.
  void same(const char* name, double expected) const {
    const double value = in(name);
    const bool agrees = std::isnan(expected) ? std::isnan(value)
                                             : std::abs(value - expected) <=
                                                   1e-8 * std::max(1.0, std::abs(expected));
    if (!agrees)
      RC_FAIL(std::string(name) + " is " + std::to_string(value) + ", by hand " +
              std::to_string(expected));
  }

  void spine() {
    flat_ = is("spine_shape", "flat");
    backed_ = is("spine_shape", "backed");
    b_ = in("board_thickness");
    c_ = in("covering_thickness");
    shoulder_ = !backed_                    ? 0
                : isSaid("shoulder_height") ? in("shoulder_height")
                                            : in("shoulder_ratio") * b_;
    same("shoulder_height", shoulder_);
    const double thick = in("spine_thickness"), body = in("text_thickness");
    double span = flat_ ? thick : backed_ ? body + 2 * shoulder_ : thick;
    if (!flat_ && isSaid("spine_span")) span = in("spine_span");
    same("spine_span", span);
    const double half = M_PI * in("round_fraction");  // half the arc's angle
    const double lining = in("spine_lining"), strip = in("spine_arc_measured");
    const bool stripCounts = !flat_ && isSaid("spine_arc_measured") && strip > span &&
                             strip <= M_PI * (span / 2 + lining);
    depth_ = flat_                   ? 0
             : isSaid("round_depth") ? in("round_depth")
                                     : span / 2 * (1 - std::cos(half)) / std::sin(half);
    if (stripCounts && !isSaid("round_depth") && !isSaid("round_fraction")) {
      // The strip alone tells the round: its lined arc is the strip's.
      depth_ = in("round_depth");
      RC_ASSERT(std::abs(linedOver(span, depth_, lining) - strip) < 1e-7 * strip);
    }
    same("round_depth", depth_);
    const bool tooDeep = depth_ > span / 2 * (1 + 1e-12);
    arc_ = tooDeep ? kNone : arcOver(span, depth_);
    same("spine_arc", arc_);
    const double lined = tooDeep ? kNone : linedOver(span, depth_, lining);
    const double flush = is("stiffener_school", "flush") ? 2 * b_ : 0;
    w_ = flat_ ? thick + flush : stripCounts ? strip : lined;
    t_ = flat_ ? in("stiffener_thickness") : 0;
    e_ = flat_ ? (w_ - thick) / 2 : backed_ ? shoulder_ : 0;
    if (school("case-strip-set")) {
      w_ = t_ = 0;
      e_ = shoulder_;
    }
    same("stiffener_width", w_);
    same("edge_height", e_);
  }

  void heights() {
    height_ = in("text_height") - in("trim_head") - in("trim_tail") + in("square_head") +
              in("square_tail");
    same("board_height", height_);
    same("stiffener_height", height_);
    same("covering_height", height_ + in("margin_head") + in("margin_tail"));
    const double k =
        std::max({in("corner_ratio") * b_, (b_ + 2 * c_) / std::sqrt(2.0), in("corner_least")});
    same("corner_distance", k);
    same("corner_leg", in("margin_head") + in("margin_fore_edge") - k * std::sqrt(2.0));
    if (!isSaid("jacket_height_measured") || is("jacket_follows", "case"))
      same("jacket_height", height_ - in("jacket_clearance"));
  }

  void joint() {
    j_ = in("setback");
    if (school("case-board-gap")) same("joint_gap", in("gap_ratio") * b_);
    const double gap = in("joint_gap"), rod = in("rod_diameter");
    const bool noGroove = noGroove_ = school("case-board-gap") || school("case-card") ||
                                      (school("case-fixed-gap") && gap < t_ + e_ + b_ - 1e-9);
    if (noGroove) {
      const double rise = b_ - e_, run = gap * gap - rise * rise;
      same("setback", run < -1e-9 ? kNone : std::sqrt(std::max(0.0, run)) - t_);
    }
    if (std::isnan(j_)) return;
    // The rod's path has its own check (tests/geometry); here it stands as it is.
    const Joint joint{Length::fromMm(j_), Length::fromMm(e_), Length::fromMm(b_),
                      Length::fromMm(t_)};
    const double formed = gapFormed(joint, Length::fromMm(rod)).mm();
    same("gap_taut", std::hypot(j_ + t_, b_ - e_));
    same("gap_to_open", std::hypot(j_ - t_, b_ + e_));
    same("gap_formed", formed);
    same("gap_pressed", j_ < 0 ? kNone : t_ + std::abs(e_) + j_ + b_);
    if (school("case-sunk-joint")) same("joint_gap", formed);
    if (school("case-fixed-gap") && !noGroove)
      RC_ASSERT(std::abs(formed - gap) < 1e-6 * std::max(1.0, gap));  // run backwards
    if (school("case-strip-set")) {
      const double taut = std::hypot(j_, b_ - e_);
      const double between = isSaid("board_to_board_measured")
                                 ? in("board_to_board_measured") + 2 * (formed - taut)
                                 : arc_ + 2 * formed;
      same("board_to_board", between);
      same("joint_gap", (between - arc_) / 2);
    }
  }

  void boards() {
    boardWidth_ = in("text_width") - in("trim_fore_edge") - j_ + in("square_fore_edge");
    same("board_width", boardWidth_);
    const double between =
        school("case-strip-set") ? in("board_to_board") : 2 * in("joint_gap") + w_;
    same("case_width", 2 * boardWidth_ + between);
    same("covering_width", 2 * boardWidth_ + between + 2 * in("margin_fore_edge"));
  }

  /// To a whole number of marks; half way goes up, and dust costs no mark.
  static double nearest(double length, double mark) {
    return std::floor(length / mark + 0.5 + 1e-6) * mark;
  }
  static double above(double length, double mark) { return std::ceil(length / mark - 1e-6) * mark; }

  /// The case laid on the book again, as it is cut and marked.
  void trial() {
    const double mark = plan_.resolution.mm(), gap = in("joint_gap");
    const double floor = noGroove_ ? std::abs(b_ - e_) : t_ + e_ + b_;
    const double marked = std::max(nearest(gap, mark), above(floor, mark));
    same("joint_gap_cut", marked);
    const double card = in("stiffener.cut_width");
    const bool isStrip = school("case-strip-set");
    const double edge = flat_ && !isStrip ? (card - in("spine_thickness")) / 2 : e_;
    const double tried = flat_ || isStrip ? marked : marked + (card - w_) / 2;
    same("gap_tried", tried);
    const double rise = b_ - edge;
    if (std::isnan(tried)) {
      same("setback_tried", kNone);
    } else if (noGroove_) {
      const double straight = std::max(tried, std::abs(rise));
      same("setback_tried", std::min(j_, std::sqrt(straight * straight - rise * rise) - t_));
    } else if (std::abs(tried - (t_ + std::abs(edge) + b_)) < 1e-9) {
      return;  // on the edge: dust decides
    } else if (tried < t_ + std::abs(edge) + b_) {
      same("setback_tried", kNone);
    } else {
      const Joint joint{Length::fromMm(in("setback_tried")), Length::fromMm(edge),
                        Length::fromMm(b_), Length::fromMm(t_)};
      const double formed = gapFormed(joint, Length::fromMm(in("rod_diameter"))).mm();
      if (!(std::abs(formed - tried) < 1e-6 * std::max(1.0, tried)))
        RC_FAIL("formed " + std::to_string(formed) + " for " + std::to_string(tried) + " at " +
                std::to_string(in("setback_tried")) + ", edge " + std::to_string(edge) +
                ", board " + std::to_string(b_) + ", stiffener " + std::to_string(t_));
    }
    const double width = in("text_width") - in("trim_fore_edge");
    same("square_fore_edge_tried", in("setback_tried") + in("board.cut_width") - width);
    const double low = (in("board.cut_height") - height_) / 2;
    same("square_head_tried", in("square_head") + low);
    same("square_tail_tried", in("square_tail") + low);
  }

  void pieces() {
    const bool isHalf = is("covering_style", "half");
    if (isHalf || is("covering_style", "quarter")) {
      const double share =
          in("shown_share") * (isHalf ? std::min(boardWidth_, height_) : boardWidth_);
      const double lap = in("side_lap");
      const double between =
          school("case-strip-set") ? in("board_to_board") : w_ + 2 * in("joint_gap");
      const double shown =
          isSaid("spine_cloth_strip") ? (in("spine_cloth_strip") - between) / 2 - lap : share;
      same("cloth_shown", shown);
      same("cloth_on_board", shown + lap);
      same("spine_cloth_width", between + 2 * (shown + lap));
      same("side_width", boardWidth_ - shown + in("margin_fore_edge"));
      if (isHalf)
        same("corner_piece_side",
             (shown + lap) * std::sqrt(2.0) + in("margin_fore_edge") + in("margin_tail"));
    }
    const bool isBefore = is("endpapers_go_on", "before_trimming");
    const double trimmed = in("text_width") - in("trim_fore_edge");
    same("endpaper_width", 2 * (isBefore ? in("text_width") + shoulder_ : trimmed));
    if (!flat_) {
      const double lined = in("spine_arc_lined");
      same("mull_trimmed", lined + 2 * in("mull_trim"));
      same("mull_width", lined + 2 * in("mull_reach"));
    }
    if (!isSaid("mull_trim"))
      same("mull_trim", std::min(in("mull_usual"), in("lining_share") * trimmed));
  }

  void jacket() {
    const auto orMeasured = [&](const char* measured, double reckoned) {
      return isSaid(measured) && is("jacket_follows", "measured") ? in(measured) : reckoned;
    };
    const double cover = orMeasured("jacket_cover_measured", t_ + j_ + boardWidth_ + b_ + 2 * c_);
    same("jacket_cover", cover);
    const double body = in("text_thickness"), thick = in("spine_thickness");
    const double across = backed_ ? std::max(body + 2 * b_, in("spine_span")) : thick + 2 * b_;
    const double outside = across + 2 * c_;
    const double spine =
        orMeasured("jacket_spine_measured",
                   depth_ > outside / 2 * (1 + 1e-12) ? kNone : arcOver(outside, depth_));
    same("jacket_spine", spine);
    const double held =
        std::max(in("flap_min"), std::min(in("flap_max"), in("flap_ratio") * cover));
    double flap = orMeasured("jacket_flap_measured", std::min(cover - in("flap_rest"), held));
    const double room = (in("jacket_sheet") - 2 * in("jacket_bleed") - 2 * cover - spine) / 2;
    if (isSaid("jacket_sheet")) flap = std::isnan(room) ? kNone : std::min(flap, room);
    same("jacket_flap", flap);
    same("jacket_width", 2 * (flap + cover) + spine);
  }

  const Plan& plan_;
  bool flat_ = true, backed_ = false, noGroove_ = false;
  double b_ = 0, c_ = 0, t_ = 0, e_ = 0, j_ = 0;  // board, covering, stiffener, edge, set-back
  double w_ = 0, arc_ = 0, depth_ = 0, shoulder_ = 0, height_ = 0, boardWidth_ = 0;
};

RC_GTEST_PROP(AnyBook, agreesWithASecondReckoning, ()) {
  const auto outcome = planOf(*anyJob(*rc::gen::elementOf(kSchools)));
  // A usual value that comes out of its range is refused.
  RC_PRE(outcome.issues.empty());
  Reckoning(outcome.plan).check();
}

}  // namespace
}  // namespace drapery
