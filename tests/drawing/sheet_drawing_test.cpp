// Sheets of a lay-out as they are drawn.
#include "core/drawing/sheet_drawing.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/cutting/for_bench.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

double areaOf(const Box& box) { return box.width() * box.height(); }

bool isWithin(const Box& inner, const Box& outer) {
  constexpr double kNothing = 1e-6;
  return inner.left > outer.left - kNothing && inner.right < outer.right + kNothing &&
         inner.bottom > outer.bottom - kNothing && inner.top < outer.top + kNothing;
}

bool areOver(const Box& a, const Box& b) {
  constexpr double kNothing = 1e-6;
  return a.left < b.right - kNothing && b.left < a.right - kNothing &&
         a.bottom < b.top - kNothing && b.bottom < a.top - kNothing;
}

/// Of all shapes of that matter, in their order.
std::vector<Box> boxesOf(const Drawing& drawing, Matter matter) {
  std::vector<Box> boxes;
  for (const Shape& shape : drawing.shapes) {
    if (shape.matter != matter) continue;
    Drawing alone;
    alone.shapes = {shape};
    boxes.push_back(boundsOf(alone));
  }
  return boxes;
}

double sumOf(const std::vector<Box>& boxes) {
  double sum = 0.0;
  for (const Box& box : boxes) sum += areaOf(box);
  return sum;
}

// What no piece lies on, what is not kept and is not left on the roll is seen to be waste; all else
// lies on what was cut apart, however far the cutting has come.
RC_GTEST_PROP(SheetDrawing, showsAsWasteWhatIsNeitherAPieceNorKept, ()) {
  const CutProblem problem = test::anyProblem(3, 6, 2);
  const CutLayout layout = forBench(problem, test::laidOut(problem, 20), {});
  const std::vector<const PlannedPart*> parts(problem.pieces.size());
  for (std::size_t which = 0; which < layout.sheets.size(); ++which) {
    const CutSheet& sheet = layout.sheets[which];
    const CutStock& stock = problem.stocks[sheet.stock];
    const auto kept = usableLeft(stock, sheet, {});
    const auto steps = cutOrder(problem, layout, stock.material);
    const SheetProgress progress{&steps, *rc::gen::inRange<std::size_t>(0, steps.size() + 1)};
    const SheetDrawing drawn = sheetDrawing({problem, layout, parts}, which, progress, kept);
    std::vector<Box> pieces;
    for (const SheetDrawing::Piece& piece : drawn.pieces) pieces.push_back(piece.box);
    const std::vector<Box> ground = boxesOf(drawn.drawing, Matter::Waste);
    for (const std::vector<Box>& all : {pieces, drawn.left})
      for (const Box& box : all)
        RC_ASSERT(std::any_of(ground.begin(), ground.end(),
                              [&](const Box& under) { return isWithin(box, under); }));
    for (std::size_t i = 0; i < ground.size(); ++i)
      for (std::size_t k = 0; k < i; ++k) RC_ASSERT(!areOver(ground[i], ground[k]));
    const bool isRoll = stock.form == StockForm::Roll;
    const double used = double(isRoll ? lengthUsed(stock, sheet) : stock.along) / 1000;
    const double lost = used * double(stock.across) / 1000 - sumOf(pieces) - sumOf(drawn.left);
    const double onRoll = sumOf(boxesOf(drawn.drawing, Matter::Leaves)) - sumOf(drawn.left);
    const double seen = sumOf(ground) - sumOf(pieces) - sumOf(drawn.left) - onRoll;
    RC_ASSERT(onRoll > 0 || !isRoll);
    // Saw dust is no longer there once it was made.
    if (progress.made == 0) RC_ASSERT(std::abs(seen - lost) < 1e-3);
    RC_ASSERT(seen < lost + 1e-3);
  }
}

}  // namespace
}  // namespace drapery
