#include "core/cutting/cut_order.h"

#include <algorithm>
#include <limits>
#include <map>
#include <optional>
#include <set>

namespace drapery {

namespace {

constexpr int kNever = std::numeric_limits<int>::max();

/// Rectangles beside one another that parallel cuts part: any end of what is left of it can be cut
/// off next.
struct Run {
  struct Segment {
    CutRectangle at;
    bool isMeasured = false;  // not left over
    int moment = kNever;
    int inside = -1;  // the run that it is cut into
    int node = -1;    // of the cut above it; of the last none
  };
  std::size_t sheet = 0;
  int times = 1;
  bool isAcross = false;
  int moment = kNever;
  std::vector<Segment> segments;
  std::size_t low = 0, high = 0;  // what is left of it
  CutPurpose purpose = CutPurpose::Part;

  [[nodiscard]] Micrometres width(const CutRectangle& of) const {
    return isAcross ? of.across : of.along;
  }
  [[nodiscard]] CutRectangle between(std::size_t from, std::size_t to) const {
    CutRectangle all = segments[from].at;
    const CutRectangle& last = segments[to].at;
    if (isAcross)
      all.across = last.x + last.across - all.x;
    else
      all.along = last.y + last.along - all.y;
    return all;
  }
};

/// An end of a run that can be cut off, and what the gauge is set to for it.
struct End {
  bool isLow = true;
  Micrometres reading = 0;
};

class Order {
 public:
  Order(const CutProblem& problem, const CutLayout& layout, const std::string& material)
      : problem_(problem) {
    for (std::size_t s = 0; s < layout.sheets.size(); ++s) {
      const CutSheet& sheet = layout.sheets[s];
      const CutStock& stock = problem.stocks[sheet.stock];
      if (stock.material == material) addSheet(stock, sheet, s);
    }
  }

  std::vector<GaugeStep> steps() {
    std::vector<GaugeStep> steps;
    while (!ready_.empty()) {
      int moment = kNever;
      for (const int run : ready_) moment = std::min(moment, at(run).moment);
      addSteps(moment, steps);
    }
    return steps;
  }

 private:
  [[nodiscard]] Run& at(int run) { return runs_[static_cast<std::size_t>(run)]; }
  [[nodiscard]] const Run& at(int run) const { return runs_[static_cast<std::size_t>(run)]; }

  /// The ends of what is left between two of its segments: what is kept is measured itself. Where
  /// both are left over, what lies between is.
  static std::vector<End> endsOf(const Run& run, std::size_t low, std::size_t high) {
    std::vector<End> ends;
    if (low >= high) return ends;
    for (const bool isLow : {true, false}) {
      const Run::Segment& end = run.segments[isLow ? low : high];
      if (end.isMeasured) ends.push_back({isLow, run.width(end.at)});
    }
    if (ends.empty()) ends.push_back({true, run.width(run.between(low + 1, high))});
    return ends;
  }

  /// All cuts of one moment.
  void addSteps(int moment, std::vector<GaugeStep>& steps) {
    moment_ = moment;
    remaining_.clear();
    for (const Run& run : runs_)
      if (run.moment == moment)
        for (std::size_t i = run.low; i <= run.high; ++i) count(run, i, run.times);
    while (true) {
      std::map<Micrometres, int> serves;
      for (const int each : ready_) {
        if (at(each).moment != moment) continue;
        std::set<Micrometres> readings;  // both ends may be alike
        for (const End& end : endsOf(at(each), at(each).low, at(each).high))
          readings.insert(end.reading);
        for (const Micrometres reading : readings) serves[reading] += chain(each, reading);
      }
      if (serves.empty()) return;
      // A setting that need not come again goes first; of those the one that serves the most.
      const auto worth = [&](const auto& of) {
        return std::pair(remaining_[of.first] <= of.second, of.second);
      };
      const auto best =
          std::max_element(serves.begin(), serves.end(),
                           [&](const auto& x, const auto& y) { return worth(x) < worth(y); });
      steps.push_back(made(best->first));
    }
  }

  /// How many cuts of a run are made so one after the other, with those inside what they free.
  [[nodiscard]] int chain(int which, Micrometres reading) const {
    if (which < 0 || at(which).moment != moment_) return 0;
    const Run& run = at(which);
    int count = 0;
    std::size_t low = run.low, high = run.high;
    while (low < high) {
      const auto ends = endsOf(run, low, high);
      const auto end = std::find_if(ends.begin(), ends.end(),
                                    [&](const End& each) { return each.reading == reading; });
      if (end == ends.end()) return count;
      count += run.times + chain(run.segments[end->isLow ? low : high].inside, reading);
      if (end->isLow)
        ++low;
      else
        --high;
    }
    return count + chain(run.segments[low].inside, reading);
  }

  /// All that can be cut so, and what that frees and can be cut so too.
  GaugeStep made(Micrometres reading) {
    GaugeStep step{reading, moment_, {}};
    for (std::size_t i = 0; i < ready_.size();) {
      const int which = ready_[i];
      const auto ends = endsOf(at(which), at(which).low, at(which).high);
      const auto end = std::find_if(ends.begin(), ends.end(),
                                    [&](const End& each) { return each.reading == reading; });
      if (at(which).moment != moment_ || end == ends.end()) {
        ++i;
        continue;
      }
      cutOff(which, end->isLow, step);
      if (at(which).low < at(which).high) continue;
      ready_.erase(ready_.begin() + static_cast<std::ptrdiff_t>(i));
      free(at(which).segments[at(which).low].inside);
    }
    return step;
  }
  void cutOff(int which, bool isLow, GaugeStep& step) {
    Run& run = at(which);
    const std::size_t off = isLow ? run.low : run.high;
    OrderedCut cut;
    cut.sheet = run.sheet;
    cut.node = run.segments[isLow ? off : off - 1].node;
    cut.isAcross = run.isAcross;
    cut.times = run.times;
    cut.moment = run.moment;
    cut.purpose = run.purpose;
    cut.from = run.between(run.low, run.high);
    cut.length = run.isAcross ? cut.from.along : cut.from.across;
    cut.low = run.between(run.low, isLow ? run.low : run.high - 1);
    cut.high = run.between(isLow ? run.low + 1 : run.high, run.high);
    step.cuts.push_back(cut);
    count(run, off, -run.times);
    if (isLow)
      ++run.low;
    else
      --run.high;
    if (run.low == run.high) count(run, run.low, -run.times);
    free(run.segments[off].inside);
  }
  void count(const Run& run, std::size_t segment, int times) {
    const Run::Segment& of = run.segments[segment];
    if (of.isMeasured) remaining_[run.width(of.at)] += times;
  }
  void free(int run) {
    if (run >= 0) ready_.push_back(run);
  }

  void addSheet(const CutStock& stock, const CutSheet& sheet, std::size_t which) {
    moments_.assign(sheet.cuts.size(), kNever);
    const int moment = sheet.cuts.empty() ? 0 : findMoments(sheet, 0);
    CutRectangle room{0, 0, stock.across, stock.along};
    int last = -1;  // run, whose kept segment is what stays
    const auto add = [&](int run) {
      if (last < 0)
        free(run);
      else
        for (Run::Segment& segment : at(last).segments)
          if (segment.isMeasured) segment.inside = run;
      last = run;
    };
    // Takes so much away at one edge: what stays is measured.
    const auto edge = [&](bool isAcross, bool isLow, Micrometres away,
                          CutPurpose purpose = CutPurpose::Trim) {
      if (away <= 0) return;
      CutRectangle off = room, rest = room;
      (isAcross ? off.across : off.along) = away;
      (isAcross ? rest.across : rest.along) -= away;
      if (isLow)
        (isAcross ? rest.x : rest.y) += away;
      else
        (isAcross ? off.x : off.y) += isAcross ? rest.across : rest.along;
      Run run{which, sheet.repeat, isAcross, moment, {}, 0, 1, purpose};
      const Run::Segment waste{off, false, kNever, -1, -1}, kept{rest, true, moment, -1, -1};
      run.segments = isLow ? std::vector{waste, kept} : std::vector{kept, waste};
      runs_.push_back(std::move(run));
      room = rest;
      add(static_cast<int>(runs_.size()) - 1);
    };
    if (stock.form == StockForm::Roll)  // cut off first: nobody trims a whole roll
      edge(false, false, room.along - lengthUsed(stock, sheet), CutPurpose::OffRoll);
    // An edge beside which nothing but waste lies stays on it.
    Micrometres left = stock.across, bottom = stock.along, right = 0, top = 0;
    for (const CutPlacement& at : sheet.placements) {
      left = std::min(left, at.x);
      bottom = std::min(bottom, at.y);
      right = std::max(right, at.x + at.across);
      top = std::max(top, at.y + at.along);
    }
    if (bottom <= stock.bottom + stock.kerf) edge(false, true, stock.bottom);
    if (stock.form == StockForm::Sheet && top + stock.kerf >= stock.along - stock.top)
      edge(false, false, stock.top);
    if (left <= stock.left + stock.kerf) edge(true, true, stock.left);
    if (right + stock.kerf >= stock.across - stock.right) edge(true, false, stock.right);
    if (sheet.cuts.empty()) return;
    if (const int root = addRun(sheet, which, 0, room, stock.kerf); root >= 0) add(root);
  }

  /// Of each node the first moment at which something is cut from it.
  int findMoments(const CutSheet& sheet, int at) {
    if (at < 0) return kNever;
    const CutNode& node = sheet.cuts[static_cast<std::size_t>(at)];
    int moment = kNever;
    if (node.kind == CutNode::Kind::Piece)
      moment = problem_.pieces[sheet.placements[node.placement].piece].moment;
    else if (node.kind != CutNode::Kind::Left)
      moment = std::min(findMoments(sheet, node.low), findMoments(sheet, node.high));
    return moments_[static_cast<std::size_t>(at)] = moment;
  }

  /// A node's parallel cuts as one run, and all inside it; -1 where no piece comes of it.
  int addRun(const CutSheet& sheet, std::size_t which, int at, const CutRectangle& in,
             Micrometres kerf) {
    if (at < 0 || !isCut(sheet.cuts[static_cast<std::size_t>(at)]) ||
        moments_[static_cast<std::size_t>(at)] == kNever)
      return -1;
    Run run;
    run.sheet = which;
    run.times = sheet.repeat;
    run.isAcross = sheet.cuts[static_cast<std::size_t>(at)].kind == CutNode::Kind::CutAcross;
    gather(sheet, at, in, kerf, run);
    for (Run::Segment& segment : run.segments) {
      run.moment = std::min(run.moment, segment.moment);
      segment.inside = addRun(sheet, which, segment.inside, segment.at, kerf);
    }
    keepLaterWhole(run);
    run.high = run.segments.size() - 1;
    runs_.push_back(std::move(run));
    return static_cast<int>(runs_.size()) - 1;
  }

  /// Its segments from low to high; `inside` is the node yet.
  void gather(const CutSheet& sheet, int at, const CutRectangle& in, Micrometres kerf, Run& run) {
    const CutNode* node = at < 0 ? nullptr : &sheet.cuts[static_cast<std::size_t>(at)];
    const bool isParted =
        node != nullptr && isCut(*node) && (node->kind == CutNode::Kind::CutAcross) == run.isAcross;
    if (!isParted) {
      const int moment = node != nullptr ? moments_[static_cast<std::size_t>(at)] : kNever;
      run.segments.push_back({in, moment != kNever, moment, at, -1});
      return;
    }
    const auto [low, high] = halvesOf(*node, in, kerf);
    gather(sheet, node->low, low, kerf, run);
    run.segments.back().node = at;
    gather(sheet, node->high, high, kerf, run);
  }

  /// Neighbours that are cut at a later moment stay in one piece until then; what they come to may
  /// still change.
  void keepLaterWhole(Run& run) {
    std::vector<Run::Segment> segments;
    for (std::size_t i = 0; i < run.segments.size();) {
      std::size_t end = i;
      int moment = kNever;
      while (end < run.segments.size() && run.segments[end].moment > run.moment)
        moment = std::min(moment, run.segments[end++].moment);
      if (end < i + 2 || moment == kNever) {
        segments.push_back(run.segments[i++]);
        if (segments.back().moment > run.moment) segments.back().isMeasured = false;
        continue;
      }
      Run later{run.sheet, run.times, run.isAcross, moment, {}, 0, end - i - 1, run.purpose};
      const CutRectangle whole = run.between(i, end - 1);
      const int above = run.segments[end - 1].node;
      later.segments.assign(run.segments.begin() + static_cast<std::ptrdiff_t>(i),
                            run.segments.begin() + static_cast<std::ptrdiff_t>(end));
      keepLaterWhole(later);
      later.high = later.segments.size() - 1;
      runs_.push_back(std::move(later));
      segments.push_back({whole, false, moment, static_cast<int>(runs_.size()) - 1, above});
      i = end;
    }
    run.segments = std::move(segments);
  }

  const CutProblem& problem_;
  std::vector<Run> runs_;
  std::vector<int> ready_;
  std::vector<int> moments_;  // of the nodes of the sheet being added
  int moment_ = 0;
  std::map<Micrometres, int> remaining_;  // what is still to be measured in that moment
};

}  // namespace

std::vector<GaugeStep> cutOrder(const CutProblem& problem, const CutLayout& layout,
                                const std::string& material) {
  return Order(problem, layout, material).steps();
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
