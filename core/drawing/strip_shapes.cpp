#include "core/drawing/strip_shapes.h"

#include <algorithm>

namespace drapery {

namespace {

constexpr double kUsualPanels = 6.0;
constexpr int kMostDrawn = 24;  // more would be a grey band
constexpr int kMostPanels = 100000;
constexpr double kBar = 0.05;        // of a panel's width, from its face to the picture's bar
constexpr double kBarLength = 0.62;  // of a panel
constexpr double kCover = 0.05;      // of a panel's width, a cover's thickness as drawn

}  // namespace

int panelsDrawn(const FigureSource& source) {
  const int panels = static_cast<int>(
      std::clamp(source.numberOr("panels", kUsualPanels), 1.0, double{kMostPanels}));
  // The back cover stays on its face.
  return panels <= kMostDrawn ? panels : kMostDrawn - (panels - kMostDrawn) % 2;
}

void addStrip(Sketch& sketch, const FigureSource& source, const Zigzag& strip, bool isMeasured) {
  const int panels = panelsDrawn(source);
  const Subject subject = source.subject("strip");
  std::vector<Point> zigzag;
  for (int i = 0; i <= panels; ++i) zigzag.push_back(strip.fold(i));
  sketch.add(openShape(isMeasured ? LineKind::Cut : LineKind::Hidden, zigzag, subject));
  // The front cover sits on the face that is below at the left; the back one on the same face of
  // the strip where the panels are even.
  const double front = -1.0, back = panels % 2 == 0 ? front : -front;
  for (int i = 0; i < panels; ++i)
    for (const double side : {-front, front}) {
      const bool isCovered = (i == 0 && side == front) || (i == panels - 1 && side == back);
      const bool hasPicture =
          !isCovered && (source.numberOr("is_both", 1.0) > 0.0 || side == -front);
      if (isCovered)
        sketch.add(closedShape(isMeasured, Matter::Board,
                               strip.along(i, side, 0, kCover * strip.panel, 1.06),
                               source.subject("cover")));
      if (hasPicture && isMeasured)
        sketch.add(closedShape(
            true, Matter::Paper,
            strip.along(i, side, kBar * strip.panel, 0.4 * kBar * strip.panel, kBarLength),
            subject));
    }
}

}  // namespace drapery
