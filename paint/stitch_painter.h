// The strip of a stab-sewn book opened out about its spine: the front above, the spine's thickness
// as a band, the back below, the head at the left; both faces at once, to scale.
#pragma once

#include <QRectF>
#include <QTransform>
#include <vector>

#include "core/sewing/trail.h"
#include "paint/palette.h"

class QPainter;

namespace drapery {

struct StitchPicture {
  const StitchGraph* graph = nullptr;
  const std::vector<SewStep>* steps = nullptr;  // may be null: the holes alone
  std::size_t done = 0;                         // steps that are drawn
  std::size_t present = 0;  // of these the ones from here on are the present move
  double thickness = 10.0;  // mm, of the sewn book
  double hole = 2.0;        // mm across
  std::vector<int> passes;  // by hole, of the whole way; may be empty
  bool isFromBack = false;  // turned about the spine
  bool showsWay = true;     // what is still to come, as a hairline
  bool isSmall = false;     // no words and no numbers
};

/// mm from the head and from the middle of the band to the painter's units, at one scale.
QTransform stitchRoom(const StitchPicture& picture, const QRectF& target);
/// Where a hole lies on a face, in those mm.
QPointF stitchPlace(const StitchPicture& picture, std::size_t hole, Face face);

void paintStitches(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                   const Palette& palette);

}  // namespace drapery
