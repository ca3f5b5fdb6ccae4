#include "core/cutting/cut_runs.h"

#include <algorithm>
#include <iterator>

namespace drapery {

CutRectangle CutRun::between(std::size_t from, std::size_t to) const {
  CutRectangle all = segments[from].at;
  const CutRectangle& last = segments[to].at;
  if (isAcross)
    all.across = last.x + last.across - all.x;
  else
    all.along = last.y + last.along - all.y;
  return all;
}

namespace {

class Gathering {
 public:
  Gathering(const CutProblem& problem, bool isWithEdges)
      : problem_(problem), isWithEdges_(isWithEdges) {}

  void addSheet(const CutStock& stock, const CutSheet& sheet, std::size_t which) {
    sheet_ = &sheet;
    which_ = which;
    kerf_ = stock.kerf;
    moments_.assign(sheet.cuts.size(), kNeverCut);
    moment_ = sheet.cuts.empty() ? 0 : findMoments(0);
    last_ = -1;
    if (!isWithEdges_) {
      addCuts(wholeOf(stock, sheet));
      return;
    }
    room_ = {0, 0, stock.across, stock.along};
    addEdges(stock);
    const CutRectangle whole = room_;
    const bool isOffRoll = isCutOffPieceByPiece(stock);
    if (isOffRoll) room_.along = lengthUsed(stock, sheet);
    const int root = addCuts(room_);
    if (root < 0 || !isOffRoll || room_.along >= whole.along) return;
    CutRun::Segment& rest = all_.runs[static_cast<std::size_t>(root)].segments.emplace_back();
    rest.at = whole;
    rest.at.y += room_.along;
    rest.at.along -= room_.along;
  }

  CutRuns all() { return std::move(all_); }

 private:
  [[nodiscard]] const CutNode& nodeAt(int at) const {
    return sheet_->cuts[static_cast<std::size_t>(at)];
  }
  int add(CutRun run) {
    all_.runs.push_back(std::move(run));
    return static_cast<int>(all_.runs.size()) - 1;
  }
  [[nodiscard]] CutRun begun(bool isAcross) const {
    CutRun run;
    run.sheet = which_;
    run.times = sheet_->repeat;
    run.isAcross = isAcross;
    return run;
  }

  int addCuts(const CutRectangle& in) {
    const int root = sheet_->cuts.empty() ? -1 : addRun(0, in);
    if (root >= 0) addInside(root);
    return root;
  }

  /// What stays of the last edge is cut into it.
  void addInside(int run) {
    if (last_ < 0) {
      all_.first.push_back(static_cast<std::size_t>(run));
    } else {
      for (CutRun::Segment& segment : all_.runs[static_cast<std::size_t>(last_)].segments)
        if (segment.isMeasured) segment.inside = run;
    }
    last_ = run;
  }

  /// An edge beside which nothing but waste lies stays on it.
  void addEdges(const CutStock& stock) {
    if (stock.form == StockForm::Roll && !isCutOffPieceByPiece(stock))  // nobody trims a whole roll
      addEdge(false, false, room_.along - lengthUsed(stock, *sheet_), CutPurpose::OffRoll);
    Micrometres left = stock.across, bottom = stock.along, right = 0, top = 0;
    for (const CutPlacement& at : sheet_->placements) {
      left = std::min(left, at.x);
      bottom = std::min(bottom, at.y);
      right = std::max(right, at.x + at.across);
      top = std::max(top, at.y + at.along);
    }
    if (bottom <= stock.bottom + kerf_) addEdge(false, true, stock.bottom);
    if (stock.form == StockForm::Sheet && top + kerf_ >= stock.along - stock.top)
      addEdge(false, false, stock.top);
    if (left <= stock.left + kerf_) addEdge(true, true, stock.left);
    if (right + kerf_ >= stock.across - stock.right) addEdge(true, false, stock.right);
  }
  /// Whether what lies across a roll is cut off it one after the other, as tape is: it has no edges
  /// that are trimmed.
  [[nodiscard]] bool isCutOffPieceByPiece(const CutStock& stock) const {
    return stock.form == StockForm::Roll && stock.left + stock.right + stock.bottom == 0 &&
           !sheet_->cuts.empty() && nodeAt(0).kind == CutNode::Kind::CutAlong;
  }
  /// Takes so much away at one edge: what stays is measured.
  void addEdge(bool isAcross, bool isLow, Micrometres away, CutPurpose purpose = CutPurpose::Trim) {
    if (away <= 0) return;
    CutRectangle off = room_, rest = room_;
    (isAcross ? off.across : off.along) = away;
    (isAcross ? rest.across : rest.along) -= away;
    if (isLow)
      (isAcross ? rest.x : rest.y) += away;
    else
      (isAcross ? off.x : off.y) += isAcross ? rest.across : rest.along;
    CutRun run = begun(isAcross);
    run.moment = moment_;
    run.purpose = purpose;
    CutRun::Segment waste, kept;
    waste.at = off;
    kept.at = rest;
    kept.isMeasured = true;
    kept.moment = moment_;
    run.segments = isLow ? std::vector{waste, kept} : std::vector{kept, waste};
    room_ = rest;
    addInside(add(std::move(run)));
  }

  /// Of each node the first moment at which something is cut from it.
  int findMoments(int at) {
    if (at < 0) return kNeverCut;
    const CutNode& node = nodeAt(at);
    int moment = kNeverCut;
    if (node.kind == CutNode::Kind::Piece)
      moment = problem_.pieces[sheet_->placements[node.placement].piece].moment;
    else if (node.kind != CutNode::Kind::Left)
      moment = std::min(findMoments(node.low), findMoments(node.high));
    return moments_[static_cast<std::size_t>(at)] = moment;
  }

  /// A node's parallel cuts as one run, and all inside it; -1 where no piece comes of it.
  int addRun(int at, const CutRectangle& in) {
    if (at < 0 || !isCut(nodeAt(at)) || moments_[static_cast<std::size_t>(at)] == kNeverCut)
      return -1;
    CutRun run = begun(nodeAt(at).kind == CutNode::Kind::CutAcross);
    gather(at, in, run);
    for (CutRun::Segment& segment : run.segments) {
      run.moment = std::min(run.moment, segment.moment);
      segment.inside = addRun(segment.leaf, segment.at);
    }
    return add(std::move(run));
  }

  /// Its segments from low to high.
  void gather(int at, const CutRectangle& in, CutRun& run) const {
    const CutNode* node = at < 0 ? nullptr : &nodeAt(at);
    const bool isParted =
        node != nullptr && isCut(*node) && (node->kind == CutNode::Kind::CutAcross) == run.isAcross;
    if (!isParted) {
      CutRun::Segment& segment = run.segments.emplace_back();
      segment.at = in;
      segment.moment = node != nullptr ? moments_[static_cast<std::size_t>(at)] : kNeverCut;
      segment.isMeasured = segment.moment != kNeverCut;
      segment.leaf = at;
      segment.slack = slackOf(at, in, run.isAcross);
      return;
    }
    const auto [low, high] = halvesOf(*node, in, kerf_);
    gather(node->low, low, run);
    run.segments.back().node = at;
    gather(node->high, high, run);
  }

  /// By how much less wide what is in a rectangle could be: of what lies side by side all that is
  /// left over, of what lies above one another what each has.
  [[nodiscard]] Micrometres slackOf(int at, const CutRectangle& in, bool isAcross) const {
    const Micrometres width = isAcross ? in.across : in.along;
    if (at < 0 || nodeAt(at).kind == CutNode::Kind::Left) return std::max<Micrometres>(0, width);
    const CutNode& node = nodeAt(at);
    if (node.kind == CutNode::Kind::Piece) return 0;
    const auto [low, high] = halvesOf(node, in, kerf_);
    const Micrometres ofLow = slackOf(node.low, low, isAcross);
    const Micrometres ofHigh = slackOf(node.high, high, isAcross);
    const bool isBeside = (node.kind == CutNode::Kind::CutAcross) == isAcross;
    return isBeside ? ofLow + ofHigh : std::min(ofLow, ofHigh);
  }

  const CutProblem& problem_;
  bool isWithEdges_;
  CutRuns all_;
  const CutSheet* sheet_ = nullptr;
  std::size_t which_ = 0;
  Micrometres kerf_ = 0;
  std::vector<int> moments_;  // of its nodes
  int moment_ = 0;            // of the sheet
  CutRectangle room_;         // within the edges that are trimmed
  int last_ = -1;             // run, whose kept segment is what stays
};

/// One is not measured, but what stays when all others are cut off: what is left over; else best
/// one that need not be quite so wide, even if others are cut later.
void letSlackStay(CutRun& run) {
  CutRun::Segment* stays = nullptr;
  for (CutRun::Segment& segment : run.segments) {
    if (segment.moment == kNeverCut) return;
    if (segment.slack > (stays == nullptr ? 0 : stays->slack)) stays = &segment;
  }
  if (stays == nullptr) return;
  for (CutRun::Segment& segment : run.segments) segment.isMeasured = &segment != stays;
}

/// What they come to may still change. @returns them as runs of their own.
std::vector<CutRun> laterOf(CutRun& run, std::size_t nextRun) {
  std::vector<CutRun> all;
  std::vector<CutRun::Segment> segments;
  for (std::size_t i = 0; i < run.segments.size();) {
    std::size_t end = i;
    int moment = kNeverCut;
    while (end < run.segments.size() && run.segments[end].moment > run.moment)
      moment = std::min(moment, run.segments[end++].moment);
    if (end < i + 2 || moment == kNeverCut) {
      segments.push_back(run.segments[i++]);
      if (segments.back().moment > run.moment) segments.back().isMeasured = false;
      continue;
    }
    CutRun later = run;
    later.moment = moment;
    later.segments.assign(run.segments.begin() + static_cast<std::ptrdiff_t>(i),
                          run.segments.begin() + static_cast<std::ptrdiff_t>(end));
    CutRun::Segment whole;
    whole.at = run.between(i, end - 1);
    whole.moment = moment;
    whole.node = run.segments[end - 1].node;
    for (std::size_t k = i; k < end; ++k) whole.slack += run.segments[k].slack;
    whole.inside = static_cast<int>(nextRun + all.size());
    all.push_back(std::move(later));
    segments.push_back(whole);
    i = end;
  }
  run.segments = std::move(segments);
  letSlackStay(run);
  return all;
}

}  // namespace

CutRuns cutRuns(const CutProblem& problem, const CutLayout& layout, const std::string& material,
                bool isWithEdges) {
  Gathering gathering(problem, isWithEdges);
  for (std::size_t s = 0; s < layout.sheets.size(); ++s) {
    const CutSheet& sheet = layout.sheets[s];
    const CutStock& stock = problem.stocks[sheet.stock];
    if (stock.material == material) gathering.addSheet(stock, sheet, s);
  }
  return gathering.all();
}

void keepLaterWhole(CutRuns& all) {
  for (std::size_t i = 0; i < all.runs.size(); ++i) {
    if (all.runs[i].purpose != CutPurpose::Part) continue;
    std::vector<CutRun> later = laterOf(all.runs[i], all.runs.size());
    std::move(later.begin(), later.end(), std::back_inserter(all.runs));
  }
}

}  // namespace drapery
