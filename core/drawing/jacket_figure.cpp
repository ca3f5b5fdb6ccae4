#include <algorithm>

#include "core/drawing/figure.h"

namespace drapery {

/// The jacket flat, its outside up: flap, cover, spine, cover, flap; the bleed round it. Its halves
/// may differ; dashed, the cover that another sum gives.
Sketch sketchJacket(const FigureSource& source) {
  Sketch sketch;
  const double height = source.numberOr("height", 216.0), cover = source.numberOr("cover", 150.0),
               spine = source.numberOr("spine", 28.0), flap = source.numberOr("flap", 95.0),
               bleed = source.numberOr("bleed", 0.0);
  const double coverOther = source.numberOr("cover_other", cover),
               flapOther = source.numberOr("flap_other", flap);
  const bool isCut = source.numberOr("is_cut", 0.0) != 0.0;
  const Subject jacket = source.subject("jacket");
  const double folds[]{0,
                       flap,
                       flap + cover,
                       flap + cover + spine,
                       flap + cover + spine + coverOther,
                       flap + cover + spine + coverOther + flapOther};
  const double width = folds[5];
  if (isCut && bleed > 0.0)
    sketch.add(openShape(LineKind::Hidden,
                         {{-bleed, -bleed},
                          {width + bleed, -bleed},
                          {width + bleed, height + bleed},
                          {-bleed, height + bleed},
                          {-bleed, -bleed}},
                         jacket));
  sketch.add(closedShape(isCut, Matter::Paper, rectangle(0, 0, width, height), jacket));
  for (int i = 1; i < 5; ++i)
    sketch.add(openShape(LineKind::Fold, {{folds[i], 0}, {folds[i], height}}, jacket));
  const double coverElse = source.numberOr("cover_else", cover);
  if (coverElse != cover) {
    const double middle = (folds[1] + folds[2]) / 2, half = coverElse / 2;
    for (const double x : {middle - half, middle + half})
      sketch.add(openShape(LineKind::Hidden, {{x, 0}, {x, height}}, jacket));
  }

  const double off = 0.05 * std::max(width, height), above = height + bleed + off,
               below = -bleed - off;
  sketch.point("jacket", {0.4 * flap, height});
  sketch.point("opens", {folds[4] + 0.6 * flapOther, height});
  sketch.point("flap_foot", {folds[1] / 2, 0});
  sketch.point("cover_foot", {(folds[1] + folds[2]) / 2, 0});
  sketch.point("spine_foot", {(folds[2] + folds[3]) / 2, 0});
  sketch.point("flap_other_foot", {(folds[4] + width) / 2, 0});
  sketch.point("edge", {width, height / 2});
  sketch.line("width", {0, below}, {width, below});
  sketch.line("height", {-bleed - off, 0}, {-bleed - off, height});
  sketch.line("flap", {0, above}, {folds[1], above});
  sketch.line("cover", {folds[1], above}, {folds[2], above});
  sketch.line("spine", {folds[2], above}, {folds[3], above});
  sketch.line("cover_other", {folds[3], above}, {folds[4], above});
  sketch.line("flap_other", {folds[4], above}, {width, above});
  sketch.point("bare", {folds[1], 0.25 * height});
  sketch.point("clearance", {width, 0.98 * height});
  sketch.point("bleed", {width + bleed / 2, 0.5 * height});
  sketch.point("sheet", {width, 0.2 * height});
  return sketch;
}

}  // namespace drapery
