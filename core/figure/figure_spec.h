// The figures that a rule file's views can name: what numbers each is drawn from, what it shows,
// and where tags can hang on it. How they are drawn stands in core/drawing.
#pragma once

#include <span>
#include <string_view>

#include "core/expr/dimension.h"

namespace drapery {

struct FigureInput {
  std::string_view id;
  Dimension dimension;
  std::string_view meaning;  // one sentence
};

struct FigureSpec {
  std::string_view id;
  std::string_view meaning;
  std::span<const FigureInput> inputs;       // a view binds each of them to a formula
  std::span<const std::string_view> things;  // what it shows; a view says which value or part it is
  std::span<const std::string_view> spots;   // where tags hang
  /// Spots at every piece that lies in the drawing: "board.width_above".
  std::span<const std::string_view> pieceSpots;
  bool isToScale = true;
};

/// Null when there is no such figure.
const FigureSpec* findFigure(std::string_view id);
std::span<const FigureSpec> allFigures();

}  // namespace drapery
