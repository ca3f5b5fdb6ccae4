// What stands on a cut slip, line by line, before it is painted.
#pragma once

#include <string>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/job.h"
#include "core/plan/plan.h"

namespace drapery {

struct SlipPiece {
  std::string count;     // "2"
  std::string name;      // "Board"
  std::string figures;   // "140 × 216.5 mm"
  std::string material;  // "board"
  std::string grain;     // "grain head to tail"
  std::string note;      // "Cut the corners after the boards are down."
  Drawing drawing;       // the piece alone, as it is cut
};

struct SlipFinding {
  Severity severity = Severity::Note;
  std::string says;
  std::string remedy;
};

struct SlipPage {
  std::string title;
  std::string method;
  std::string book;  // "Leaves 210.4 high, 143.8 wide, 22.6 thick; spine 23.1; board 2.4 mm"
  std::string rule;  // "Cut to 0.5 mm. Width before height; height runs head to tail."
  std::vector<SlipPiece> pieces;
  std::vector<std::string> marks;  // gap, corner: what is marked out, not cut
  std::vector<std::string> steps;  // what is done, in order
  std::vector<std::string> tried;  // squares and opening as they will be
  std::vector<SlipFinding> findings;
};

SlipPage slipPage(const Job& job, const Plan& plan);

}  // namespace drapery
