// What stands on a cut slip, line by line, before it is painted.
#pragma once

#include <string>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/sewing/sew_book.h"

namespace drapery {

struct SlipPiece {
  std::string count;     // "2"
  std::string name;      // "Board"
  std::string figures;   // "140 × 216.5 mm"
  std::string material;  // "board", or the material that was named
  std::string grain;     // "grain head to tail"
  std::string note;      // "Cut the corners after the boards are down."
  Drawing drawing;       // the piece alone, as it is cut
};

/// What is cut at one moment of the work.
struct SlipGroup {
  std::string title;               // "After trimming"
  std::vector<std::string> first;  // "Measure height and width again first."
  std::vector<SlipPiece> pieces;
};

struct SlipFinding {
  Severity severity = Severity::Note;
  std::string says;
  std::string remedy;
};

struct SlipPage {
  std::string title;
  std::string method;
  std::string date;  // on which it was written: "2026-11-27"
  std::string book;  // "Leaves 210.4 high, 143.8 wide, 22.6 thick; spine 23.1; board 2.4 mm"
  std::string rule;  // "Cut to 0.5 mm. Width before height; height runs head to tail."
  std::vector<std::string> card;    // what goes to the bench before any of the rest
  std::vector<SlipGroup> groups;    // in the order of the work
  std::vector<std::string> marks;   // gap, corner: what is marked out, not cut
  std::vector<std::string> asides;  // of sheets, endpapers, a jacket
  std::vector<std::string> sewing;  // holes or stations, and the thread to cut
  std::vector<std::string> steps;   // what is done, in order
  std::vector<std::string> tried;   // squares and opening as they will be
  std::vector<SlipFinding> findings;
};

SlipPage slipPage(const Job& job, const Plan& plan, const SewnBook& sewn = {});

}  // namespace drapery
