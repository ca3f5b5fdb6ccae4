// Sections linked through the ends of a slot in a card spine: the order of the thread in both rows.
#pragma once

#include <vector>

#include "core/sewing/stitch_graph.h"

namespace drapery {

struct LinkStep {
  enum class Do { Pass, Loop, Knot, Bridge, Link };
  Do what = Do::Pass;
  int section = 0;       // Pass, Loop, Knot, Link
  bool isIn = false;     // Pass, Loop: where it leads
  int from = 0, to = 0;  // Bridge; Link: the two sections whose bridge it goes under
};

struct LinkRow {
  int row = 1;
  Round end = Round::Head;  // Head or Tail
  std::vector<int> order;   // sections
  std::vector<LinkStep> steps;
};

/// The first at the head, sections 1 to n, the second at the tail, back; for the left hand the tail
/// first.
std::vector<LinkRow> linkRows(int sections, Hand hand);

}  // namespace drapery
