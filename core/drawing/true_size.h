// What is printed at its true size and laid on the work: templates and gauges of the rule file,
// each piece's outline, what is printed on with its folds. mm, y up, from the lower left corner.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/artwork.h"
#include "core/plan/plan.h"

namespace drapery {

/// Words in it, their figures known; how they are written is settled at the edge.
struct TrueSizeLabel {
  Point at;  // its middle
  const RuleWords* says = nullptr;
  std::vector<Amount> figures = {};
  LocalText title = {};    // in place of the words
  bool isUpright = false;  // runs from the tail to the head
  bool isHead = false;     // says where a piece's head is
};

struct TrueSize {
  std::string id;  // "corner-guide", "piece/board", "folds/jacket", "label/board/1"
  LocalText title;
  const TemplateRule* rule = nullptr;  // none for a piece's outline and for what is printed on
  const PlannedPart* part = nullptr;   // of a piece's outline, or of what is stuck on it
  bool isSticker = false;              // a label: its words are the piece's
  std::optional<Artwork> artwork;      // what is printed on
  std::vector<Amount> says, block;     // figures of the rule's words
  std::optional<Length> gives;         // the one length that a gauge gives
  Drawing drawing;
  std::vector<TrueSizeLabel> labels;
  Length width, height;  // of all that is drawn
};

/// Those that have a place on this book: the templates in the order of the file, pieces, what is
/// printed on. One without any extent, or over 10 m, is left out.
std::vector<TrueSize> trueSizes(const Plan& plan);

}  // namespace drapery
