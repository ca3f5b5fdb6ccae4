#include "exchange/page_flow.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-6;  // mm: what adding up in another order leaves

/// One past the last of the blocks that keep together from `first` on, and their height.
struct Run {
  std::size_t end;
  double height;  // without what is left free above the first
};
Run runFrom(const std::vector<FlowBlock>& blocks, std::size_t first) {
  Run run{first + 1, blocks[first].height};
  while (run.end < blocks.size() && blocks[run.end - 1].keepsWithNext) {
    run.height += blocks[run.end].before + blocks[run.end].height;
    ++run.end;
  }
  return run;
}

}  // namespace

std::vector<FlowPlace> flowOverPages(const std::vector<FlowBlock>& blocks,
                                     const std::function<double(int page)>& heightOf) {
  std::vector<FlowPlace> places;
  places.reserve(blocks.size());
  int page = 0;
  double y = 0.0;
  const auto fits = [&](double height) { return y + height <= heightOf(page) + kSame; };
  const auto turn = [&] {
    ++page;
    y = 0.0;
  };
  for (std::size_t first = 0; first < blocks.size();) {
    const Run run = runFrom(blocks, first);
    if (y > 0.0 && !fits(blocks[first].before + run.height)) turn();
    for (std::size_t i = first; i < run.end; ++i) {
      const double before = y > 0.0 ? blocks[i].before : 0.0;
      if (y > 0.0 && !fits(before + blocks[i].height)) turn();
      if (y > 0.0) y += blocks[i].before;
      places.push_back({page, y});
      y += blocks[i].height;
    }
    first = run.end;
  }
  return places;
}

}  // namespace drapery
