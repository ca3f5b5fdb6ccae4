// A sheet of a lay-out as it lies on the bench: its pieces, its cuts, what is left over.
#pragma once

#include <vector>

#include "core/cutting/cut_order.h"
#include "core/drawing/drawing.h"
#include "core/rules/section/part.h"

namespace drapery {

/// What a drawing of sheets is of; all of it outlives the drawing's making.
struct SheetSource {
  const CutProblem& problem;
  const CutLayout& layout;
  const std::vector<const PlannedPart*>& parts;  // of the problem's pieces; null: a bare rectangle
};

struct SheetDrawing {
  Drawing drawing;
  struct Piece {
    std::size_t placement = 0;  // of the sheet
    Box box;
  };
  std::vector<Piece> pieces;  // that lie free or in what is still to be cut
  struct Cut {
    int number = 0;  // of the setting, from 1
    Point from, to;
  };
  std::vector<Cut> cuts;  // that are still to be made
  std::vector<Box> left;  // off-cuts
  /// A long roll lies: what is along it runs to the right, its left edge is above.
  bool isLying = false;
  double across = 0.0;  // of the stock, mm
  /// A place of the drawing on the stock.
  [[nodiscard]] Box onStock(const Box& drawn) const;
};

/// How far the cutting has come.
struct SheetProgress {
  const std::vector<GaugeStep>* steps = nullptr;
  std::size_t made = 0;
};

/// The sheet whole, with what lies on it and the cuts in their order; after some of the steps what
/// is cut apart lies a little apart. A roll is drawn a little beyond what is used of it, and lying
/// where that is long. Off-cuts are those of `kept`.
SheetDrawing sheetDrawing(const SheetSource& source, std::size_t sheet,
                          const SheetProgress& progress, const std::vector<CutPlacement>& kept);

/// A stock alone with its grain; of a roll its beginning.
Drawing stockDrawing(const CutStock& stock);

}  // namespace drapery
