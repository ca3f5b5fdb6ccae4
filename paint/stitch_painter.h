// The strip of a stab-sewn book opened out about its spine: the front above, the spine's thickness
// as a band, the back below, the head at the left; both faces at once, to scale.
#pragma once

#include <QLineF>
#include <QRectF>
#include <QString>
#include <QTransform>
#include <vector>

#include "core/sewing/strip_measures.h"
#include "paint/palette.h"

class QPainter;

namespace drapery {

/// What is left of the paper beside a hole, and how that is written.
struct ShownLand {
  StripLand land;
  QString words;
};

struct StitchPicture {
  const StitchGraph* graph = nullptr;
  const std::vector<SewStep>* steps = nullptr;  // may be null: the holes alone
  std::size_t done = 0;                         // steps that are drawn
  std::size_t present = 0;             // of these the ones from here on are the present move
  double thickness = 10.0;             // mm, of the sewn book
  double hole = 2.0;                   // mm across
  std::vector<int> passes;             // by hole, of the whole way; may be empty
  bool isFromBack = false;             // turned about the spine
  bool showsWay = true;                // what is still to come, as a hairline
  bool isSmall = false;                // no words and no numbers
  std::vector<StripMeasure> measures;  // those with a line, drawn beside the front
  std::vector<ShownLand> lands;
};

/// mm from the head and from the middle of the band to the painter's units, at one scale.
QTransform stitchRoom(const StitchPicture& picture, const QRectF& target);
/// Where a hole lies on a face, in those mm.
QPointF stitchPlace(const StitchPicture& picture, std::size_t hole, Face face);
/// The same of any place on a face: mm from the head and from the spine edge; below 0 over it.
QPointF stitchPlace(const StitchPicture& picture, Point at, Face face);
/// All that is painted, in the painter's units.
QRectF stitchBounds(const StitchPicture& picture, const QRectF& target);

/// Where the measuring line of the picture's `which`-th measure is drawn, in the painter's units.
QLineF stitchMeasureLine(const StitchPicture& picture, std::size_t which, const QRectF& target);

/// All of it, or in layers from below: what lies still, steps of the thread (heavy from `present`
/// on), holes and sizes, the parts of the rings that steps fill, the needle.
void paintStitchGround(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                       const Palette& palette);
void paintStitchThread(QPainter& painter, const StitchPicture& picture, std::size_t from,
                       std::size_t to, const QRectF& target, const Palette& palette);
void paintStitchRings(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                      const Palette& palette);
void paintStitchPasses(QPainter& painter, const StitchPicture& picture, std::size_t from,
                       std::size_t to, const QRectF& target, const Palette& palette);
void paintStitchNeedle(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                       const Palette& palette);
void paintStitches(QPainter& painter, const StitchPicture& picture, const QRectF& target,
                   const Palette& palette);

}  // namespace drapery
