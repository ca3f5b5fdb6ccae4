// What the binder decided about the cutting of a book, and what was cut.
#pragma once

#include <map>
#include <string>
#include <vector>

namespace drapery {

/// A piece that was put somewhere on a sheet of a stock; mm from the lower left corner.
struct JobPin {
  std::string piece, stock;
  int sheet = 0;  // those of one number lie on one sheet
  double x = 0.0, y = 0.0;
  bool isTurned = false;
  friend bool operator==(const JobPin& a, const JobPin& b) {
    return a.piece == b.piece && a.stock == b.stock && a.sheet == b.sheet && a.x == b.x &&
           a.y == b.y && a.isTurned == b.isTurned;
  }
};

/// A lay-out to go back to: where each piece lies.
struct KeptLayOut {
  std::string name;
  std::vector<JobPin> pins;
  friend bool operator==(const KeptLayOut& a, const KeptLayOut& b) {
    return a.name == b.name && a.pins == b.pins;
  }
};

/// mm.
struct CutSize {
  double width = 0.0, height = 0.0;
  friend bool operator==(const CutSize& a, const CutSize& b) = default;
};

/// What was really cut from a stock: pieces, and how often. What was spoilt is to be cut again.
struct CutDone {
  std::string stock;
  std::string book = {};              // whose they are, as `with` names its file; empty: this one's
  std::map<std::string, int> pieces;  // that are good; by the ids that they have in that book
  std::map<std::string, int> spoilt;
  int sheetsSpoilt = 0;                  // of which nothing was cut
  bool isMockUp = false;                 // of the book itself nothing was cut
  std::map<std::string, CutSize> sizes;  // of the pieces then; not of all in old files
  std::map<std::string, int> layers;     // of which so many make one
  friend bool operator==(const CutDone& a, const CutDone& b) = default;
};

enum class StockFirst { LeastCost, OffCuts, WholeSheets };

struct JobCutting {
  StockFirst first = StockFirst::LeastCost;
  std::string mockUp;             // the stock that all is cut from instead; empty: none
  std::vector<std::string> with;  // files of books that are cut together with this one
  std::vector<JobPin> pins;
  std::vector<KeptLayOut> kept;
  std::vector<CutDone> done;

  [[nodiscard]] bool isEmpty() const { return *this == JobCutting(); }
  friend bool operator==(const JobCutting& a, const JobCutting& b) {
    return a.first == b.first && a.mockUp == b.mockUp && a.with == b.with && a.pins == b.pins &&
           a.kept == b.kept && a.done == b.done;
  }
};

}  // namespace drapery
