// Blocks one below another over as many pages as they need. mm.
#pragma once

#include <functional>
#include <vector>

namespace drapery {

struct FlowBlock {
  double height = 0.0;
  double before = 0.0;         // left free above it, save at the top of a page
  bool keepsWithNext = false;  // not the last thing on a page, where that can be helped
  std::function<void(double top)> paint;
};

struct FlowPlace {
  int page = 0;
  double top = 0.0;  // below the page's first room
};

/// Where each block lies. Blocks that keep together begin a page anew when they do not fit into
/// what is left of one, and are parted only when a whole page is not enough. No page is left empty.
/// @param heightOf the room of a page, counted from 0.
std::vector<FlowPlace> flowOverPages(const std::vector<FlowBlock>& blocks,
                                     const std::function<double(int page)>& heightOf);

}  // namespace drapery
