#include "core/cutting/cut_order.h"

#include <algorithm>
#include <map>
#include <optional>
#include <tuple>

namespace drapery {

namespace {

/// What is left of a run: from one of its segments to another.
struct Rest {
  std::size_t low = 0, high = 0;
};

class Order {
 public:
  /// @param isFree of each run, whether its segments may lie in any order: what is not measured
  /// comes last then.
  Order(CutRuns& all, std::vector<bool> isFree)
      : runs_(all.runs), isFree_(std::move(isFree)), ready_(all.first), offers_(all.runs.size()) {
    for (const CutRun& run : runs_) rests_.push_back({0, run.segments.size() - 1});
  }

  std::vector<GaugeStep> steps() {
    std::vector<GaugeStep> steps;
    while (!ready_.empty()) {
      int moment = kNeverCut;
      for (const std::size_t run : ready_) moment = std::min(moment, runs_[run].moment);
      addSteps(moment, steps);
    }
    return steps;
  }

 private:
  /// How many cuts a setting serves, and how many segments need it no more then.
  struct Served {
    int cuts = 0, segments = 0;
    Served& operator+=(const Served& other) {
      cuts += other.cuts;
      segments += other.segments;
      return *this;
    }
    Served& operator-=(const Served& other) { return *this += {-other.cuts, -other.segments}; }
  };
  using Offers = std::map<Micrometres, Served>;  // by setting

  /// All cuts of one moment.
  void addSteps(int moment, std::vector<GaugeStep>& steps) {
    moment_ = moment;
    remaining_.clear();
    for (std::size_t each = 0; each < runs_.size(); ++each)
      if (runs_[each].moment == moment)
        for (std::size_t i = rests_[each].low; i <= rests_[each].high; ++i)
          count(runs_[each], i, runs_[each].times);
    for (const std::size_t each : ready_) offer(each);
    // A setting that need not come again goes first; of those the one that serves the most.
    const auto worth = [&](const auto& of) {
      return std::pair(remaining_[of.first] <= of.second.segments, of.second.cuts);
    };
    while (!all_.empty()) {
      const auto best =
          std::max_element(all_.begin(), all_.end(),
                           [&](const auto& x, const auto& y) { return worth(x) < worth(y); });
      steps.push_back(made(best->first));
    }
  }

  /// What each setting would serve in a run that can be cut now.
  [[nodiscard]] Offers offersOf(std::size_t which) const {
    Offers offers;
    const CutRun& run = runs_[which];
    const auto [low, high] = rests_[which];
    if (run.moment != moment_ || low >= high) return offers;
    if (!isFree_[which]) {
      for (const std::size_t end : {low, high})
        if (run.segments[end].isMeasured) offers[run.width(run.segments[end].at)];
      if (offers.empty()) offers[run.width(run.between(low + 1, high))];
      for (auto& [reading, served] : offers) served = chain(static_cast<int>(which), reading);
      return offers;
    }
    for (std::size_t i = low; i < high; ++i) {
      const Micrometres reading = run.width(run.segments[i].at);
      Served& served = offers[reading];
      served += {run.times, run.times};
      served += chain(run.segments[i].inside, reading);
    }
    if (offers.size() == 1)
      offers.begin()->second += chain(run.segments[high].inside, offers.begin()->first);
    return offers;
  }
  void offer(std::size_t which) {
    withdraw(which);
    offers_[which] = offersOf(which);
    for (const auto& [reading, served] : offers_[which]) all_[reading] += served;
  }
  void withdraw(std::size_t which) {
    for (const auto& [reading, served] : offers_[which]) withdraw(reading, served);
    offers_[which].clear();
  }
  void withdraw(Micrometres reading, const Served& served) {
    const auto found = all_.find(reading);
    found->second -= served;
    if (found->second.cuts == 0) all_.erase(found);
  }

  /// What of a run is cut off next at a setting: what is kept is measured itself, and where both
  /// ends are left over what lies between is.
  [[nodiscard]] std::optional<std::size_t> nextOf(std::size_t which, const Rest& rest,
                                                  Micrometres reading) const {
    if (rest.low >= rest.high) return std::nullopt;
    const CutRun& run = runs_[which];
    const auto isSo = [&](std::size_t i) { return run.width(run.segments[i].at) == reading; };
    if (isFree_[which]) {
      for (std::size_t i = rest.low; i < rest.high; ++i)
        if (isSo(i)) return i;
      return std::nullopt;
    }
    const bool isLow = run.segments[rest.low].isMeasured,
               isHigh = run.segments[rest.high].isMeasured;
    if (isLow && isSo(rest.low)) return rest.low;
    if (isHigh && isSo(rest.high)) return rest.high;
    if (!isLow && !isHigh && run.width(run.between(rest.low + 1, rest.high)) == reading)
      return rest.low;
    return std::nullopt;
  }

  /// The cuts of a run that are made so one after the other, with those inside what they free.
  [[nodiscard]] Served chain(int inside, Micrometres reading) const {
    Served served;
    if (inside < 0) return served;
    const auto which = static_cast<std::size_t>(inside);
    const CutRun& run = runs_[which];
    if (run.moment != moment_) return served;
    const auto isSo = [&](std::size_t i) {
      return run.segments[i].isMeasured && run.width(run.segments[i].at) == reading;
    };
    const auto takeOff = [&](std::size_t i) {
      served += {run.times, isSo(i) ? run.times : 0};
      served += chain(run.segments[i].inside, reading);
    };
    Rest rest = rests_[which];
    if (isFree_[which]) {  // what is last stays
      bool isAll = true;
      for (; rest.low < rest.high; ++rest.low)
        if (isSo(rest.low))
          takeOff(rest.low);
        else
          isAll = false;
      if (!isAll) return served;
    }
    while (const auto next = nextOf(which, rest, reading)) {
      takeOff(*next);
      if (*next == rest.low)
        ++rest.low;
      else
        --rest.high;
    }
    if (rest.low < rest.high) return served;
    if (isSo(rest.low)) served.segments += run.times;
    served += chain(run.segments[rest.low].inside, reading);
    return served;
  }

  /// All that can be cut so, and what that frees and can be cut so too.
  GaugeStep made(Micrometres reading) {
    GaugeStep step{reading, moment_, {}};
    for (std::size_t i = 0; i < ready_.size();) {
      const std::size_t which = ready_[i];
      const auto offered = offers_[which].find(reading);
      if (offered == offers_[which].end()) {
        ++i;
        continue;
      }
      while (const auto next = nextOf(which, rests_[which], reading)) cutOff(which, *next, step);
      const Rest& rest = rests_[which];
      if (rest.low < rest.high) {
        if (isFree_[which] && offers_[which].size() > 2) {  // what else it offers stays the same
          withdraw(reading, offered->second);
          offers_[which].erase(offered);
        } else {
          offer(which);
        }
        ++i;
        continue;
      }
      withdraw(which);
      ready_.erase(ready_.begin() + static_cast<std::ptrdiff_t>(i));
      free(runs_[which].segments[rest.low].inside);
    }
    return step;
  }
  void cutOff(std::size_t which, std::size_t off, GaugeStep& step) {
    CutRun& run = runs_[which];
    Rest& rest = rests_[which];
    const auto at = [&](std::size_t i) {
      return run.segments.begin() + static_cast<std::ptrdiff_t>(i);
    };
    if (isFree_[which]) {  // as if it had lain there
      std::rotate(at(rest.low), at(off), at(off + 1));
      off = rest.low;
    }
    const bool isLow = off == rest.low;
    OrderedCut cut;
    cut.sheet = run.sheet;
    cut.node = run.segments[isLow ? off : off - 1].node;
    cut.isAcross = run.isAcross;
    cut.times = run.times;
    cut.moment = run.moment;
    cut.purpose = run.purpose;
    cut.from = run.between(rest.low, rest.high);
    cut.length = run.isAcross ? cut.from.along : cut.from.across;
    cut.low = run.between(rest.low, isLow ? rest.low : rest.high - 1);
    cut.high = run.between(isLow ? rest.low + 1 : rest.high, rest.high);
    step.cuts.push_back(cut);
    count(run, off, -run.times);
    if (isLow)
      ++rest.low;
    else
      --rest.high;
    if (rest.low == rest.high) count(run, rest.low, -run.times);
    free(run.segments[off].inside);
  }
  void count(const CutRun& run, std::size_t segment, int times) {
    const CutRun::Segment& of = run.segments[segment];
    if (of.isMeasured) remaining_[run.width(of.at)] += times;
  }
  void free(int inside) {
    if (inside < 0) return;
    ready_.push_back(static_cast<std::size_t>(inside));
    offer(ready_.back());
  }

  std::vector<CutRun>& runs_;
  std::vector<bool> isFree_;
  std::vector<Rest> rests_;  // of the runs
  std::vector<std::size_t> ready_;
  std::vector<Offers> offers_;  // of the runs that can be cut
  Offers all_;                  // together
  int moment_ = 0;
  std::map<Micrometres, int> remaining_;  // what is still to be measured in that moment
};

/// Where all of a run are measured, one stays when the others are cut off: the one whose setting is
/// needed least elsewhere, of those one that is cut up itself, and of those the widest.
void letOneStay(CutRuns& all) {
  std::map<std::pair<int, Micrometres>, int> wanted;
  for (const CutRun& run : all.runs)
    for (const CutRun::Segment& each : run.segments)
      if (each.isMeasured) wanted[{run.moment, run.width(each.at)}] += run.times;
  for (CutRun& run : all.runs) {
    const auto worth = [&](const CutRun::Segment& each) {
      const Micrometres width = run.width(each.at);
      return std::tuple(-wanted[{run.moment, width}], each.inside >= 0, width);
    };
    const auto isMeasured = [](const CutRun::Segment& each) { return each.isMeasured; };
    if (std::all_of(run.segments.begin(), run.segments.end(), isMeasured))
      std::max_element(run.segments.begin(), run.segments.end(), [&](const auto& a, const auto& b) {
        return worth(a) < worth(b);
      })->isMeasured = false;
  }
}

}  // namespace

std::vector<GaugeStep> cutOrder(const CutProblem& problem, const CutLayout& layout,
                                const std::string& material) {
  CutRuns all = cutRuns(problem, layout, material, true);
  keepLaterWhole(all);
  letOneStay(all);
  const std::size_t count = all.runs.size();
  return Order(all, std::vector<bool>(count, false)).steps();
}

void orderFreely(const CutLayout& layout, CutRuns& all) {
  letOneStay(all);
  std::vector<bool> isFree;
  for (CutRun& run : all.runs) {
    isFree.push_back(!layout.sheets[run.sheet].pinned);
    if (isFree.back())
      std::stable_partition(run.segments.begin(), run.segments.end(),
                            [](const CutRun::Segment& each) { return each.isMeasured; });
  }
  Order(all, std::move(isFree)).steps();
}

SheetState stateAfter(const CutProblem& problem, const CutLayout& layout, std::size_t which,
                      const std::vector<GaugeStep>& steps, std::size_t made) {
  const CutSheet& sheet = layout.sheets[which];
  const CutStock& stock = problem.stocks[sheet.stock];
  std::vector<CutRectangle> parts{{0, 0, stock.across, stock.along}}, later;
  for (std::size_t i = 0; i < steps.size(); ++i)
    for (const OrderedCut& cut : steps[i].cuts) {
      if (cut.sheet != which) continue;
      if (i >= made) {
        later.push_back(cut.from);
        continue;
      }
      std::erase(parts, cut.from);
      for (const CutRectangle& part : {cut.low, cut.high})
        if (part.across > 0 && part.along > 0) parts.push_back(part);
    }
  SheetState state;
  for (const CutRectangle& part : parts) {
    SheetState::Part of{part, SheetState::Part::Kind::Left, 0};
    if (std::find(later.begin(), later.end(), part) != later.end())
      of.kind = SheetState::Part::Kind::ToCut;
    for (std::size_t i = 0; i < sheet.placements.size(); ++i) {
      const CutPlacement& at = sheet.placements[i];
      if (part == CutRectangle{at.x, at.y, at.across, at.along}) {
        of.kind = SheetState::Part::Kind::Piece;
        of.placement = i;
      }
    }
    state.parts.push_back(of);
  }
  return state;
}

}  // namespace drapery
