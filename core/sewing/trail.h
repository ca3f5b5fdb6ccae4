// The way that one thread takes through all of a pattern: each stretch once on either face, each
// wrap once, with the fewest turnings of the work.
//
// Visits. At a hole the thread comes along a stretch on one face and leaves along one on the other:
// every visit pairs an end of a stretch on the front with one on the back. As each stretch is drawn
// on both faces, a hole has as many ends on either, so any such pairing makes closed ways, and two
// of them that meet in a hole become one by exchanging partners (Kotzig 1968, two colours). A wrap
// and the pass after it bring the needle back to the face where it was.
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "core/sewing/stitch_graph.h"

namespace drapery {

struct SewStep {
  enum class Do { Pass, Stretch, Wrap, Knot, Thread };
  Do what = Do::Pass;
  std::size_t hole = 0;     // Stretch: where it leads
  std::size_t from = 0;     // Stretch
  std::size_t stretch = 0;  // Stretch
  Face to = Face::Front;    // Pass, Wrap: the face reached; Stretch, Knot: the one it lies on
  Round round = Round::Spine;
  bool hides = false;  // a pass that draws the knot in
  int piece = 1;       // Thread: the one that begins
};

enum class Finish { Buried, Glued, Ornament };

struct Trail {
  std::size_t start = 0;
  std::vector<SewStep> steps;
  int turns = 0;
  int bound = 0;  // no way has fewer
};

/// The steps, from 0, at which the work turns back: a stretch toward the tail after one toward the
/// head, or the other way. Level ones turn nothing.
std::vector<std::size_t> turnings(const StitchGraph& graph, const std::vector<SewStep>& steps);

/// The face to which all passes of each hole go, where they all go one way; the pass that hides a
/// knot is not counted. Where no ring of stretches is odd that is every hole (Kotzig 1968).
std::vector<std::optional<Face>> oneWays(const StitchGraph& graph,
                                         const std::vector<SewStep>& steps);

/// The fewest turnings that any way from the hole can have.
int turnsBound(const StitchGraph& graph, std::size_t start);

/// The same way on every machine. The graph must be in one part; an ornament needs a spine wrap at
/// the start hole.
Trail sewAll(const StitchGraph& graph, std::size_t start, Hand hand, Finish finish);

/// Of the holes in these rows (all, where none is named) the one nearest the middle of the spine;
/// of two equal ones the one toward the head, for the left hand toward the tail.
std::size_t startHole(const StitchGraph& graph, const std::vector<std::string>& rows, Hand hand);

}  // namespace drapery
