// Sections sewn all along over tapes: the thread's way, section by section.
#pragma once

#include <vector>

#include "core/sewing/stitch_graph.h"
#include "core/sewing/thread_pieces.h"

namespace drapery {

struct TapeStep {
  enum class Do { Pass, Run, Tape, Tie, Kettle, Climb, Knot };
  Do what = Do::Pass;
  int section = 1;
  int station = 1;      // where it is done, or ends: from the head, 1 to 2 tapes + 2
  int from = 0;         // Run, Tape: the station that it comes from; Climb: the section
  int to = 0;           // Climb: the section; Tie, Kettle: the section it catches
  int tape = 0;         // Tape
  bool isIn = false;    // Pass
  double length = 0.0;  // mm of thread
};

/// What the steps are long, in mm.
struct TapeSizes {
  int sections = 0;
  int tapes = 0;
  std::vector<double> stations;  // from the head; a pair of equal ones either side of each tape
  double tapeWidth = 0.0, tapeThickness = 0.0;
  double foldPass = 0.0, sectionPitch = 0.0, kettle = 0.0;
};

/// Stations from the head: kettle, either side of each tape, kettle.
struct TapePlaces {
  double kettleHead = 0.0, kettleTail = 0.0;  // mm from the head
  double firstTape = 0.0, spacing = 0.0;      // mm, of the tapes' middles
  int tapes = 0;
  double tapeWidth = 0.0;
};
std::vector<double> tapeStations(const TapePlaces& places);

std::vector<TapeStep> tapePath(const TapeSizes& sizes, Hand hand);

}  // namespace drapery
