#include "core/cutting/off_cut.h"

#include <algorithm>
#include <optional>
#include <queue>
#include <set>
#include <tuple>

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

  OffCut run() {
    for (std::size_t looks = 0; !heap_.empty() && looks < kMostLooks; ++looks) {
      const Look look = heap_.top();
      heap_.pop();
      if (look.most <= found_.area) break;
      if (rests_[look.at].set == 0)
        take(look.at);
      else
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
  };
  struct Look {
    double most = 0.0;  // that can be left
    std::size_t at = 0;
    bool operator<(const Look& o) const { return std::tie(most, o.at) < std::tie(o.most, at); }
  };

  [[nodiscard]] double mostOf(const Rest& rest) const {
    return double(rest.across) * double(rest.along) - sheet_.areas[rest.set];
  }

  void go(const Rest& rest) {
    if (rest.across < 0 || rest.along < 0 || mostOf(rest) <= found_.area) return;
    if (!known_.insert({rest.across, rest.along, rest.set}).second) return;
    rests_.push_back(rest);
    heap_.push({mostOf(rest), rests_.size() - 1});
  }

  void take(std::size_t at) {
    const Micrometres across = rests_[at].across - sheet_.kerf;
    const Micrometres along = rests_[at].along - sheet_.kerf;
    if (across <= 0 || along <= 0 || double(across) * double(along) <= found_.area) return;
    found_.area = double(across) * double(along);
    best_ = at;
  }

  /// Each part of what is to come out of it, in the narrowest and in the lowest strip.
  void cutFrom(std::size_t at) {
    const Rest here = rests_[at];
    sheet_.index.eachPartOf(here.set, [&](std::size_t part) {
      if (part == 0) return;
      const auto& front = sheet_.fronts.of(part);
      const auto narrowest = std::find_if(
          front.begin(), front.end(), [&](const CutBox& box) { return box.along <= here.along; });
      if (narrowest != front.end())
        go({here.across - narrowest->across,
            here.along,
            here.set - part,
            at,
            {part, static_cast<std::size_t>(narrowest - front.begin()), true}});
      const auto lowest = std::find_if(front.rbegin(), front.rend(), [&](const CutBox& box) {
        return box.across <= here.across;
      });
      if (lowest != front.rend())
        go({here.across,
            here.along - lowest->along,
            here.set - part,
            at,
            {part, static_cast<std::size_t>(front.rend() - lowest) - 1, false}});
    });
  }

  const OffCutSheet& sheet_;
  OffCut found_;
  std::optional<std::size_t> best_;
  std::vector<Rest> rests_;
  std::set<std::tuple<Micrometres, Micrometres, std::size_t>> known_;
  std::priority_queue<Look> heap_;
};

}  // namespace

OffCut largestOffCut(const OffCutSheet& sheet, std::size_t set, double over) {
  return Search(sheet, set, over).run();
}

}  // namespace drapery
