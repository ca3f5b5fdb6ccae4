#include "core/drawing/sheet_drawing.h"

#include <algorithm>
#include <set>

#include "core/geometry/outline.h"

namespace drapery {

namespace {

constexpr double kApart = 0.012;  // of the sheet's longer side, between what is cut apart
constexpr double kBeyond = 0.05;  // of what is used of a roll, drawn on
constexpr double kGrainReach = 0.3;
constexpr double kLong = 1.2;  // of a roll, to its width: it is drawn lying

double mm(Micrometres length) { return static_cast<double>(length) / 1000; }

std::vector<Point> corners(const Box& box) {
  return rectangle(box.left, box.bottom, box.right, box.top);
}

Matter matterFor(const SheetSource& source, const CutSheet& sheet) {
  for (const CutPlacement& at : sheet.placements)
    if (const PlannedPart* part = source.parts[at.piece]) return matterOf(part->material);
  return matterOf(source.problem.stocks[sheet.stock].material);
}

class Drawn {
 public:
  Drawn(const SheetSource& source, std::size_t which, const SheetProgress& progress)
      : source_(source),
        which_(which),
        sheet_(source.layout.sheets[which]),
        stock_(source.problem.stocks[sheet_.stock]),
        steps_(progress.steps != nullptr ? *progress.steps : none_),
        made_(std::min(progress.made, steps_.size())),
        state_(stateAfter(source.problem, source.layout, which, steps_, made_)) {
    used_ = lengthUsed(stock_, sheet_);
    apart_ = kApart * mm(std::max(stock_.across, used_));
    for (std::size_t i = 0; i < made_; ++i)
      for (const OrderedCut& cut : steps_[i].cuts)
        if (cut.sheet == which) (cut.isAcross ? xs_ : ys_).insert(positionOf(cut));
  }

  SheetDrawing make(const std::vector<CutPlacement>& kept) {
    result_.drawing.id = "sheet";
    for (const SheetState::Part& part : state_.parts) ground(part.at);
    for (std::size_t i = 0; i < sheet_.placements.size(); ++i) piece(i);
    for (const CutPlacement& left : kept) {
      const Box box = boxOf({left.x, left.y, left.across, left.along});
      result_.left.push_back(box);
      sheet(box, Matter::Leaves);
    }
    cuts();
    result_.across = mm(stock_.across);
    if (stock_.form == StockForm::Roll && double(used_) > kLong * double(stock_.across)) lay();
    grain();
    return std::move(result_);
  }

 private:
  static Micrometres positionOf(const OrderedCut& cut) {
    return cut.isAcross ? cut.high.x : cut.high.y;
  }
  /// What lies beyond a cut that was made lies a little farther; what is still in one piece stays
  /// together.
  [[nodiscard]] Box boxOf(const CutRectangle& of) const {
    const auto pushed = [&](const std::set<Micrometres>& cuts, Micrometres from) {
      return apart_ * double(std::distance(cuts.begin(), cuts.upper_bound(from)));
    };
    const CutRectangle whole = wholeAround(of);
    const double x = mm(of.x) + pushed(xs_, whole.x), y = mm(of.y) + pushed(ys_, whole.y);
    return {x, y, x + mm(of.across), y + mm(of.along)};
  }
  /// Of what lies there now.
  [[nodiscard]] CutRectangle wholeAround(const CutRectangle& of) const {
    for (const auto& [at, kind, placement] : state_.parts)
      if (at.x <= of.x && at.y <= of.y && of.x + of.across <= at.x + at.across &&
          of.y + of.along <= at.y + at.along)
        return at;
    return of;
  }

  void sheet(const Box& box, Matter matter) {
    result_.drawing.shapes.push_back(closedShape(LineKind::Outline, matter, corners(box), {}));
  }

  /// A rectangle of the sheet as it lies there: what neither a piece nor an off-cut comes to lie on
  /// is waste. Of a roll not its far end; what is not used of it is none.
  void ground(const CutRectangle& of) {
    CutRectangle seen = of;
    if (stock_.form == StockForm::Roll) {
      const Micrometres end =
          std::min(stock_.along, used_ + static_cast<Micrometres>(kBeyond * double(used_)));
      if (seen.y + seen.along > end) {
        seen.along = end - seen.y;
        if (seen.along <= 0) return;
      }
    }
    const Box box = boxOf(seen);
    sheet(box, Matter::Waste);
    const Box rest{box.left, std::max(box.bottom, box.top - mm(seen.y + seen.along - used_)),
                   box.right, box.top};
    if (stock_.form == StockForm::Roll && rest.height() > 0) sheet(rest, Matter::Leaves);
    if (stock_.form == StockForm::Roll && seen.along < of.along)
      result_.drawing.shapes.push_back(
          openShape(LineKind::Break, {{box.left, box.top}, {box.right, box.top}}, {}));
  }

  void piece(std::size_t which) {
    const CutPlacement& at = sheet_.placements[which];
    const CutPiece& of = source_.problem.pieces[at.piece];
    const PlannedPart* part = source_.parts[at.piece];
    const Subject subject = Subject::part(of.id);
    const Box box = boxOf({at.x, at.y, at.across, at.along});
    auto& shapes = result_.drawing.shapes;
    shapes.push_back(
        closedShape(LineKind::Outline, matterFor(source_, sheet_), corners(box), subject));
    result_.pieces.push_back({which, box});
    if (stock_.pattern != StockPattern::None) head(box);
    if (part == nullptr || !hasOwnShape(*part)) return;
    // Its own shape is cut out of its rectangle afterwards.
    const double across = mm(of.width) / part->width.mm(),
                 along = mm(of.height) / part->height.mm();
    std::vector<Point> outline;
    outline.reserve(part->outline.size() + 1);
    for (const Point& point : part->outline) {
      const double x = point.x * across, y = point.y * along;
      outline.push_back(at.isTurned ? Point{box.left + y, box.top - x}
                                    : Point{box.left + x, box.bottom + y});
    }
    outline.push_back(outline.front());
    if (stock_.pattern == StockPattern::None &&
        isHalfOf(part->outline, part->width.mm(), part->height.mm())) {
      std::vector<Point> other;  // turned half round
      other.reserve(outline.size());
      for (const Point& point : outline)
        other.push_back({box.left + box.right - point.x, box.bottom + box.top - point.y});
      shapes.push_back(openShape(LineKind::Cut, std::move(other), subject));
    }
    shapes.push_back(openShape(LineKind::Cut, std::move(outline), subject));
  }
  /// A mark at the edge that the pattern's top is at.
  void head(const Box& box) {
    constexpr double kWide = 0.12, kMost = 12.0;  // of the shorter side; mm
    const double half = std::min(kWide * std::min(box.width(), box.height()), kMost);
    const bool isAlong = stock_.pattern == StockPattern::Along;
    const Point at = isAlong ? Point{(box.left + box.right) / 2, box.top}
                             : Point{box.right, (box.bottom + box.top) / 2};
    const auto beside = [&](double side) {
      return isAlong ? Point{at.x + side, at.y - half} : Point{at.x - half, at.y + side};
    };
    result_.drawing.shapes.push_back(
        openShape(LineKind::Cut, {beside(-half), at, beside(half)}, {}));
  }
  static bool hasOwnShape(const PlannedPart& part) {
    return part.outline.size() != 4 || isHalfOf(part.outline, part.width.mm(), part.height.mm());
  }

  void cuts() {
    for (std::size_t i = made_; i < steps_.size(); ++i)
      for (const OrderedCut& cut : steps_[i].cuts) {
        if (cut.sheet != which_) continue;
        // Through the middle of the kerf, where what it is cut from lies now.
        const Box from = boxOf(cut.from);
        const double along = mm(cut.isAcross ? cut.low.x + cut.low.across - cut.from.x
                                             : cut.low.y + cut.low.along - cut.from.y) +
                             mm(stock_.kerf) / 2;
        SheetDrawing::Cut drawn{static_cast<int>(i) + 1, {}, {}};
        if (cut.isAcross) {
          const double x = std::min(from.left + along, from.right);
          drawn.from = {x, from.bottom};
          drawn.to = {x, stock_.form == StockForm::Roll ? std::min(from.top, topSeen()) : from.top};
        } else {
          const double y = std::min(from.bottom + along, from.top);
          drawn.from = {from.left, y};
          drawn.to = {from.right, y};
        }
        result_.cuts.push_back(drawn);
      }
  }
  /// Of a roll.
  [[nodiscard]] double topSeen() const {
    return mm(used_) * (1 + kBeyond) + apart_ * double(ys_.size());
  }

  /// A quarter turn to the right.
  void lay() {
    const auto turned = [&](const Point& p) { return Point{p.y, result_.across - p.x}; };
    const auto laid = [&](const Box& box) {
      return Box{box.bottom, result_.across - box.right, box.top, result_.across - box.left};
    };
    for (Shape& shape : result_.drawing.shapes)
      for (Point& point : shape.points) point = turned(point);
    for (SheetDrawing::Piece& piece : result_.pieces) piece.box = laid(piece.box);
    for (Box& left : result_.left) left = laid(left);
    for (SheetDrawing::Cut& cut : result_.cuts) {
      cut.from = turned(cut.from);
      cut.to = turned(cut.to);
    }
    result_.isLying = true;
  }

  /// One arrow for the whole sheet, outside it: pieces have their own words.
  void grain() {
    const Box seen = boundsOf(result_.drawing);
    const bool isAlong = (stock_.grain == StockGrain::Along) != result_.isLying;
    const double beside = 0.04 * std::max(seen.width(), seen.height());
    if (isAlong) {
      const double middle = (seen.bottom + seen.top) / 2, reach = kGrainReach * seen.height();
      result_.drawing.shapes.push_back(openShape(
          LineKind::Grain,
          {{seen.left - beside, middle - reach}, {seen.left - beside, middle + reach}}, {}));
    } else {
      const double middle = (seen.left + seen.right) / 2, reach = kGrainReach * seen.width();
      result_.drawing.shapes.push_back(openShape(
          LineKind::Grain,
          {{middle - reach, seen.top + beside}, {middle + reach, seen.top + beside}}, {}));
    }
  }

  const SheetSource& source_;
  std::size_t which_;
  const CutSheet& sheet_;
  const CutStock& stock_;
  const std::vector<GaugeStep> none_;
  const std::vector<GaugeStep>& steps_;
  std::size_t made_;
  SheetState state_;
  Micrometres used_ = 0;
  double apart_ = 0.0;
  std::set<Micrometres> xs_, ys_;  // where cuts were made
  SheetDrawing result_;
};

}  // namespace

Box SheetDrawing::onStock(const Box& drawn) const {
  if (!isLying) return drawn;
  return {across - drawn.top, drawn.left, across - drawn.bottom, drawn.right};
}

SheetDrawing sheetDrawing(const SheetSource& source, std::size_t sheet,
                          const SheetProgress& progress, const std::vector<CutPlacement>& kept) {
  return Drawn(source, sheet, progress).make(kept);
}

Drawing stockDrawing(const CutStock& stock) {
  constexpr double kOfRoll = 1.4;  // of its width
  const bool isRoll = stock.form == StockForm::Roll;
  const double across = mm(stock.across), along = isRoll ? kOfRoll * across : mm(stock.along);
  Drawing drawing;
  drawing.id = "stock";
  const std::vector<Point> points = rectangle(0, 0, across, along);
  drawing.shapes.push_back(closedShape(LineKind::Outline, Matter::Leaves, points, {}));
  if (isRoll)
    drawing.shapes.push_back(openShape(LineKind::Break, {{0, along}, {across, along}}, {}));
  const Point middle{across / 2, along / 2};
  const bool isAlong = stock.grain == StockGrain::Along;
  const Point reach{isAlong ? 0.0 : kGrainReach * across, isAlong ? kGrainReach * along : 0.0};
  drawing.shapes.push_back(openShape(
      LineKind::Grain,
      {{middle.x - reach.x, middle.y - reach.y}, {middle.x + reach.x, middle.y + reach.y}}, {}));
  return drawing;
}

}  // namespace drapery
