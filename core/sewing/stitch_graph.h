// Holes, the stretches of thread between them and the wraps round an edge, at their places on a
// book. A hole goes through the whole book; every stretch is drawn once on either face.
#pragma once

#include <cstddef>
#include <span>
#include <string>
#include <utility>
#include <vector>

#include "core/rules/section/stitches.h"

namespace drapery {

enum class Face { Front, Back };
constexpr Face otherFace(Face face) { return face == Face::Front ? Face::Back : Face::Front; }
constexpr const char* nameOf(Face face) { return face == Face::Front ? "front" : "back"; }
enum class Hand { Right, Left };

/// mm from the head and from the spine edge.
struct StitchHole {
  double along = 0.0;
  double across = 0.0;
  std::string row;   // "near"
  std::string name;  // in the pattern: "near[3]"
};

struct StitchWrap {
  std::size_t hole = 0;
  Round round = Round::Spine;
  friend bool operator==(const StitchWrap& a, const StitchWrap& b) {
    return a.hole == b.hole && a.round == b.round;
  }
};

/// The stretches at each hole, by number.
class StitchesAt {
 public:
  StitchesAt(std::size_t holes, const std::vector<std::pair<std::size_t, std::size_t>>& stretches);
  [[nodiscard]] std::span<const std::size_t> operator[](std::size_t hole) const {
    return std::span(all_).subspan(first_[hole], first_[hole + 1] - first_[hole]);
  }
  [[nodiscard]] std::size_t size() const { return first_.size() - 1; }

 private:
  std::vector<std::size_t> first_, all_;  // of each hole the first in `all_`, and their end
};

/// Holes are numbered by `along`, then `across`: the first is nearest the head.
struct StitchGraph {
  double spineLength = 0.0;  // mm
  double stripWidth = 0.0;
  std::vector<StitchHole> holes;
  std::vector<std::pair<std::size_t, std::size_t>> stretches;  // the lesser number first, in order
  std::vector<StitchWrap> wraps;                               // by hole; spine, head, tail

  /// -1 where the stretch leads from this hole toward the head, 1 toward the tail, 0 level.
  [[nodiscard]] int leads(std::size_t stretch, std::size_t from) const;
  [[nodiscard]] std::size_t farEnd(std::size_t stretch, std::size_t from) const {
    const auto& [a, b] = stretches[stretch];
    return a == from ? b : a;
  }
  [[nodiscard]] double lengthOf(std::size_t stretch) const;
  /// From the hole's centre to the edge that it goes round, on one face.
  [[nodiscard]] double reachOf(const StitchWrap& wrap) const;
  [[nodiscard]] bool has(const StitchWrap& wrap) const;
  [[nodiscard]] StitchesAt atHoles() const { return {holes.size(), stretches}; }
  /// Stretches and wraps of each hole: as often the thread passes through it, without the knot.
  [[nodiscard]] std::vector<int> passes() const;
};

/// The holes that hang together, by number, each list in order; one list where the pattern is one.
std::vector<std::vector<std::size_t>> partsOf(const StitchGraph& graph);

/// Equal within this: level, or in one place.
inline constexpr double kSamePlace = 1e-7;  // mm

}  // namespace drapery
