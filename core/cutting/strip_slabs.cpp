#include "core/cutting/strip_slabs.h"

#include <algorithm>
#include <limits>
#include <map>

#include "core/cutting/laid_box.h"

namespace drapery {

namespace {

constexpr std::size_t kMostKinds = 4, kMostStates = 300'000, kMostWork = 30'000'000,
                      kMostTried = 50'000, kOften = 100'000;

/// Strips of one kind, all lying alike.
struct Strips {
  std::size_t kind = 0;
  LyingSize lies;
  int many = 0;
};

struct StripSlab {
  std::vector<Strips> strips;
  Micrometres along = 0;
  Counts takes;
  double lost = 0.0;   // of its area, as a part
  bool isRow = false;  // holds as many of a kind as one row of it
};

class StripSlabs {
 public:
  StripSlabs(const MaterialJob& job, const std::function<bool()>& isEnough)
      : job_(job), isEnough_(isEnough), usable_(usableOf(job.stock(0))) {
    if (!isOneRoll(job) || !job.pinned.empty() || job.kinds.size() > kMostKinds) return;
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
      states_ *= static_cast<std::size_t>(job.counts[kind]) + 1;
      if (states_ > kMostStates) return;
      if (job.counts[kind] == 0) continue;
      for (const LyingSize& lies : job.sizes[0][kind]) ways_.push_back({kind, lies, 0});
    }
    mix(0, usable_.across);
    keepBest();
  }

  [[nodiscard]] std::vector<Slab> shortest() const {
    if (states_ > kMostStates || isLeft() || slabs_.empty()) return {};
    constexpr auto kFar = std::numeric_limits<Micrometres>::max();
    const std::size_t kinds = job_.kinds.size();
    std::vector<Micrometres> length(states_, kFar);
    std::vector<std::size_t> by(states_);
    length[0] = 0;
    Counts left(kinds, 0);
    std::size_t work = 0;
    for (std::size_t state = 1; state < states_; ++state) {
      if (work += slabs_.size(); work > kOften) {
        if (isEnough_()) return {};
        work = 0;
      }
      for (std::size_t kind = 0; ++left[kind] > job_.counts[kind]; ++kind) left[kind] = 0;
      for (std::size_t i = 0; i < slabs_.size(); ++i) {
        const Micrometres before = length[state - lessBy(slabs_[i], left)];
        if (before == kFar || before + slabs_[i].along >= length[state]) continue;
        length[state] = before + slabs_[i].along;
        by[state] = i;
      }
    }
    if (length.back() > usable_.along) return {};
    std::vector<Slab> laid;
    left = job_.counts;
    for (std::size_t state = states_ - 1; state > 0;) {
      const StripSlab& slab = slabs_[by[state]];
      state -= lessBy(slab, left);
      laid.push_back(lay(slab, left));
    }
    return laid;
  }

 private:
  /// There are more ways than can be tried, or nobody waits any more.
  [[nodiscard]] bool isLeft() const { return tried_ > kMostTried; }

  /// Of how many states it is nearer to the end.
  [[nodiscard]] std::size_t lessBy(const StripSlab& slab, const Counts& left) const {
    std::size_t less = 0, weight = 1;
    for (std::size_t kind = 0; kind < left.size(); ++kind) {
      less += weight * static_cast<std::size_t>(std::min(left[kind], slab.takes[kind]));
      weight *= static_cast<std::size_t>(job_.counts[kind]) + 1;
    }
    return less;
  }

  /// Strips side by side until none more has room.
  void mix(std::size_t way, Micrometres room) {
    if (isLeft()) return;
    if (way == ways_.size()) {
      if (++tried_; isEnough_()) tried_ = kMostTried + 1;
      const bool isFull = std::none_of(ways_.begin(), ways_.end(), [&](const Strips& each) {
        return each.many < job_.counts[each.kind] && each.lies.across <= room;
      });
      if (isFull) addSlabs();
      return;
    }
    Strips& strips = ways_[way];
    for (; strips.many <= job_.counts[strips.kind] && room >= 0;
         ++strips.many, room -= strips.lies.across)
      mix(way + 1, room);
    strips.many = 0;
  }

  /// Of the strips side by side, as long as some of each come to.
  void addSlabs() {
    std::vector<Micrometres> lengths;
    for (const Strips& each : ways_)
      for (int end = 1; each.many > 0 && (end - 1) * each.many < job_.counts[each.kind]; ++end)
        lengths.push_back(end * each.lies.along);
    tried_ += lengths.size();
    for (const Micrometres along : lengths) {
      StripSlab slab{{}, along, Counts(job_.kinds.size(), 0), 0.0};
      for (const Strips& each : ways_) {
        if (each.many == 0) continue;
        slab.strips.push_back(each);
        const Micrometres beside =
            std::min<Micrometres>(job_.counts[each.kind], usable_.across / each.lies.across);
        slab.isRow = slab.isRow || (along == each.lies.along && each.many == beside);
        int& takes = slab.takes[each.kind];
        takes = static_cast<int>(std::min<Micrometres>(
            job_.counts[each.kind], takes + each.many * (along / each.lies.along)));
      }
      slab.lost = 1.0 - areaOf(job_, slab.takes) / (double(usable_.across) * double(along));
      const auto [known, isNew] = shortest_.try_emplace(slab.takes, slab);
      if (isNew) continue;
      slab.isRow = known->second.isRow = slab.isRow || known->second.isRow;
      if (along < known->second.along) known->second = std::move(slab);
    }
  }

  /// As many as there is time for, and all rows.
  void keepBest() {
    for (auto& [takes, slab] : shortest_) slabs_.push_back(std::move(slab));
    std::stable_sort(slabs_.begin(), slabs_.end(),
                     [](const StripSlab& a, const StripSlab& b) { return a.lost < b.lost; });
    const std::size_t most = kMostWork / states_;
    std::size_t kept = 0;
    std::erase_if(slabs_, [&](const StripSlab& slab) { return ++kept > most && !slab.isRow; });
  }

  /// As many of each as are left.
  [[nodiscard]] Slab lay(const StripSlab& of, Counts& left) const {
    std::vector<LaidBoxPtr> strips;
    for (const Strips& each : of.strips)
      for (int i = 0; i < each.many && left[each.kind] > 0; ++i) {
        std::vector<LaidBoxPtr> pieces;
        for (Micrometres end = each.lies.along; end <= of.along && left[each.kind] > 0;
             end += each.lies.along, --left[each.kind])
          pieces.push_back(pieceAlone(each.kind, each.lies));
        if (!pieces.empty()) strips.push_back(joinedBox(false, pieces));
      }
    Slab slab = emptySlab(usable_.across, of.along);
    layBox(*joinedBox(true, strips), 0, slab);
    return slab;
  }

  const MaterialJob& job_;
  const std::function<bool()>& isEnough_;
  const UsableSize usable_;
  std::size_t states_ = 1, tried_ = 0;
  std::vector<Strips> ways_;
  std::map<Counts, StripSlab> shortest_;  // by what they take
  std::vector<StripSlab> slabs_;
};

}  // namespace

std::vector<Slab> stripSlabs(const MaterialJob& job, const std::function<bool()>& isEnough) {
  return StripSlabs(job, isEnough).shortest();
}

}  // namespace drapery
