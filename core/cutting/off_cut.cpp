#include "core/cutting/off_cut.h"

#include <algorithm>
#include <array>
#include <cstdint>
#include <optional>
#include <queue>
#include <tuple>
#include <unordered_set>

namespace drapery {

namespace {

constexpr std::size_t kMostLooks = 40000;

/// Strips are cut off, the most promising rest first, until nothing but an off-cut is left.
class Search {
 public:
  Search(const OffCutSheet& sheet, std::size_t set, double over) : sheet_(sheet) {
    found_.area = over;
    go({sheet.usable.across, sheet.usable.along, set, 0, {}});
  }

  OffCut run(const std::function<bool()>& isEnough) {
    constexpr std::size_t kOften = 16;  // looks between two questions
    for (std::size_t looks = 0; !heap_.empty() && looks < kMostLooks; ++looks) {
      if (looks % kOften == kOften - 1 && isEnough()) break;
      const Look look = heap_.top();
      heap_.pop();
      if (look.most <= found_.area) break;
      cutFrom(look.at);
    }
    if (!best_) return found_;
    for (std::size_t at = *best_; at != 0; at = rests_[at].from)
      found_.strips.push_back(rests_[at].strip);
    std::reverse(found_.strips.begin(), found_.strips.end());
    return found_;
  }

 private:
  /// A rectangle, enlarged, that a taking is still to be cut out of, and the strip before it.
  struct Rest {
    Micrometres across = 0, along = 0;
    std::size_t set = 0, from = 0;
    OffCutStrip strip;
    /// Whatever was cut off before.
    bool operator==(const Rest& o) const {
      return across == o.across && along == o.along && set == o.set;
    }
  };
  struct Hash {
    std::size_t operator()(const Rest& rest) const {
      constexpr std::uint64_t kFar = 0x9e3779b97f4a7c15;  // apart, whatever the lengths are
      std::uint64_t mixed = static_cast<std::uint64_t>(rest.across);
      for (const std::uint64_t next : {static_cast<std::uint64_t>(rest.along), rest.set})
        mixed = (mixed ^ mixed >> 29) * kFar + next;
      return mixed ^ mixed >> 32;
    }
  };
  struct Look {
    double most = 0.0;  // that can be left
    std::size_t at = 0;
    bool operator<(const Look& o) const { return std::tie(most, o.at) < std::tie(o.most, at); }
  };

  [[nodiscard]] double mostOf(const Rest& rest) const {
    return double(rest.across) * double(rest.along) - sheet_.areas[rest.set];
  }

  /// One more to be looked at; what is left if all of it were one more strip is known at once.
  void go(const Rest& rest) {
    if (mostOf(rest) <= found_.area) return;
    const auto strips = stripsOf(rest, rest.set);
    if (!strips || !known_.insert(rest).second) return;
    rests_.push_back(rest);
    const std::size_t at = rests_.size() - 1;
    heap_.push({mostOf(rest), at});
    for (const OffCutStrip& strip : *strips) take(restBeside(at, strip));
  }

  void take(const Rest& empty) {
    const Micrometres across = empty.across - sheet_.kerf;
    const Micrometres along = empty.along - sheet_.kerf;
    if (across <= 0 || along <= 0 || double(across) * double(along) <= found_.area) return;
    found_.area = double(across) * double(along);
    best_ = rests_.size();
    rests_.push_back(empty);
  }

  /// Each part of what is to come out of it, in the narrowest and in the lowest strip.
  void cutFrom(std::size_t at) {
    const Rest here = rests_[at];
    sheet_.index.eachPartOf(here.set, [&](std::size_t part) {
      if (part == 0 || part == here.set) return;
      if (const auto strips = stripsOf(here, part))
        for (const OffCutStrip& strip : *strips) go(restBeside(at, strip));
    });
  }

  /// The narrowest and the lowest box of a part that has room there: none or both.
  [[nodiscard]] std::optional<std::array<OffCutStrip, 2>> stripsOf(const Rest& rest,
                                                                   std::size_t part) const {
    const auto front = sheet_.fronts.of(part);
    const auto narrowest = std::partition_point(
        front.begin(), front.end(), [&](const CutBox& box) { return box.along > rest.along; });
    if (narrowest == front.end() || narrowest->across > rest.across) return std::nullopt;
    const auto beyond = std::partition_point(
        narrowest, front.end(), [&](const CutBox& box) { return box.across <= rest.across; });
    return {{{{part, static_cast<std::size_t>(narrowest - front.begin()), true},
              {part, static_cast<std::size_t>(beyond - front.begin()) - 1, false}}}};
  }
  [[nodiscard]] Rest restBeside(std::size_t at, const OffCutStrip& strip) const {
    Rest rest = rests_[at];
    const CutBox& box = sheet_.fronts.of(strip.set)[strip.box];
    (strip.isBeside ? rest.across : rest.along) -= strip.isBeside ? box.across : box.along;
    rest.set -= strip.set;
    rest.from = at;
    rest.strip = strip;
    return rest;
  }

  const OffCutSheet& sheet_;
  OffCut found_;
  std::optional<std::size_t> best_;
  std::vector<Rest> rests_;
  std::unordered_set<Rest, Hash> known_;
  std::priority_queue<Look> heap_;
};

}  // namespace

OffCut largestOffCut(const OffCutSheet& sheet, std::size_t set, double over,
                     const std::function<bool()>& isEnough) {
  return Search(sheet, set, over).run(isEnough);
}

}  // namespace drapery
