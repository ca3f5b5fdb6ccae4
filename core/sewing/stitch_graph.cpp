#include "core/sewing/stitch_graph.h"

#include <algorithm>
#include <cmath>

namespace drapery {

int StitchGraph::leads(std::size_t stretch, std::size_t from) const {
  const double down = holes[farEnd(stretch, from)].along - holes[from].along;
  return std::abs(down) <= kSamePlace ? 0 : down < 0.0 ? -1 : 1;
}

double StitchGraph::lengthOf(std::size_t stretch) const {
  const auto& [a, b] = stretches[stretch];
  return std::hypot(holes[a].along - holes[b].along, holes[a].across - holes[b].across);
}

double StitchGraph::reachOf(const StitchWrap& wrap) const {
  const StitchHole& hole = holes[wrap.hole];
  if (wrap.round == Round::Spine) return hole.across;
  return wrap.round == Round::Head ? hole.along : spineLength - hole.along;
}

bool StitchGraph::has(const StitchWrap& wrap) const {
  return std::find(wraps.begin(), wraps.end(), wrap) != wraps.end();
}

StitchesAt::StitchesAt(std::size_t holes,
                       const std::vector<std::pair<std::size_t, std::size_t>>& stretches)
    : first_(holes + 1, 0), all_(2 * stretches.size()) {
  for (const auto& [a, b] : stretches) {
    ++first_[a];
    ++first_[b];
  }
  std::size_t end = 0;
  for (std::size_t& first : first_) first = end += first;  // each hole's end, and filled from there
  for (std::size_t i = stretches.size(); i-- > 0;) {
    all_[--first_[stretches[i].first]] = i;
    all_[--first_[stretches[i].second]] = i;
  }
}

std::vector<int> StitchGraph::passes() const {
  std::vector<int> count(holes.size(), 0);
  for (const auto& [a, b] : stretches) {
    ++count[a];
    ++count[b];
  }
  for (const StitchWrap& wrap : wraps) ++count[wrap.hole];
  return count;
}

std::vector<std::vector<std::size_t>> partsOf(const StitchGraph& graph) {
  const auto at = graph.atHoles();
  std::vector<bool> seen(graph.holes.size(), false);
  std::vector<std::vector<std::size_t>> parts;
  for (std::size_t first = 0; first < graph.holes.size(); ++first) {
    if (seen[first]) continue;
    std::vector<std::size_t> part{first};
    seen[first] = true;
    for (std::size_t i = 0; i < part.size(); ++i)
      for (const std::size_t stretch : at[part[i]])
        if (const std::size_t next = graph.farEnd(stretch, part[i]); !seen[next]) {
          seen[next] = true;
          part.push_back(next);
        }
    std::sort(part.begin(), part.end());
    parts.push_back(std::move(part));
  }
  return parts;
}

}  // namespace drapery
