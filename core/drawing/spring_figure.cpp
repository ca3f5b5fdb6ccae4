#include <algorithm>
#include <cmath>
#include <numbers>
#include <utility>

#include "core/drawing/turn_arc.h"
#include "core/geometry/arc.h"

namespace drapery {

namespace {

constexpr int kLeafLines = 9;
constexpr double kSprung = 35.0;  // degrees that each jaw is drawn aside when it is sprung open

/// The spring on its spine, cut through at the head: leaves, levers, split boards, the spring with
/// its lining, and the cloth over all. Sprung open its jaws stand off the levers.
class Spring {
 public:
  explicit Spring(const FigureSource& source)
      : source_(source),
        thick_(source.number("thickness")),
        depth_(source.numberOr("depth", 0.0)),
        span_(depth_ > 0.0 ? source.numberOr("span", thick_) : source.numberOr("spine", thick_)),
        board_(source.numberOr("board", 2.0)),
        split_(source.numberOr("split", board_)),
        spring_(source.numberOr("spring", 1.5)),
        liner_(source.numberOr("liner", 0.3)),
        grip_(source.number("grip")),
        standoff_(source.numberOr("standoff", 1.0)),
        setback_(source.numberOr("setback", grip_)),
        lever_(source.number("lever")),
        pocket_(source.numberOr("pocket", 0.0)),
        covering_(source.numberOr("covering", 0.4)) {
    leverThick_ = source.numberOr("lever_thickness", 1.0);
    away_ = 1.15 * std::max(lever_, setback_ + pocket_);
  }

  Sketch draw() {
    if (!(thick_ > 0.0) || !(grip_ > 0.0) || !(lever_ > 0.0)) return {};
    const double turn = std::min(source_.turn(0.0), 180.0);
    jaw_ = kSprung * turn / 180.0 * std::numbers::pi / 180.0;
    addBlock();
    for (const double side : {1.0, -1.0}) {
      addClothing(side);
      addLever(side);
      addBoard(side);
    }
    addSpring();
    addCovering();
    addSpots(turn);
    return std::move(sketch_);
  }

 private:
  [[nodiscard]] std::vector<Point> arcOff(double by) const {
    std::vector<Point> arc =
        arcPointsOff(Length::fromMm(span_), Length::fromMm(depth_), Length::fromMm(by));
    if (arc.empty()) arc = {{-by, span_ / 2}, {-by, -span_ / 2}};
    return arc;
  }

  void addBlock() {
    const Subject block = source_.subject("block");
    std::vector<Point> outline = arcOff(0);
    outline.push_back({away_, -thick_ / 2});
    outline.push_back({away_, thick_ / 2});
    sketch_.add(closedShape(LineKind::Outline, Matter::Leaves, std::move(outline), block));
    for (int i = 1; i < kLeafLines; ++i) {
      const double f = static_cast<double>(i) / kLeafLines - 0.5;
      sketch_.add(openShape(LineKind::Leaf, {{0, f * span_}, {away_, f * thick_}}, block));
    }
  }

  [[nodiscard]] static Shape band(double left, double right, double from, double to, double side,
                                  Matter matter, Subject subject) {
    const double a = side * from, b = side * to;
    return closedShape(LineKind::Outline, matter,
                       rectangle(left, std::min(a, b), right, std::max(a, b)), std::move(subject));
  }

  /// From the spine onto the lever, ending short of its edge.
  void addClothing(double side) {
    const double end = lever_ - source_.numberOr("short", 0.0), y = side * (thick_ / 2);
    std::vector<Point> path = arcOff(0.3);
    std::vector<Point> half(path.begin(), path.begin() + static_cast<long>(path.size() / 2 + 1));
    if (side < 0.0)
      for (Point& p : half) p.y = -p.y;
    half.insert(half.begin(), {end, y});
    sketch_.add(openShape(LineKind::Fold, std::move(half), source_.subject("clothing")));
  }

  void addLever(double side) {
    const double from = thick_ / 2;
    sketch_.add(band(source_.numberOr("card_gap", 0.0), lever_, from, from + leverThick_, side,
                     Matter::Card, source_.subject("lever")));
  }

  /// Two leaves, the lever between them as deep as it goes in; beyond the pocket they are one.
  void addBoard(double side) {
    const double inner = thick_ / 2 - split_ < 0 ? 0.0 : thick_ / 2;
    const Subject board = source_.subject("board");
    const double top = inner + leverThick_;
    sketch_.add(band(setback_, away_, top, top + board_, side, Matter::Board, board));
    const double pocketEnd = setback_ + pocket_;
    sketch_.add(openShape(LineKind::Hidden,
                          {{pocketEnd, side * inner}, {pocketEnd, side * (top + board_)}}, board));
  }

  /// From one lip over the spine to the other; sprung open it bends evenly about the middle of its
  /// back.
  [[nodiscard]] std::vector<Point> jawPath(double off, double beyond) const {
    const std::vector<Point> arc = arcOff(off);
    std::vector<Point> path{{grip_ + beyond, arc.front().y}};
    path.insert(path.end(), arc.begin(), arc.end());
    path.push_back({grip_ + beyond, arc.back().y});
    if (jaw_ <= 0.0) return path;
    if (const std::size_t half = path.size() / 2; path.size() % 2 == 0)
      path.insert(path.begin() + static_cast<std::ptrdiff_t>(half),
                  {(path[half - 1].x + path[half].x) / 2, (path[half - 1].y + path[half].y) / 2});
    const std::vector<Point> lower(path.rbegin(), path.rend());
    const std::vector<Point> up = opened(path), down = opened(lower);
    std::vector<Point> whole(up.begin(), up.end());
    whole.insert(whole.end(), down.rbegin() + 1, down.rend());
    return whole;
  }

  /// The half from a lip to the middle of the back, each piece turned aside the more the nearer it
  /// lies to the lip.
  [[nodiscard]] std::vector<Point> opened(const std::vector<Point>& path) const {
    const std::size_t middle = path.size() / 2;
    double all = 0.0, far = 0.0;
    for (std::size_t i = middle; i-- > 0;)
      all += std::hypot(path[i].x - path[i + 1].x, path[i].y - path[i + 1].y);
    const double side = path.front().y > 0.0 ? 1.0 : -1.0;
    std::vector<Point> half{path[middle]};
    for (std::size_t i = middle; i-- > 0;) {
      const double x = path[i].x - path[i + 1].x, y = path[i].y - path[i + 1].y;
      const double piece = std::hypot(x, y), a = side * jaw_ * (far + piece / 2) / all;
      far += piece;
      const Point& last = half.back();
      half.push_back(
          {last.x + x * std::cos(a) - y * std::sin(a), last.y + x * std::sin(a) + y * std::cos(a)});
    }
    return {half.rbegin(), half.rend()};
  }

  [[nodiscard]] double springOff() const { return std::max(standoff_, leverThick_) + spring_ / 2; }

  /// The way of the upper lip, and room for all that the spring ever reaches.
  void addSweep() {
    constexpr int kSteps = 24;
    const double now = jaw_, over = springOff() + spring_ + liner_ + covering_;
    std::vector<Point> lip, reached;
    for (int i = 0; i <= kSteps; ++i) {
      jaw_ = kSprung * std::numbers::pi / 180.0 * i / kSteps;
      const std::vector<Point> path = jawPath(over, 0.0);
      lip.push_back(path.front());
      reached.insert(reached.end(), path.begin(), path.end());
    }
    jaw_ = now;
    sketch_.add(openShape(LineKind::Extension, std::move(lip), {}));
    keepRoom(sketch_, reached);
  }

  void addSpring() {
    addSweep();
    lips_ = jawPath(springOff(), 0.0);
    sketch_.add(sectionShape(Matter::Board, spring_, lips_, source_.subject("spring")));
    sketch_.add(sectionShape(Matter::Paper, std::max(liner_, 0.15),
                             jawPath(springOff() + (spring_ + liner_) / 2, 0.0),
                             source_.subject("liner")));
  }

  /// Over one board, into the joint, over the spring, and the same on the other side; dashed
  /// while the spring is not on its levers.
  void addCovering() {
    const double jaw = std::exchange(jaw_, 0.0);
    const double over = springOff() + spring_ / 2 + liner_ + covering_ / 2;
    const double face = thick_ / 2 + leverThick_ + board_ + covering_ / 2;
    const double foot = thick_ / 2 + leverThick_ + covering_ / 2;
    std::vector<Point> path{
        {away_, face}, {setback_, face}, {setback_ - covering_, foot}, {grip_ + covering_, foot}};
    std::vector<Point> round = jawPath(over, 0.0);
    path.insert(path.end(), round.begin(), round.end());
    for (std::size_t i = 4; i-- > 0;) path.push_back({path[i].x, -path[i].y});
    jaw_ = jaw;
    const Subject covering = source_.subject("covering");
    sketch_.add(jaw_ > 0.0 ? openShape(LineKind::Hidden, std::move(path), covering)
                           : sectionShape(Matter::Cloth, covering_, std::move(path), covering));
  }

  /// Degrees of the arm from the middle of the back to the upper lip.
  [[nodiscard]] double armAt(double jaw) {
    const double now = std::exchange(jaw_, jaw);
    const Point lip = jawPath(springOff(), 0.0).front();
    jaw_ = now;
    return std::atan2(lip.y, lip.x + depth_ + springOff()) * 180.0 / std::numbers::pi;
  }

  void addSpots(double turn) {
    const Point back{-depth_ - springOff(), 0};
    const double shut = armAt(0.0), open = armAt(kSprung * std::numbers::pi / 180.0);
    sketch_.grip =
        Grip{back, lips_.front(), turn, 180.0, Turning::Spring, 180.0, shut, (open - shut) / 180.0};
    const double high = thick_ / 2 + leverThick_ + board_;
    const double above = high + covering_ + 0.12 * thick_, below = -above;
    sketch_.line("grip", {0, above}, {grip_, above},
                 {{{0, thick_ / 2}, {0, above}}, {{grip_, high}, {grip_, above}}});
    sketch_.line("setback", {0, below}, {setback_, below},
                 {{{0, -thick_ / 2}, {0, below}}, {{setback_, -high}, {setback_, below}}});
    const double lower = below - 0.1 * thick_;
    sketch_.line("lever", {0, lower}, {lever_, lower},
                 {{{0, below}, {0, lower}}, {{lever_, -thick_ / 2}, {lever_, lower}}});
    sketch_.line("pocket", {setback_, above}, {setback_ + pocket_, above},
                 {{{setback_, high}, {setback_, above}},
                  {{setback_ + pocket_, high}, {setback_ + pocket_, above}}});
    if (lever_ > setback_)
      sketch_.line("in_pocket", {setback_, lower - 0.1 * thick_}, {lever_, lower - 0.1 * thick_},
                   {{{lever_, lower}, {lever_, lower - 0.1 * thick_}},
                    {{setback_, below}, {setback_, lower - 0.1 * thick_}}});
    // Where it stood while the jaws are aside: nothing jumps, a tag hangs still.
    sketch_.point("spring", back);
    sketch_.point("standoff", {-depth_ / 2 - standoff_ / 2, -span_ / 4});
    sketch_.point("board", {away_, high - board_ / 2});
    sketch_.point("joint", {(grip_ + setback_) / 2, thick_ / 2 + leverThick_});
    sketch_.point("clothing", {lever_ - source_.numberOr("short", 0.0), thick_ / 2});
  }

  const FigureSource& source_;
  double thick_, depth_, span_, board_, split_, spring_, liner_, grip_, standoff_, setback_, lever_,
      pocket_, covering_;
  double leverThick_ = 1.0, away_ = 0.0, jaw_ = 0.0;
  std::vector<Point> lips_;
  Sketch sketch_;
};

}  // namespace

Sketch sketchSpring(const FigureSource& source) { return Spring(source).draw(); }

}  // namespace drapery
