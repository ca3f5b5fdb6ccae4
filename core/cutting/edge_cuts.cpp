#include "core/cutting/edge_cuts.h"

#include <algorithm>

#include "core/cutting/clear_lines.h"
#include "core/cutting/cut_rectangle.h"

namespace drapery {

namespace {

/// Cuts a rectangle until each piece in it stands alone. What can be cut at all can be cut
/// beginning with any edge-to-edge cut, and rectangles only become smaller: so the first choice
/// there is does no harm.
class Freeing {
 public:
  Freeing(Micrometres kerf, SheetPart whole) : kerf_(kerf), parts_{whole} {}

  /// @returns none where no cuts free them.
  std::optional<std::vector<SheetPart>> around(const std::vector<SheetPart>& pieces) {
    if (!free(0, pieces)) return std::nullopt;
    return std::move(parts_);
  }

 private:
  struct Cut {
    bool isBeside = false;
    Micrometres at = 0;
    double free = -1.0;  // the largest rectangle that it leaves free
  };

  bool free(std::size_t at, const std::vector<SheetPart>& pieces) {
    if (pieces.empty()) return true;
    const SheetPart region = parts_[at];
    if (pieces.size() == 1 && pieces[0].across == region.across &&
        pieces[0].along == region.along) {
      parts_[at] = pieces[0];
      return true;
    }
    const Cut cut = bestCut(region, pieces);
    if (cut.free < 0) return false;
    SheetPart low = region, high = region;
    (cut.isBeside ? low.across : low.along) = cut.at - (cut.isBeside ? region.x : region.y);
    (cut.isBeside ? high.x : high.y) = cut.at;
    (cut.isBeside ? high.across : high.along) -= cut.isBeside ? low.across : low.along;
    std::vector<SheetPart> lows, highs;
    for (const SheetPart& piece : pieces)
      ((cut.isBeside ? piece.x : piece.y) < cut.at ? lows : highs).push_back(piece);
    SheetPart& split = parts_[at];
    split.kind = SheetPart::Kind::Split;
    split.isBeside = cut.isBeside;
    const std::size_t lowAt = split.low = parts_.size(), highAt = split.high = parts_.size() + 1;
    parts_.push_back(low);
    parts_.push_back(high);
    return free(lowAt, lows) && free(highAt, highs);
  }

  [[nodiscard]] Cut bestCut(const SheetPart& region, const std::vector<SheetPart>& pieces) const {
    Cut best;
    for (const bool isBeside : {true, false}) {
      const ClearLines lines(region, pieces, isBeside, kerf_);
      const Micrometres start = isBeside ? region.x : region.y;
      const Micrometres end = start + (isBeside ? region.across : region.along);
      const double other = double(isBeside ? region.along : region.across);
      const auto look = [&](Micrometres at, Micrometres side) {
        const double free = double(side) * other;
        if (free > best.free && lines.isClear(at)) best = {isBeside, at, free};
      };
      look(lines.first(), lines.first() - start);
      look(lines.last(), end - lines.last());
      for (const SheetPart& piece : pieces) {  // else any will do
        if (best.free >= 0) break;
        const Micrometres from = isBeside ? piece.x : piece.y;
        look(from, 0);
        look(from + (isBeside ? piece.across : piece.along), 0);
      }
    }
    return best;
  }

  Micrometres kerf_;
  std::vector<SheetPart> parts_;
};

void gatherLeft(const CutSheet& sheet, int at, const CutRectangle& in, Micrometres kerf,
                std::vector<CutRectangle>& left) {
  if (at < 0) return;
  const CutNode& node = sheet.cuts[static_cast<std::size_t>(at)];
  if (node.kind == CutNode::Kind::Left) left.push_back(in);
  if (!isCut(node)) return;
  const auto [low, high] = halvesOf(node, in, kerf);
  gatherLeft(sheet, node.low, low, kerf, left);
  gatherLeft(sheet, node.high, high, kerf, left);
}

int cutsOver(const CutSheet& sheet, int at, const CutRectangle& in, Micrometres kerf,
             Micrometres longest) {
  if (at < 0) return 0;
  const CutNode& node = sheet.cuts[static_cast<std::size_t>(at)];
  if (!isCut(node)) return 0;
  const auto [low, high] = halvesOf(node, in, kerf);
  const Micrometres length = node.kind == CutNode::Kind::CutAcross ? in.along : in.across;
  return (length > longest ? 1 : 0) + cutsOver(sheet, node.low, low, kerf, longest) +
         cutsOver(sheet, node.high, high, kerf, longest);
}

}  // namespace

SheetPart enlarged(const CutStock& stock) {
  SheetPart whole;
  const UsableSize usable = usableOf(stock);
  whole.across = usable.across;
  whole.along = usable.along;
  return whole;
}

std::optional<std::vector<SheetPart>> cutsAround(const CutStock& stock,
                                                 const std::vector<SheetPart>& pieces) {
  return Freeing(stock.kerf, enlarged(stock)).around(pieces);
}

int cutsOver(const CutProblem& problem, const CutSheet& sheet, Micrometres longest) {
  const CutStock& stock = problem.stocks[sheet.stock];
  return sheet.cuts.empty() ? 0 : cutsOver(sheet, 0, wholeOf(stock, sheet), stock.kerf, longest);
}

std::vector<CutPlacement> usableLeft(const CutStock& stock, const CutSheet& sheet,
                                     const UsableLeft& usable) {
  if (sheet.cuts.empty()) return {};
  std::vector<CutRectangle> all;
  gatherLeft(sheet, 0, wholeOf(stock, sheet), stock.kerf, all);
  std::vector<CutPlacement> kept;
  for (const CutRectangle& left : all)
    if (std::min(left.across, left.along) >= usable.narrow &&
        std::max(left.across, left.along) >= usable.wide)
      kept.push_back({0, left.x, left.y, left.across, left.along, false});
  return kept;
}

double largestLeft(const CutProblem& problem, const CutLayout& layout) {
  double most = 0.0;
  for (const CutSheet& sheet : layout.sheets) {
    const CutStock& stock = problem.stocks[sheet.stock];
    if (stock.form == StockForm::Roll) continue;
    for (const CutPlacement& left : usableLeft(stock, sheet, {0, 0}))
      most = std::max(most, double(left.across) * double(left.along));
  }
  return most;
}

}  // namespace drapery
