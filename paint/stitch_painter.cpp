#include "paint/stitch_painter.h"

#include <QCoreApplication>
#include <QPainter>
#include <QPainterPath>
#include <QVarLengthArray>
#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <optional>

#include "paint/fonts.h"
#include "paint/stamp.h"

namespace drapery {

namespace {

constexpr double kAroundMm = 9.0;  // beyond head and tail, for the wraps round them
constexpr double kThin = 0.9, kDrawn = 2.2, kHeavy = 3.8;  // pixels
constexpr double kArea = 3.0;         // pixels from hole to hole, where lines are an area
constexpr double kLeastHole = 4.5;    // pixels, so that it can be hit
constexpr double kOutside = 20.0;     // pixels beyond the creases, for numbers that go out there
constexpr double kNameWide = 44.0;    // pixels before the head, for the faces' names
constexpr double kMeasureRow = 15.0;  // pixels from one measuring line to the next

/// From the middle of the band to where the strip begins.
double bandOf(const StitchPicture& picture) { return picture.thickness / 2; }

/// In which row beside the strip each measure lies, those along it apart from those across; -1
/// where it has no line. Short ones lie nearest.
std::vector<int> rowsOf(const std::vector<StripMeasure>& measures) {
  struct Taken {
    bool isAlong;
    int row;
    double low, high;
  };
  constexpr double kApart = 1.0;  // mm: what ends where another begins shares its row
  std::vector<std::size_t> order;
  for (std::size_t i = 0; i < measures.size(); ++i)
    if (measures[i].isLine()) order.push_back(i);
  const auto extent = [&](std::size_t i) {
    const StripMeasure& m = measures[i];
    const double a = m.isAlong() ? m.from.x : m.from.y, b = m.isAlong() ? m.to.x : m.to.y;
    return std::pair(std::min(a, b), std::max(a, b));
  };
  std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
    return extent(a).second - extent(a).first < extent(b).second - extent(b).first;
  });
  std::vector<int> rows(measures.size(), -1);
  std::vector<Taken> taken;
  for (const std::size_t i : order) {
    const auto [low, high] = extent(i);
    const bool isAlong = measures[i].isAlong();
    const auto isFree = [&, low = low, high = high](int row) {
      return std::none_of(taken.begin(), taken.end(), [&](const Taken& t) {
        return t.isAlong == isAlong && t.row == row && low < t.high - kApart &&
               high > t.low + kApart;
      });
    };
    int row = 0;
    while (!isFree(row)) ++row;
    taken.push_back({isAlong, row, low, high});
    rows[i] = row;
  }
  return rows;
}

/// How many rows lie above the front, or beside the tail.
int rowCount(const StitchPicture& picture, bool isAlong) {
  const std::vector<int> rows = rowsOf(picture.measures);
  int count = 0;
  for (std::size_t i = 0; i < rows.size(); ++i)
    if (picture.measures[i].isAlong() == isAlong) count = std::max(count, rows[i] + 1);
  return count;
}

class StitchPainting {
 public:
  StitchPainting(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                 const Palette& palette)
      : painter_(painter),
        picture_(picture),
        graph_(*picture.graph),
        palette_(palette),
        target_(target),
        to_(stitchRoom(picture, target)),
        perMm_(to_.m11()),
        apart_(apart()),
        radius_(radius()) {}

  void ground() {
    drawStrips();
    if (picture_.steps == nullptr)
      drawPattern();
    else if (picture_.showsWay)
      drawSteps(0, picture_.steps->size(), kThin, palette_.hairline);
  }
  void thread(std::size_t from, std::size_t to, bool isPresent) {
    drawSteps(from, to, isPresent ? kHeavy : kDrawn,
              isPresent ? palette_.accent : palette_.secondInk);
  }
  void rings() {
    drawHoles();
    drawLands();
    drawMeasures();
  }
  void needle() {
    if (picture_.steps != nullptr && picture_.done > 0) drawNeedle();
  }

  /// The parts of the rings that these steps fill.
  void passes(std::size_t from, std::size_t to) {
    if (picture_.passes.empty() || picture_.steps == nullptr || isDense()) return;
    std::vector<int> passed(graph_.holes.size(), 0);
    for (std::size_t i = 0; i < to; ++i) {
      const SewStep& step = (*picture_.steps)[i];
      if (step.what != SewStep::Do::Pass) continue;
      const int part = passed[step.hole]++;
      if (i < from) continue;
      for (const Face face : {Face::Front, Face::Back})
        drawArc(step.hole, place(step.hole, face), part, true);
    }
  }

 private:
  [[nodiscard]] QPointF at(double along, double up) const { return to_.map(QPointF(along, up)); }
  [[nodiscard]] QPointF place(std::size_t hole, Face face) const {
    return to_.map(stitchPlace(picture_, hole, face));
  }

  void drawStrips() {
    const double band = bandOf(picture_), width = graph_.stripWidth, length = graph_.spineLength;
    for (const double side : {1.0, -1.0}) {
      const QRectF strip =
          QRectF(at(0, side * band), at(length, side * (band + width))).normalized();
      painter_.setPen(QPen(palette_.secondInk, kThin));
      painter_.setBrush(palette_.paper);
      painter_.drawRect(strip);
      QPen crease(palette_.secondInk, kThin, Qt::CustomDashLine);
      crease.setDashPattern({9, 4, 1.5, 3, 1.5, 4});
      painter_.setPen(crease);
      painter_.drawLine(at(0, side * (band + width)), at(length, side * (band + width)));
    }
    painter_.setPen(QPen(palette_.hairline, kThin));
    painter_.setBrush(palette_.leaves);
    painter_.drawRect(QRectF(at(0, band), at(length, -band)).normalized());
    if (picture_.isSmall) return;
    painter_.setFont(textFont(kLabelPixels));
    painter_.setPen(palette_.secondInk);
    const bool isBack = picture_.isFromBack;
    const auto tell = [&](double up, const QString& words) {
      const QPointF where = at(-kAroundMm, up);
      painter_.drawText(QRectF(where.x() - 204, where.y() - 12, 200, 24),
                        Qt::AlignRight | Qt::AlignVCenter, words);
    };
    tell(band + width / 2, isBack ? words_.back : words_.front);
    tell(-band - width / 2, isBack ? words_.front : words_.back);
  }

  using Lines = QVarLengthArray<QLineF, 64>;

  void addStretch(Lines& lines, std::size_t from, std::size_t to, Face face) const {
    lines.append({place(from, face), place(to, face)});
  }
  /// As it is seen: across the spine, or off one strip's end and back onto the other's.
  void addWrap(Lines& lines, std::size_t hole, Round round) const {
    const QPointF front = place(hole, Face::Front), back = place(hole, Face::Back);
    if (round == Round::Spine) return lines.append({front, back});
    const double end =
        round == Round::Head ? -0.7 * kAroundMm : graph_.spineLength + 0.7 * kAroundMm;
    const double x = at(end, 0).x();
    lines.append({front, {x, front.y()}});
    lines.append({{x, back.y()}, back});
  }
  /// In one go, and without round ends where nobody would see them: of over a thousand that is
  /// several times as quick.
  void drawLines(const Lines& lines, double width, const QColor& ink) {
    const bool isPresent = width == kHeavy;
    // Lines that run into one another are an area, smooth or not.
    const bool isArea = !isPresent && apart_ < kArea;
    painter_.setRenderHint(QPainter::Antialiasing, !isArea);
    painter_.setPen(
        QPen(ink, isArea ? 1.0 : width, Qt::SolidLine, isPresent ? Qt::RoundCap : Qt::SquareCap));
    painter_.drawLines(lines.data(), static_cast<int>(lines.size()));
    painter_.setRenderHint(QPainter::Antialiasing, true);
  }

  void drawSteps(std::size_t from, std::size_t to, double width, const QColor& ink) {
    Lines lines;
    for (std::size_t i = from; i < to; ++i) {
      const SewStep& step = (*picture_.steps)[i];
      if (step.what == SewStep::Do::Stretch)
        addStretch(lines, step.from, step.hole, step.to);
      else if (step.what == SewStep::Do::Wrap)
        addWrap(lines, step.hole, step.round);
    }
    drawLines(lines, width, ink);
  }

  /// All stretches and wraps, without an order.
  void drawPattern() {
    Lines lines;
    for (const auto& [a, b] : graph_.stretches)
      for (const Face face : {Face::Front, Face::Back}) addStretch(lines, a, b, face);
    for (const StitchWrap& wrap : graph_.wraps) addWrap(lines, wrap.hole, wrap.round);
    drawLines(lines, kThin * 1.3, palette_.ink);
  }

  /// Holes so near to one another that their rings would run together.
  [[nodiscard]] bool isDense() const { return apart_ < 2 * (kLeastHole + 3.0); }

  /// Pixels from a hole to the next, at least.
  [[nodiscard]] double apart() const {
    double apart = 1e9;
    const auto& holes = graph_.holes;
    for (std::size_t i = 0; i < holes.size(); ++i)
      for (std::size_t j = i + 1; j < holes.size(); ++j) {
        const double along = holes[j].along - holes[i].along;
        if (along >= apart) break;
        apart = std::min(apart, std::hypot(along, holes[j].across - holes[i].across));
      }
    return apart * perMm_;
  }
  [[nodiscard]] double radius() const {
    if (picture_.isSmall) return 1.4;
    if (isDense()) return std::clamp(0.35 * apart_, 0.8, kLeastHole);
    return std::max(kLeastHole, picture_.hole / 2 * perMm_);
  }

  void drawHoles() {
    const bool hasWays =
        picture_.steps != nullptr && picture_.showsWay && !picture_.isSmall && !isDense();
    const auto ways = hasWays ? oneWays(graph_, *picture_.steps)
                              : std::vector<std::optional<Face>>(graph_.holes.size());
    // Hundreds of circles would take longer than all the thread.
    const Stamp ring(painter_, QSizeF(1, 1) * (2 * radius_ + 2), [this](QPainter& painter) {
      painter.setPen(QPen(palette_.ink, picture_.isSmall ? 0.8 : 1.2));
      painter.setBrush(palette_.ground);
      painter.drawEllipse(QPointF(), radius_, radius_);
    });
    for (std::size_t hole = 0; hole < graph_.holes.size(); ++hole)
      for (const Face face : {Face::Front, Face::Back}) {
        const QPointF middle = place(hole, face);
        ring.put(painter_, middle);
        if (isDense()) continue;
        if (!picture_.passes.empty())
          for (int part = 0; part < picture_.passes[hole]; ++part)
            drawArc(hole, middle, part, false);
        if (ways[hole]) drawWay(middle, *ways[hole] == face);
      }
    if (!picture_.isSmall) drawNumbers();
    if (std::any_of(ways.begin(), ways.end(), [](const auto& way) { return way.has_value(); }))
      tellWays();
  }

  /// What the marks in the holes say, between the names of the faces.
  void tellWays() {
    const QPointF end = at(-kAroundMm, 0) - QPointF(4, 0);
    painter_.setFont(textFont(kLabelPixels));
    const QFontMetricsF metrics(painter_.font());
    const double line = metrics.height();
    double y = end.y() - line / 2;
    for (const bool isOut : {true, false}) {
      const QString& words = isOut ? words_.out : words_.in;
      painter_.setPen(palette_.secondInk);
      painter_.drawText(QRectF(end.x() - 200, y - line / 2, 200, line),
                        Qt::AlignRight | Qt::AlignVCenter, words);
      drawWay({end.x() - metrics.horizontalAdvance(words) - 8.0, y + 1}, isOut);
      y += line;
    }
  }

  /// As many as have room beside one another.
  void drawNumbers() {
    constexpr double kApart = 17.0;
    painter_.setFont(textFont(11.0, true));
    painter_.setPen(palette_.ink);
    for (const Face face : {Face::Front, Face::Back}) {
      double last = -1e9;
      for (std::size_t hole = 0; hole < graph_.holes.size(); ++hole) {
        const QPointF middle = place(hole, face);
        if (isDense() && middle.x() - last < kApart) continue;
        last = middle.x();
        drawNumber(hole, face, middle);
      }
    }
  }

  /// A point where the needle comes out, a cross where it goes in.
  void drawWay(const QPointF& middle, bool isOut) {
    constexpr double kPoint = 1.5, kCross = 2.2;
    painter_.setPen(QPen(palette_.secondInk, 1.0));
    painter_.setBrush(palette_.secondInk);
    if (isOut) return painter_.drawEllipse(middle, kPoint, kPoint);
    for (const double up : {kCross, -kCross})
      painter_.drawLine(middle + QPointF(-kCross, -up), middle + QPointF(kCross, up));
  }

  /// As many parts as the thread goes through the hole, filled one by one. Each is a stamp too:
  /// many holes have the same.
  void drawArc(std::size_t hole, const QPointF& middle, int part, bool isFilled) {
    const int parts = std::max(1, picture_.passes[hole]);
    const std::array<int, 3> which{parts, part, isFilled ? 1 : 0};
    auto arc = arcs_.find(which);
    if (arc == arcs_.end()) {
      const double whole = 360.0 * 16, gap = parts > 1 ? 10.0 * 16 : 0.0;
      const double outer = radius_ + 3.0;
      Stamp stamp(painter_, QSizeF(1, 1) * (2 * outer + 3), [&](QPainter& painter) {
        painter.setPen(QPen(isFilled ? palette_.accent : palette_.hairline, isFilled ? 2.6 : 1.4,
                            Qt::SolidLine, Qt::FlatCap));
        painter.drawArc(QRectF(-outer, -outer, 2 * outer, 2 * outer),
                        static_cast<int>(90 * 16 - part * whole / parts - gap / 2),
                        static_cast<int>(-(whole / parts - gap)));
      });
      arc = arcs_.emplace(which, std::move(stamp)).first;
    }
    arc->second.put(painter_, middle);
  }

  void drawNumber(std::size_t hole, Face face, const QPointF& middle) {
    constexpr double kHalf = 6.0;    // of its height
    constexpr double kBeside = 8.0;  // clear of lines straight up and down from the hole
    // Away from the spine on either strip.
    const bool isUpper = (face == Face::Front) != picture_.isFromBack;
    double off = radius_ + 12.0;
    // Where it would lie on the crease it stands beyond.
    const double crease = (graph_.stripWidth - graph_.holes[hole].across) * perMm_;
    if (off + kHalf > crease) off = std::max(off, crease + kHalf + 2.0);
    painter_.drawText(
        QRectF(middle.x() - kBeside - 20, middle.y() + (isUpper ? -off : off) - 8, 40, 16),
        Qt::AlignCenter, QString::number(hole + 1));
  }

  void drawNeedle() {
    const SewStep& last = (*picture_.steps)[picture_.done - 1];
    if (last.what == SewStep::Do::Thread) return;
    const QPointF tip = place(last.hole, last.to);
    QPainterPath point;
    point.moveTo(tip);
    point.lineTo(tip + QPointF(5, -17));
    point.lineTo(tip + QPointF(9, -15));
    point.closeSubpath();
    painter_.setPen(QPen(palette_.ground, 0.8));
    painter_.setBrush(palette_.accent);
    painter_.drawPath(point);
  }

  void drawMeasures() {
    constexpr double kTick = 4.0;
    painter_.setPen(QPen(palette_.secondInk, kThin));
    for (std::size_t i = 0; i < picture_.measures.size(); ++i) {
      if (!picture_.measures[i].isLine()) continue;
      const QLineF line = stitchMeasureLine(picture_, i, target_);
      painter_.drawLine(line);
      const QPointF tick = picture_.measures[i].isAlong() ? QPointF(0, kTick) : QPointF(kTick, 0);
      for (const QPointF& end : {line.p1(), line.p2()}) painter_.drawLine(end - tick, end + tick);
    }
  }

  /// Small, in the colour of what is found about them.
  void drawLands() {
    constexpr double kWordsPixels = 11.0, kClear = 5.0;
    for (const ShownLand& shown : picture_.lands) {
      const QPointF from = to_.map(stitchPlace(picture_, shown.land.from, Face::Front));
      const QPointF to = to_.map(stitchPlace(picture_, shown.land.to, Face::Front));
      const QColor ink =
          shown.land.severity ? palette_.of(*shown.land.severity) : palette_.secondInk;
      painter_.setPen(QPen(ink, 2.0, Qt::SolidLine, Qt::FlatCap));
      painter_.drawLine(from, to);
      painter_.setFont(textFont(kWordsPixels, shown.land.severity.has_value()));
      const QFontMetrics metrics(painter_.font());
      const QPointF middle = (from + to) / 2;
      const QRectF words(middle.x() + kClear, middle.y() - metrics.height() / 2.0,
                         metrics.horizontalAdvance(shown.words) + 4, metrics.height());
      painter_.fillRect(words, palette_.paper);
      painter_.drawText(words, Qt::AlignCenter, shown.words);
    }
  }

  struct Words {
    QString front, back, out, in;
  };

  QPainter& painter_;
  const StitchPicture& picture_;
  const StitchGraph& graph_;
  const Palette& palette_;
  QRectF target_;
  QTransform to_;
  double perMm_;
  double apart_;                              // pixels between the two nearest holes
  double radius_;                             // pixels
  std::map<std::array<int, 3>, Stamp> arcs_;  // of so many parts which, and whether it is filled
  Words words_{QCoreApplication::translate("Stitches", "front"),
               QCoreApplication::translate("Stitches", "back"),
               QCoreApplication::translate("Stitches", "out"),
               QCoreApplication::translate("Stitches", "in")};
};

}  // namespace

QTransform stitchRoom(const StitchPicture& picture, const QRectF& target) {
  const double words = picture.isSmall ? 0.0 : kOutside;
  const double names = picture.isSmall ? 0.0 : kNameWide;
  const double rows = rowCount(picture, true) * kMeasureRow;
  const double columns = rowCount(picture, false) * kMeasureRow;
  QRectF room = target.adjusted(names, words, -columns, -words);
  if (picture.isFromBack)
    room.setBottom(room.bottom() - rows);
  else
    room.setTop(room.top() + rows);
  const double width = picture.graph->spineLength + 2 * kAroundMm;
  const double height = picture.thickness + 2 * picture.graph->stripWidth;
  const double perMm = std::max(0.01, std::min(room.width() / width, room.height() / height));
  QTransform to;
  to.translate(room.center().x() - perMm * picture.graph->spineLength / 2, room.center().y());
  to.scale(perMm, -perMm);
  return to;
}

QPointF stitchPlace(const StitchPicture& picture, std::size_t hole, Face face) {
  const StitchHole& of = picture.graph->holes[hole];
  return stitchPlace(picture, {of.along, of.across}, face);
}

QPointF stitchPlace(const StitchPicture& picture, Point at, Face face) {
  const bool isUpper = (face == Face::Front) != picture.isFromBack;
  const double off = bandOf(picture) + at.y;
  return {at.x, isUpper ? off : -off};
}

QRectF stitchBounds(const StitchPicture& picture, const QRectF& target) {
  const double half = bandOf(picture) + picture.graph->stripWidth;
  QRectF all =
      stitchRoom(picture, target)
          .mapRect(QRectF(-kAroundMm, -half, picture.graph->spineLength + 2 * kAroundMm, 2 * half))
          .adjusted(0, -kOutside, 0, kOutside);
  for (std::size_t i = 0; i < picture.measures.size(); ++i) {
    const QLineF line = stitchMeasureLine(picture, i, target);
    all = all.united(QRectF(line.p1(), line.p2()).normalized().adjusted(-1, -1, 1, 1));
  }
  return all;
}

/// Rows above the front, past its name; columns beyond the tail, past the thread round it.
QLineF stitchMeasureLine(const StitchPicture& picture, std::size_t which, const QRectF& target) {
  const QTransform to = stitchRoom(picture, target);
  const StripMeasure& measure = picture.measures[which];
  QPointF from = to.map(stitchPlace(picture, measure.from, Face::Front));
  QPointF end = to.map(stitchPlace(picture, measure.to, Face::Front));
  const int row = rowsOf(picture.measures)[which];
  if (row < 0) return {from, end};
  if (measure.isAlong()) {
    const double crease =
        to.map(stitchPlace(picture, {0, picture.graph->stripWidth}, Face::Front)).y();
    const double off = kOutside + kMeasureRow * row;
    const double y = picture.isFromBack ? crease + off : crease - off;
    from.setY(y);
    end.setY(y);
  } else {
    const double x =
        to.map(QPointF(picture.graph->spineLength + kAroundMm, 0)).x() + kMeasureRow * row;
    from.setX(x);
    end.setX(x);
  }
  return {from, end};
}

void paintStitchGround(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                       const Palette& palette) {
  StitchPainting(painter, picture, target, palette).ground();
}

void paintStitchThread(QPainter& painter, const StitchPicture& picture, std::size_t from,
                       std::size_t to, const QRectF& target, const Palette& palette) {
  StitchPainting(painter, picture, target, palette).thread(from, to, from >= picture.present);
}

void paintStitchRings(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                      const Palette& palette) {
  StitchPainting(painter, picture, target, palette).rings();
}

void paintStitchPasses(QPainter& painter, const StitchPicture& picture, std::size_t from,
                       std::size_t to, const QRectF& target, const Palette& palette) {
  StitchPainting(painter, picture, target, palette).passes(from, to);
}

void paintStitchNeedle(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                       const Palette& palette) {
  StitchPainting(painter, picture, target, palette).needle();
}

void paintStitches(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                   const Palette& palette) {
  if (picture.graph == nullptr || picture.graph->holes.empty()) return;
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  StitchPainting painting(painter, picture, target, palette);
  painting.ground();
  if (picture.steps != nullptr) {
    painting.thread(0, picture.present, false);
    painting.thread(picture.present, picture.done, true);
  }
  painting.rings();
  painting.passes(0, picture.done);
  painting.needle();
  painter.restore();
}

}  // namespace drapery
