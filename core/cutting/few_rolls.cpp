#include "core/cutting/few_rolls.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <limits>
#include <map>
#include <optional>
#include <tuple>

#include "core/cutting/cut_rectangle.h"

namespace drapery {

namespace {

/// A roll that is begun loses what is trimmed at its beginning, and spares the cut between what
/// lies on it and what would lie before it on another.
bool isBegunForNothing(const CutStock& stock) {
  return stock.form == StockForm::Roll && stock.kerf <= stock.bottom;
}

/// How long a roll has to be for so many of a piece in rows of their own, enlarged by the kerf;
/// without bound where it does not fit.
double lengthOfRows(const CutStock& stock, const CutPiece& piece) {
  double least = std::numeric_limits<double>::infinity();
  const Micrometres across = usableOf(stock).across;
  for (const LyingSize& size : lyingSizes(stock, piece)) {
    const Micrometres inRow = across / size.across;
    const Micrometres rows = (piece.count + inRow - 1) / inRow;
    least = std::min(least, double(rows * size.along));
  }
  return least;
}

/// Of a sheet's cuts what lies across the roll from one of them to the next.
struct Slab {
  const CutSheet* from = nullptr;
  int node = -1;
  Micrometres y = 0, along = 0;
};

void addSlabs(const CutSheet& sheet, int at, const CutRectangle& in, Micrometres kerf,
              std::vector<Slab>& slabs) {
  if (at < 0) return;
  const CutNode& node = sheet.cuts[static_cast<std::size_t>(at)];
  if (node.kind == CutNode::Kind::CutAlong) {
    const auto [low, high] = halvesOf(node, in, kerf);
    addSlabs(sheet, node.low, low, kerf, slabs);
    addSlabs(sheet, node.high, high, kerf, slabs);
  } else if (node.kind != CutNode::Kind::Left) {
    slabs.push_back({&sheet, at, in.y, in.along});
  }
}

/// Slabs one after the other.
class RollOfSlabs {
 public:
  RollOfSlabs(std::size_t stock, Micrometres bottom, Micrometres kerf)
      : next_(bottom), kerf_(kerf) {
    sheet_.stock = stock;
  }

  void add(const Slab& slab) {
    if (last_ >= 0) {  // what was last is cut off from this one
      CutNode cut;
      cut.kind = CutNode::Kind::CutAlong;
      cut.at = next_ - kerf_;
      cut.low = last_;
      const int at = append(cut);
      (above_ < 0 ? root_ : nodeAt(above_).high) = at;
      above_ = at;
    }
    last_ = copy(slab, slab.node);
    (above_ < 0 ? root_ : nodeAt(above_).high) = last_;
    next_ += slab.along + kerf_;
  }

  /// With the node of the whole first.
  CutSheet finish() {
    std::swap(sheet_.cuts.front(), nodeAt(root_));
    for (CutNode& node : sheet_.cuts)
      for (int* child : {&node.low, &node.high})
        if (*child == 0 || *child == root_) *child = root_ - *child;
    return std::move(sheet_);
  }

 private:
  CutNode& nodeAt(int at) { return sheet_.cuts[static_cast<std::size_t>(at)]; }
  int append(const CutNode& node) {
    sheet_.cuts.push_back(node);
    return static_cast<int>(sheet_.cuts.size()) - 1;
  }
  int copy(const Slab& slab, int from) {
    if (from < 0) return -1;
    CutNode node = slab.from->cuts[static_cast<std::size_t>(from)];
    if (node.kind == CutNode::Kind::CutAlong) node.at += next_ - slab.y;
    if (node.kind == CutNode::Kind::Piece) {
      sheet_.placements.push_back(slab.from->placements[node.placement]);
      sheet_.placements.back().y += next_ - slab.y;
      node.placement = sheet_.placements.size() - 1;
    }
    const int here = append(node);
    const int low = copy(slab, node.low), high = copy(slab, node.high);
    nodeAt(here).low = low;
    nodeAt(here).high = high;
    return here;
  }

  CutSheet sheet_;
  Micrometres next_, kerf_;
  int root_ = -1;   // node of the whole
  int above_ = -1;  // of the last cut
  int last_ = -1;   // of the last slab
};

auto alike(const CutStock& roll) {
  return std::tie(roll.material, roll.across, roll.grain, roll.pattern, roll.left, roll.right,
                  roll.bottom, roll.top, roll.kerf, roll.cost);
}

/// All that lies on rolls that are alike.
class Rolls {
 public:
  /// @param taken of each stock, by sheets that stay as they are.
  Rolls(const CutProblem& problem, std::vector<int> taken)
      : problem_(problem), taken_(std::move(taken)) {}

  void add(const CutSheet& sheet) {
    first_ = sheet.stock;
    like_ = &problem_.stocks[sheet.stock];
    addSlabs(sheet, 0, wholeOf(*like_, sheet), like_->kerf, slabs_);
    ++before_;
  }

  /// None where they would be more than before, or it lies so already.
  std::optional<std::vector<CutSheet>> laid() {
    std::stable_sort(slabs_.begin(), slabs_.end(),
                     [](const Slab& a, const Slab& b) { return a.along > b.along; });
    if (before_ == 1 && next() == first_) return std::nullopt;
    std::vector<CutSheet> sheets;
    while (!slabs_.empty()) {
      const auto roll = next();
      if (!roll || sheets.size() == before_) return std::nullopt;
      ++taken_[*roll];
      RollOfSlabs whole(*roll, like_->bottom, like_->kerf);
      Micrometres room = usableOf(problem_.stocks[*roll]).along;
      std::erase_if(slabs_, [&](const Slab& slab) {
        const Micrometres needs = slab.along + like_->kerf;
        if (needs > room) return false;
        room -= needs;
        whole.add(slab);
        return true;
      });
      sheets.push_back(whole.finish());
    }
    return sheets;
  }

 private:
  /// The shortest that holds all that is left; else the longest, if it holds any of it.
  [[nodiscard]] std::optional<std::size_t> next() const {
    Micrometres needs = 0;
    for (const Slab& slab : slabs_) needs += slab.along + like_->kerf;
    std::optional<std::size_t> best;
    const auto isBetter = [&](Micrometres along, Micrometres than) {
      const bool isAll = along >= needs, isAllThere = than >= needs;
      return isAll != isAllThere ? isAll : isAll ? along < than : along > than;
    };
    for (std::size_t s = 0; s < problem_.stocks.size(); ++s) {
      const CutStock& stock = problem_.stocks[s];
      if (stock.form == StockForm::Sheet || alike(stock) != alike(*like_) ||
          (stock.count && taken_[s] >= *stock.count))
        continue;
      const Micrometres along = usableOf(stock).along;
      if (along < slabs_.back().along + like_->kerf) continue;
      if (!best || isBetter(along, usableOf(problem_.stocks[*best]).along)) best = s;
    }
    return best;
  }

  const CutProblem& problem_;
  std::vector<int> taken_;
  std::size_t first_ = 0;
  const CutStock* like_ = nullptr;
  std::vector<Slab> slabs_;
  std::size_t before_ = 0;
};

}  // namespace

CutProblem onFewRolls(const CutProblem& problem) {
  CutProblem result = problem;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const CutStock& stock = problem.stocks[s];
    if (!isBegunForNothing(stock) || (stock.count && *stock.count < 2)) continue;
    double length = 0.0;
    for (const CutPiece& piece : problem.pieces)
      if (piece.material == stock.material && piece.count > 0)
        if (const double rows = lengthOfRows(stock, piece); std::isfinite(rows)) length += rows;
    std::map<int, Micrometres> ends;  // of pins on each
    for (const CutPin& pin : problem.pins) {
      if (pin.stock != s) continue;
      const CutPiece& piece = problem.pieces[pin.piece];
      Micrometres& end = ends[pin.sheet];
      end = std::max(end, pin.y + (pin.isTurned ? piece.width : piece.height) + stock.kerf);
    }
    for (const auto& [sheet, end] : ends) length += double(end);
    const int needed = std::max(1, static_cast<int>(ends.size()));
    if (length <= double(usableOf(stock).along) && (!stock.count || *stock.count > needed))
      result.stocks[s].count = needed;
  }
  return result;
}

std::vector<CutSheet> onFewRolls(const CutProblem& problem, const std::vector<CutSheet>& sheets) {
  std::vector<CutSheet> result;
  std::vector<const CutSheet*> loose;
  std::vector<int> taken(problem.stocks.size(), 0);
  for (const CutSheet& sheet : sheets) {
    if (isBegunForNothing(problem.stocks[sheet.stock]) && !sheet.pinned) {
      loose.push_back(&sheet);
      continue;
    }
    taken[sheet.stock] += sheet.repeat;
    result.push_back(sheet);
  }
  while (!loose.empty()) {
    const auto isLikeFirst = [&, first = loose.front()](const CutSheet* sheet) {
      return alike(problem.stocks[sheet->stock]) == alike(problem.stocks[first->stock]);
    };
    const auto others = std::stable_partition(loose.begin(), loose.end(), isLikeFirst);
    Rolls rolls(problem, taken);
    for (auto sheet = loose.begin(); sheet != others; ++sheet) rolls.add(**sheet);
    if (auto fewer = rolls.laid())
      std::move(fewer->begin(), fewer->end(), std::back_inserter(result));
    else
      for (auto sheet = loose.begin(); sheet != others; ++sheet) result.push_back(**sheet);
    loose.erase(loose.begin(), others);
  }
  return result;
}

}  // namespace drapery
