#include "core/cutting/for_bench.h"

#include <algorithm>
#include <set>
#include <tuple>

#include "core/cutting/clear_lines.h"
#include "core/cutting/cut_rectangle.h"
#include "core/cutting/side_by_side.h"

namespace drapery {

namespace {

/// All that can be cut side by side is cut so, in turns along and across: after the first direction
/// there is no choice any more. What is kept of the rest is not cut out of what is left over.
class Benching {
 public:
  /// @param kept the number of those that are no pieces
  Benching(Micrometres kerf, Micrometres longest, const SheetPart& whole, std::size_t kept)
      : kerf_(kerf), longest_(longest), whole_(whole), kept_(kept) {}

  /// Up to two ways, the better first: the other makes no more cuts that are too long.
  std::vector<std::vector<SheetPart>> around(const std::vector<SheetPart>& pieces) {
    std::vector<std::vector<SheetPart>> ways;
    Effort first;
    for (const bool isBeside : {false, true}) {
      parts_ = {whole_};
      effort_ = {};
      readings_.clear();
      if (!cutUp(0, pieces, isBeside)) continue;
      effort_.settings = readings_.size();
      const bool isBetter = ways.empty() || effort_ < first;
      if (!ways.empty() && effort_.tooLong != first.tooLong) {
        if (!isBetter) continue;
        ways.clear();
      }
      ways.insert(isBetter ? ways.begin() : ways.end(), std::move(parts_));
      if (isBetter) first = effort_;
    }
    return ways;
  }

 private:
  struct Effort {
    int tooLong = 0;
    std::size_t settings = 0;
    int cuts = 0;
    friend bool operator<(const Effort& a, const Effort& b) {
      return std::tie(a.tooLong, a.settings, a.cuts) < std::tie(b.tooLong, b.settings, b.cuts);
    }
  };

  /// In the direction that is told, else in the other.
  bool cutUp(std::size_t at, const std::vector<SheetPart>& pieces, bool isBeside) {
    if (isLeft(pieces)) return true;
    const SheetPart region = parts_[at];
    if (pieces.size() == 1 && pieces[0].across == region.across &&
        pieces[0].along == region.along) {
      parts_[at] = pieces[0];
      return true;
    }
    std::vector<Micrometres> lines = linesIn(region, pieces, isBeside);
    if (lines.empty()) lines = linesIn(region, pieces, isBeside = !isBeside);
    if (lines.empty()) return false;
    const std::vector<std::vector<SheetPart>> shares = sharedOut(lines, pieces, isBeside);
    const Micrometres length = (isBeside ? region.along : region.across) - kerf_;
    effort_.cuts += static_cast<int>(lines.size());
    if (length > longest_) effort_.tooLong += static_cast<int>(lines.size());
    std::size_t rest = at;  // from the low end on, one after the other
    for (std::size_t i = 0; i < lines.size(); ++i) {
      SheetPart low = parts_[rest], high = low;
      (isBeside ? low.across : low.along) = lines[i] - (isBeside ? low.x : low.y);
      (isBeside ? high.x : high.y) = lines[i];
      (isBeside ? high.across : high.along) -= isBeside ? low.across : low.along;
      SheetPart& split = parts_[rest];
      split.kind = SheetPart::Kind::Split;
      split.isBeside = isBeside;
      const std::size_t lowAt = split.low = parts_.size();
      rest = split.high = parts_.size() + 1;
      parts_.push_back(low);
      parts_.push_back(high);
      if (!isLeft(shares[i])) readings_.insert(isBeside ? low.across : low.along);
      if (!cutUp(lowAt, shares[i], !isBeside)) return false;
    }
    return cutUp(rest, shares.back(), !isBeside);
  }

  [[nodiscard]] bool isLeft(const std::vector<SheetPart>& pieces) const {
    return std::all_of(pieces.begin(), pieces.end(),
                       [&](const SheetPart& piece) { return piece.piece == kept_; });
  }

  /// The pieces between the lines, of which those go that have no piece on either side.
  [[nodiscard]] std::vector<std::vector<SheetPart>> sharedOut(std::vector<Micrometres>& lines,
                                                              const std::vector<SheetPart>& pieces,
                                                              bool isBeside) const {
    std::vector<std::vector<SheetPart>> shares(lines.size() + 1);
    for (const SheetPart& piece : pieces) {
      const Micrometres from = isBeside ? piece.x : piece.y;
      shares[static_cast<std::size_t>(std::upper_bound(lines.begin(), lines.end(), from) -
                                      lines.begin())]
          .push_back(piece);
    }
    for (std::size_t i = 0; i < lines.size();) {
      if (!isLeft(shares[i]) || !isLeft(shares[i + 1])) {
        ++i;
        continue;
      }
      shares[i].insert(shares[i].end(), shares[i + 1].begin(), shares[i + 1].end());
      shares.erase(shares.begin() + static_cast<std::ptrdiff_t>(i) + 1);
      lines.erase(lines.begin() + static_cast<std::ptrdiff_t>(i));
    }
    return shares;
  }

  /// A line may be cut where no piece lies across it.
  [[nodiscard]] std::vector<Micrometres> linesIn(const SheetPart& region,
                                                 const std::vector<SheetPart>& pieces,
                                                 bool isBeside) const {
    return ClearLines(region, pieces, isBeside, kerf_).all();
  }

  Micrometres kerf_, longest_;
  SheetPart whole_;
  std::size_t kept_;
  std::vector<SheetPart> parts_;
  Effort effort_;
  std::set<Micrometres> readings_;
};

/// Parts of an enlarged sheet as the cuts of the sheet itself.
class Cuts {
 public:
  Cuts(const CutStock& stock, const std::vector<SheetPart>& parts) : stock_(stock), parts_(parts) {}

  std::vector<CutNode> nodes() {
    add(0);
    return std::move(nodes_);
  }

 private:
  int add(std::size_t at) {
    const SheetPart& part = parts_[at];
    if (part.kind == SheetPart::Kind::Free &&
        (part.across <= stock_.kerf || part.along <= stock_.kerf))
      return -1;
    const std::size_t here = nodes_.size();
    nodes_.emplace_back();
    if (part.kind == SheetPart::Kind::Piece) {
      nodes_[here].kind = CutNode::Kind::Piece;
      nodes_[here].placement = part.piece;
    }
    if (part.kind != SheetPart::Kind::Split) return static_cast<int>(here);
    const SheetPart& high = parts_[part.high];
    nodes_[here].kind = part.isBeside ? CutNode::Kind::CutAcross : CutNode::Kind::CutAlong;
    nodes_[here].at =
        part.isBeside ? stock_.left + high.x - stock_.kerf : stock_.bottom + high.y - stock_.kerf;
    const int lowNode = add(part.low), highNode = add(part.high);
    nodes_[here].low = lowNode;
    nodes_[here].high = highNode;
    return static_cast<int>(here);
  }

  const CutStock& stock_;
  const std::vector<SheetPart>& parts_;
  std::vector<CutNode> nodes_;
};

SheetPart enlarged(const CutStock& stock, const CutPlacement& at, std::size_t number) {
  return {SheetPart::Kind::Piece,
          at.x - stock.left,
          at.y - stock.bottom,
          at.across + stock.kerf,
          at.along + stock.kerf,
          false,
          0,
          0,
          number,
          at.isTurned};
}

/// Of the rectangles that its own cuts leave, and those left by cuts that take the largest first,
/// whichever has the largest; then whichever are more.
std::vector<CutPlacement> bestLeft(const CutStock& stock, const CutSheet& sheet,
                                   const std::vector<SheetPart>& pieces, const UsableLeft& usable) {
  const auto worth = [](const std::vector<CutPlacement>& left) {
    double largest = 0.0, sum = 0.0;
    for (const CutPlacement& each : left) {
      const double area = double(each.across) * double(each.along);
      largest = std::max(largest, area);
      sum += area;
    }
    return std::pair(largest, sum);
  };
  std::vector<CutPlacement> own = usableLeft(stock, sheet, usable);
  const auto parts = cutsAround(stock, pieces);
  if (!parts) return own;
  CutSheet other = sheet;
  other.cuts = Cuts(stock, *parts).nodes();
  std::vector<CutPlacement> others = usableLeft(stock, other, usable);
  return worth(others) > worth(own) ? others : own;
}

/// A sheet's cuts in each way that there is to begin, the best first.
std::vector<std::vector<CutNode>> waysToCut(CutStock stock, const CutSheet& sheet,
                                            const UsableLeft& usable, Micrometres longest) {
  if (stock.form == StockForm::Roll) stock.along = lengthUsed(stock, sheet) + stock.top;
  std::vector<SheetPart> pieces;
  for (std::size_t i = 0; i < sheet.placements.size(); ++i)
    pieces.push_back(enlarged(stock, sheet.placements[i], i));
  const std::size_t most = pieces.size();
  for (const CutPlacement& left : bestLeft(stock, sheet, pieces, usable))
    pieces.push_back(enlarged(stock, left, most));
  std::vector<std::vector<CutNode>> ways;
  for (const auto& parts : Benching(stock.kerf, longest, enlarged(stock), most).around(pieces))
    ways.push_back(Cuts(stock, parts).nodes());
  return ways;
}

/// Of one material, where not too much of it has to be looked at: another way to cut a sheet, if
/// all of them together take fewer settings so.
void cutOtherwise(const CutProblem& problem, const std::string& material,
                  const std::vector<std::vector<std::vector<CutNode>>>& ways, CutLayout& layout) {
  constexpr std::size_t kMuch = 3000;
  std::vector<std::size_t> sheets;
  std::size_t pieces = 0;
  for (std::size_t s = 0; s < ways.size(); ++s) {
    if (problem.stocks[layout.sheets[s].stock].material != material) continue;
    pieces += layout.sheets[s].placements.size();
    if (ways[s].size() > 1) sheets.push_back(s);
  }
  if (pieces * sheets.size() > kMuch) return;
  std::size_t least = inOrder(problem, layout, material).settings;
  for (const std::size_t s : sheets) {
    layout.sheets[s].cuts = ways[s][1];
    const std::size_t settings = inOrder(problem, layout, material).settings;
    if (settings < least)
      least = settings;
    else
      layout.sheets[s].cuts = ways[s][0];
  }
}

}  // namespace

CutLayout forBench(const CutProblem& problem, const CutLayout& layout, const UsableLeft& usable,
                   Micrometres longest) {
  CutLayout result = layout;
  std::vector<std::vector<std::vector<CutNode>>> ways;
  for (CutSheet& sheet : result.sheets) {
    ways.push_back(waysToCut(problem.stocks[sheet.stock], sheet, usable, longest));
    if (!ways.back().empty()) sheet.cuts = ways.back().front();
  }
  for (const MaterialCost& cost : layout.materials) {
    cutOtherwise(problem, cost.material, ways, result);
    result = inOrder(problem, result, cost.material).layout;
  }
  return result;
}

}  // namespace drapery
