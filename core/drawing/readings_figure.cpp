#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

constexpr double kUsualMeasure = 210.0, kUsualAlong = 145.0;
constexpr double kFirstPlace = 0.07, kLastPlace = 0.93;  // of what they lie along
constexpr double kWidest = 0.14;                         // of the measure, that a spread is drawn
constexpr double kSlimmest = 0.16;                       // of what a measure is drawn along
constexpr int kLeafLines = 9;
constexpr std::size_t kMostShown = 12;  // of places and of readings without one

/// A measure at each of its places: the side that it is measured to runs through the readings,
/// their differences so much enlarged that they are seen.
class ReadingsFigure {
 public:
  explicit ReadingsFigure(const FigureSource& source)
      : source_(source), stands_(source.numberOr("stands", 1.0) > 0.5) {
    along_ = source.numberOr("along", kUsualAlong);
    measure_ = std::max(source.numberOr("measure", kUsualMeasure), kSlimmest * along_);
    along_ = std::max(along_, kSlimmest * measure_);
  }

  Sketch draw() {
    const InputRule* measured = source_.measured();
    if (measured == nullptr) return {};
    takeReadings(*measured);
    placeReadings();
    drawBlock();
    for (const Placed& each : placed_) drawMeasure(each);
    drawBand();
    return std::move(sketch_);
  }

 private:
  struct Placed {
    std::string name;
    double value = std::numeric_limits<double>::quiet_NaN();  // mm
    double at = 0.0;                                          // along
    [[nodiscard]] bool isRead() const { return !std::isnan(value); }
  };

  void takeReadings(const InputRule& rule) {
    for (const std::string& place : rule.places) placed_.push_back({place});
    const auto& rules = *source_.plan().rules;
    for (const OneReading& reading : source_.plan().eachReading) {
      if (&rules.inputs[reading.input] != &rule) continue;
      const double value = reading.counts ? reading.value : Placed().value;
      const auto same = std::find_if(placed_.begin(), placed_.end(),
                                     [&](const Placed& p) { return p.name == reading.name; });
      if (same != placed_.end())
        same->value = value;
      else if (placed_.size() < kMostShown)
        placed_.push_back({reading.name, value});
      if (!reading.counts) continue;
      least_ = std::min(least_, reading.value);
      most_ = std::max(most_, reading.value);
    }
  }

  /// Upright measures from left to right; those across from the head down.
  void placeReadings() {
    const auto last = static_cast<double>(std::max<std::size_t>(1, placed_.size() - 1));
    for (std::size_t i = 0; i < placed_.size(); ++i) {
      const double part = kFirstPlace + (kLastPlace - kFirstPlace) * static_cast<double>(i) / last;
      placed_[i].at = along_ * (stands_ ? part : 1.0 - part);
    }
    const double spread = most_ - least_;
    static constexpr std::array<double, 8> kTimes{100, 50, 20, 10, 5, 3, 2, 1};
    for (const double times : kTimes) {
      times_ = times;
      if (spread * times <= kWidest * measure_) break;
    }
    mean_ = source_.numberOr("measure", measure_);
  }

  [[nodiscard]] Point point(double along, double measure) const {
    return stands_ ? Point{along, measure} : Point{measure, along};
  }
  /// Where the side lies at a reading.
  [[nodiscard]] double sideAt(double value) const { return measure_ + times_ * (value - mean_); }

  void drawBlock() {
    std::vector<Point> side;
    for (const Placed& each : placed_)
      if (each.isRead()) side.push_back(point(each.at, sideAt(each.value)));
    if (side.empty()) side.push_back(point(along_ / 2, measure_));
    // Straight on to the corners.
    const double first = stands_ ? side.front().y : side.front().x;
    const double last = stands_ ? side.back().y : side.back().x;
    const double start = stands_ ? 0.0 : along_, end = along_ - start;
    std::vector<Point> outline{point(start, 0), point(start, first)};
    outline.insert(outline.end(), side.begin(), side.end());
    outline.push_back(point(end, last));
    outline.push_back(point(end, 0));
    const bool isKnown = source_.has("measure") && source_.has("along");
    sketch_.add(closedShape(isKnown, Matter::Leaves, std::move(outline), source_.subject("block")));
    if (source_.numberOr("is_edge", 0.0) < 0.5) return;
    for (int i = 1; i < kLeafLines; ++i) {
      const double part = static_cast<double>(i) / kLeafLines;
      sketch_.add(openShape(LineKind::Leaf, {point(start, part * first), point(end, part * last)},
                            source_.subject("block")));
    }
  }

  /// A place that was not measured has no measuring line, only where it would lie.
  void drawMeasure(const Placed& each) {
    const Point from = point(each.at, 0);
    const Point to = point(each.at, each.isRead() ? sideAt(each.value) : measure_);
    const double tick = 0.02 * std::max(measure_, along_);
    for (const double end : {0.0, stands_ ? to.y : to.x}) {
      const double out = end > 0.0 ? tick : -tick;
      sketch_.add(openShape(LineKind::Extension, {point(each.at, end), point(each.at, end + out)},
                            source_.subject("block")));
    }
    if (!each.isRead())
      sketch_.add(openShape(LineKind::Hidden, {from, to}, source_.subject("block")));
    sketch_.readings.push_back({each.name, each.isRead() ? from : to, to, {{from, to}}});
  }

  /// From the smallest reading to the largest.
  void drawBand() {
    const bool isSpread = most_ > least_;
    sketch_.line("measure", point(-0.08 * along_, 0), point(-0.08 * along_, measure_));
    if (!isSpread) return;
    for (const double end : {least_, most_})
      sketch_.add(openShape(LineKind::Hidden,
                            {point(-0.04 * along_, sideAt(end)), point(1.04 * along_, sideAt(end))},
                            source_.subject("block")));
    if (times_ <= 1.0) return;
    DrawingLabel label{"view.enlarged", point(along_ / 2, measure_ / 2), LabelSide::Over};
    if (!stands_) label.at = {measure_ / 2, 0.28 * along_};
    label.words.text = std::to_string(static_cast<int>(times_));
    sketch_.labels.push_back(std::move(label));
  }

  const FigureSource& source_;
  bool stands_;
  double measure_ = 0.0, along_ = 0.0, mean_ = 0.0, times_ = 1.0;
  double least_ = std::numeric_limits<double>::infinity(), most_ = -least_;
  std::vector<Placed> placed_;
  Sketch sketch_;
};

}  // namespace

Sketch sketchReadings(const FigureSource& source) { return ReadingsFigure(source).draw(); }

}  // namespace drapery
