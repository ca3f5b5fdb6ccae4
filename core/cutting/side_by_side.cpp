#include "core/cutting/side_by_side.h"

#include <algorithm>

#include "core/cutting/cut_order.h"

namespace drapery {

namespace {

/// A sheet's rectangles laid anew as they lie in its runs.
class Laying {
 public:
  Laying(const CutProblem& problem, const CutSheet& sheet, const CutRuns& all)
      : sheet_(sheet), all_(all), kerf_(problem.stocks[sheet.stock].kerf), laid_(sheet) {
    laid_.cuts.clear();
  }

  CutSheet as(std::size_t run, const CutRectangle& whole) {
    lay(all_.runs[run], whole);
    return std::move(laid_);
  }

 private:
  [[nodiscard]] static bool isLeft(const CutRun::Segment& segment) {
    return segment.moment == kNeverCut;
  }
  int add(CutNode node) {
    laid_.cuts.push_back(node);
    return static_cast<int>(laid_.cuts.size()) - 1;
  }
  CutNode& nodeAt(int at) { return laid_.cuts[static_cast<std::size_t>(at)]; }

  int lay(const CutRun& run, CutRectangle room) {
    std::size_t end = run.segments.size();  // what is left over at the end is one
    while (end > 1 && isLeft(run.segments[end - 1])) --end;
    int first = -1, above = -1;
    const auto hang = [&](int node) {
      if (above < 0)
        first = node;
      else
        nodeAt(above).high = node;
    };
    for (std::size_t i = 0; i < end; ++i) {
      const bool isLast = i + 1 == run.segments.size();
      if (isLast) {
        hang(lay(run.segments[i], room));
        return first;
      }
      CutNode node;
      node.kind = run.isAcross ? CutNode::Kind::CutAcross : CutNode::Kind::CutAlong;
      node.at = (run.isAcross ? room.x : room.y) + run.width(run.segments[i].at);
      const int at = add(node);
      hang(at);
      above = at;
      const auto [low, high] = halvesOf(node, room, kerf_);
      const int inside = lay(run.segments[i], low);
      nodeAt(at).low = inside;
      room = high;
    }
    hang(room.across > 0 && room.along > 0 ? add({}) : -1);
    return first;
  }

  int lay(const CutRun::Segment& segment, const CutRectangle& room) {
    if (segment.inside >= 0) return lay(all_.runs[static_cast<std::size_t>(segment.inside)], room);
    if (isLeft(segment)) return room.across > 0 && room.along > 0 ? add({}) : -1;
    const CutNode& was = sheet_.cuts[static_cast<std::size_t>(segment.leaf)];
    CutPlacement& piece = laid_.placements[was.placement];
    piece.x = room.x;
    piece.y = room.y;
    return add(was);
  }

  const CutSheet& sheet_;
  const CutRuns& all_;
  Micrometres kerf_;
  CutSheet laid_;
};

/// All sheets of a material without pins.
CutLayout laidAs(const CutProblem& problem, const CutLayout& layout, const CutRuns& all) {
  CutLayout result = layout;
  for (const std::size_t run : all.first) {
    CutSheet& sheet = result.sheets[all.runs[run].sheet];
    const CutStock& stock = problem.stocks[sheet.stock];
    if (sheet.pinned) continue;
    CutSheet laid = Laying(problem, sheet, all).as(run, wholeOf(stock, sheet));
    if (lengthUsed(stock, laid) == lengthUsed(stock, sheet)) sheet = std::move(laid);
  }
  return result;
}

/// What is cut earlier first, what is left over last.
void sortByMoment(CutRuns& all) {
  for (CutRun& run : all.runs)
    std::stable_sort(run.segments.begin(), run.segments.end(),
                     [](const auto& a, const auto& b) { return a.moment < b.moment; });
}

}  // namespace

OrderedLayout inOrder(const CutProblem& problem, const CutLayout& layout,
                      const std::string& material) {
  CutRuns all = cutRuns(problem, layout, material, false);
  sortByMoment(all);
  const CutLayout sorted = laidAs(problem, layout, all);
  all = cutRuns(problem, sorted, material, false);
  keepLaterWhole(all);
  orderFreely(sorted, all);
  CutLayout laid = laidAs(problem, sorted, all);
  const std::size_t before = cutOrder(problem, layout, material).size();
  const std::size_t settings = cutOrder(problem, laid, material).size();
  if (settings > before) return {layout, before};
  return {std::move(laid), settings};
}

}  // namespace drapery
