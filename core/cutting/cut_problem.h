// What is to be cut, and from what: rectangular pieces, and the sheets and rolls that lie there.
// Whole micrometres: a lay-out is judged without tolerance.
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace drapery {

using Micrometres = std::int64_t;

enum class StockForm { Sheet, Roll };
/// Which way the grain of a stock runs.
enum class StockGrain { Along, Across };
/// Where the top of a stock's pattern is: at the far end of its length, or on its right side.
enum class StockPattern { None, Along, Across };
/// Which side of a piece the grain has to run along.
enum class PieceGrain { Height, Width, Free };

/// Sheets of one size, or a roll. x runs across it, y along it.
struct CutStock {
  std::string id, material;
  StockForm form = StockForm::Sheet;
  Micrometres across = 0, along = 0;  // of a roll: what is left on it
  StockGrain grain = StockGrain::Along;
  StockPattern pattern = StockPattern::None;
  std::optional<int> count;                              // none: as many as are wanted
  Micrometres left = 0, right = 0, bottom = 0, top = 0;  // edges that are trimmed away
  Micrometres kerf = 0;                                  // lost at each cut
  double cost = 0.0;                                     // of a sheet, or of a metre of a roll
  friend bool operator==(const CutStock& a, const CutStock& b) = default;
};

/// What makes a stock one that nothing can be cut from.
enum class StockFault { Kerf, Edges };  // the kerf is wider than it; its edges leave nothing
std::optional<StockFault> faultOf(const CutStock& stock);

struct CutPiece {
  std::string id, material;
  Micrometres width = 0, height = 0;
  int count = 1;
  PieceGrain grain = PieceGrain::Height;
  double value = 0.0;  // where not all need be placed
  int moment = 0;      // when in the work it is cut: an earlier one first
  friend bool operator==(const CutPiece& a, const CutPiece& b) = default;
};

/// Where a piece has to lie, since the binder put it there.
struct CutPin {
  std::size_t piece = 0, stock = 0;
  int sheet = 0;             // those of one number lie on one sheet of that stock
  Micrometres x = 0, y = 0;  // its lower left corner on the untrimmed stock
  bool isTurned = false;
  friend bool operator==(const CutPin& a, const CutPin& b) = default;
};

struct CutProblem {
  std::string name;
  bool isForValue = false;  // the greatest value from one sheet; else all pieces at the least cost
  std::vector<CutStock> stocks;
  std::vector<CutPiece> pieces;
  std::vector<CutPin> pins = {};  // the others are laid around them
  friend bool operator==(const CutProblem& a, const CutProblem& b) = default;
};

/// A piece as it lies on a stock, enlarged by the kerf to the right and top: enlarged pieces on an
/// enlarged sheet are cut without loss.
struct LyingSize {
  Micrometres across = 0, along = 0;
  bool isTurned = false;
};

/// The usable rectangle, enlarged alike.
struct UsableSize {
  Micrometres across = 0, along = 0;
};

UsableSize usableOf(const CutStock& stock);
/// Of that, um2.
double roomOf(const CutStock& stock);

/// Why a piece may not lie so: its grain would run the wrong way; the pattern would lie on its
/// side.
enum class LyingFault { Grain, Pattern };
std::optional<LyingFault> whyNotLying(const CutStock& stock, const CutPiece& piece, bool isTurned);

/// The ways in which a piece may lie on a stock with its grain, the pattern's top at its head, and
/// within its usable rectangle; none for another material. A square lies one way.
std::vector<LyingSize> lyingSizes(const CutStock& stock, const CutPiece& piece);

}  // namespace drapery
