#include "core/cutting/end_to_end.h"

#include <algorithm>

namespace drapery {

std::optional<EndToEnd::Strip> EndToEnd::best(const std::vector<Part>& parts, Micrometres length,
                                              Micrometres high, const PackedCounts& lacking,
                                              double mostLost) {
  cells_.assign(kCells + 1, {});
  begun_.assign(1, {});
  steps_.assign(1, {});
  const double perCell = double(kCells) / double(length);
  for (std::uint32_t p = 0; p < parts.size(); ++p) {
    const Part& part = parts[p];
    // Also behind itself, where there is more of it.
    for (std::size_t b = 0; b < begun_.size(); ++b) {
      const Begun& begun = begun_[b];
      const Micrometres reaches = begun.length + part.length;
      const double lost = begun.lost + part.lost;
      if (reaches > length || lost >= mostLost) continue;
      if (!PackedCounts::isThere(begun.taken, part.taken, lacking)) continue;
      put({begun.taken + part.taken, reaches, lost, begun.step}, p,
          cells_[static_cast<std::size_t>(double(reaches) * perCell)]);
    }
  }
  const Begun* best = nullptr;
  for (const Begun& begun : begun_) {
    const double lost = begun.lost + double(length - begun.length) * double(high);
    if (lost >= mostLost) continue;
    mostLost = lost;
    best = &begun;
  }
  if (best == nullptr) return std::nullopt;
  Strip strip{mostLost, best->taken, {}};
  for (std::uint32_t step = best->step; step != 0; step = steps_[step].before)
    strip.parts.push_back(steps_[step].part);
  return strip;
}

void EndToEnd::put(const Begun& more, std::uint32_t part, Cell& cell) {
  Begun* into = nullptr;
  if (cell.count < kInACell) {
    cell.begun[cell.count++] = static_cast<std::uint32_t>(begun_.size());
    begun_.push_back(more);
    into = &begun_.back();
  } else {
    into = &begun_[*std::max_element(
        cell.begun.begin(), cell.begun.end(),
        [&](std::uint32_t a, std::uint32_t b) { return begun_[a].lost < begun_[b].lost; })];
    if (into->lost <= more.lost) return;
    *into = more;
  }
  steps_.push_back({more.step, part});
  into->step = static_cast<std::uint32_t>(steps_.size() - 1);
}

}  // namespace drapery
