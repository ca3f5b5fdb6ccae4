#include "core/cutting/clear_lines.h"

#include <algorithm>
#include <limits>

namespace drapery {

ClearLines::ClearLines(const SheetPart& region, const std::vector<SheetPart>& pieces, bool isBeside,
                       Micrometres kerf)
    : start_(isBeside ? region.x : region.y),
      end_(start_ + (isBeside ? region.across : region.along)),
      kerf_(kerf) {
  for (const SheetPart& piece : pieces) {
    const Micrometres from = isBeside ? piece.x : piece.y;
    spans_.emplace_back(from, from + (isBeside ? piece.across : piece.along));
  }
  std::sort(spans_.begin(), spans_.end());
  for (const auto& [from, to] : spans_)
    reach_.push_back(reach_.empty() ? to : std::max(reach_.back(), to));
}

bool ClearLines::isClear(Micrometres at) const {
  if (at - start_ <= kerf_ || at >= end_) return false;
  constexpr Micrometres kLast = std::numeric_limits<Micrometres>::max();
  const auto from = std::lower_bound(spans_.begin(), spans_.end(), std::pair(at, -kLast));
  if (from != spans_.begin() && reach_[static_cast<std::size_t>(from - spans_.begin()) - 1] > at)
    return false;
  // Nearer than a kerf behind the cut a piece could never be cut free on that side.
  const auto next = std::upper_bound(from, spans_.end(), std::pair(at, kLast));
  return next == spans_.end() || next->first - at > kerf_;
}

std::vector<Micrometres> ClearLines::all() const {
  std::vector<Micrometres> edges, lines;
  for (const auto& [from, to] : spans_) {
    edges.push_back(from);
    edges.push_back(to);
  }
  std::sort(edges.begin(), edges.end());
  for (const Micrometres edge : edges)
    if (edge - (lines.empty() ? start_ : lines.back()) > kerf_ && isClear(edge))
      lines.push_back(edge);
  return lines;
}

}  // namespace drapery
