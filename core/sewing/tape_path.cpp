#include "core/sewing/tape_path.h"

#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

class Sewing {
 public:
  Sewing(const TapeSizes& sizes, Hand hand)
      : sizes_(sizes), last_(2 * sizes.tapes + 2), isDown_(hand == Hand::Right) {}

  std::vector<TapeStep> run() {
    for (int section = 1; section <= sizes_.sections; ++section) {
      along(section);
      const int station = isDown_ ? last_ : 1;
      if (section == 2) step(TapeStep::Do::Tie, section, station).to = 1;
      if (section > 2) {
        TapeStep& kettle = step(TapeStep::Do::Kettle, section, station);
        kettle.to = section - 2;
        kettle.length = sizes_.kettle;
      }
      if (section < sizes_.sections) {
        TapeStep& climb = step(TapeStep::Do::Climb, section + 1, station);
        climb.from = section;
        climb.to = section + 1;
        climb.length = sizes_.sectionPitch;
      } else {
        step(TapeStep::Do::Knot, section, station);
      }
      isDown_ = !isDown_;
    }
    return std::move(steps_);
  }

 private:
  TapeStep& step(TapeStep::Do what, int section, int station) {
    TapeStep step;
    step.what = what;
    step.section = section;
    step.station = station;
    steps_.push_back(step);
    return steps_.back();
  }
  void pass(int section, int station, bool isIn) {
    TapeStep& pass = step(TapeStep::Do::Pass, section, station);
    pass.isIn = isIn;
    pass.length = sizes_.foldPass;
  }
  /// In at one kettle, out and in at each tape, out at the other.
  void along(int section) {
    const int first = isDown_ ? 1 : last_, end = isDown_ ? last_ : 1, way = isDown_ ? 1 : -1;
    int station = first;
    pass(section, station, true);
    while (station != end) {
      const bool isTape = station != first && (std::abs(station - first) % 2 == 1);
      const int next = station + way;
      if (isTape) {  // from one side of a tape to the other, outside
        TapeStep& round = step(TapeStep::Do::Tape, section, next);
        round.from = station;
        round.tape = std::min(station, next) / 2;
        round.length = distance(station, next) + 2 * sizes_.tapeThickness;
        pass(section, next, true);
      } else {
        TapeStep& run = step(TapeStep::Do::Run, section, next);
        run.from = station;
        run.length = distance(station, next);
        pass(section, next, false);
      }
      station = next;
    }
  }
  [[nodiscard]] double distance(int a, int b) const {
    return std::abs(sizes_.stations[static_cast<std::size_t>(a - 1)] -
                    sizes_.stations[static_cast<std::size_t>(b - 1)]);
  }

  const TapeSizes& sizes_;
  int last_;
  bool isDown_;
  std::vector<TapeStep> steps_;
};

}  // namespace

std::vector<double> tapeStations(const TapePlaces& places) {
  std::vector<double> stations{places.kettleHead};
  for (int tape = 0; tape < places.tapes; ++tape)
    for (const double side : {-0.5, 0.5})
      stations.push_back(places.firstTape + tape * places.spacing + side * places.tapeWidth);
  stations.push_back(places.kettleTail);
  return stations;
}

std::vector<TapeStep> tapePath(const TapeSizes& sizes, Hand hand) {
  return Sewing(sizes, hand).run();
}

}  // namespace drapery
