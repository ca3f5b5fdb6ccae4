// A lay-out's cuts as rectangles side by side, of which one after the other is cut off.
#pragma once

#include <limits>
#include <string>
#include <vector>

#include "core/cutting/cut_rectangle.h"

namespace drapery {

/// Within a sheet; of an edge; the used part of a roll from the roll.
enum class CutPurpose { Part, Trim, OffRoll };

/// The moment of what no piece comes from.
constexpr int kNeverCut = std::numeric_limits<int>::max();

/// Rectangles beside one another that parallel cuts part.
struct CutRun {
  struct Segment {
    CutRectangle at;
    /// Else it is what stays when all others are cut off: it is left over, or cut later, or its
    /// pieces need less than it is wide.
    bool isMeasured = false;
    int moment = kNeverCut;  // of the first piece that comes from it
    int inside = -1;         // the run that it is cut into
    int node = -1;           // of the cut above it; of the last none
    int leaf = -1;           // the node that it is, if it is not cut
    Micrometres slack = 0;   // by which what is in it could be less wide
  };
  std::size_t sheet = 0;  // of the lay-out
  int times = 1;          // of sheets that are alike
  bool isAcross = false;  // cut at an x
  int moment = kNeverCut;
  std::vector<Segment> segments;
  CutPurpose purpose = CutPurpose::Part;

  [[nodiscard]] Micrometres width(const CutRectangle& of) const {
    return isAcross ? of.across : of.along;
  }
  [[nodiscard]] CutRectangle between(std::size_t from, std::size_t to) const;
};

/// Of each sheet the first is the one that it is itself cut into.
struct CutRuns {
  std::vector<CutRun> runs;
  std::vector<std::size_t> first;
};

/// Those of one material.
/// @param isWithEdges whether edges are trimmed, and what is used of a roll is cut off it, first;
/// else they begin with the usable rectangle.
CutRuns cutRuns(const CutProblem& problem, const CutLayout& layout, const std::string& material,
                bool isWithEdges);

/// Neighbours that are cut at a later moment of the work are one segment until then.
void keepLaterWhole(CutRuns& all);

}  // namespace drapery
