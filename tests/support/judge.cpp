#include "tests/support/judge.h"

#include <algorithm>
#include <map>
#include <vector>

namespace drapery::test {

namespace {

struct Rect {
  Micrometres x0, y0, x1, y1;
  friend bool operator==(const Rect&, const Rect&) = default;
};

Rect rectOf(const CutPlacement& p) { return {p.x, p.y, p.x + p.across, p.y + p.along}; }

std::string faultOfPiece(const CutStock& stock, const CutPiece& piece, const CutPlacement& p) {
  if (piece.material != stock.material) return "other material";
  const Micrometres across = p.isTurned ? piece.height : piece.width;
  const Micrometres along = p.isTurned ? piece.width : piece.height;
  if (p.across != across || p.along != along) return "other size";
  // The grain of the stock runs along its y when it is Along: then upright pieces have it along h.
  const bool runsAlongHeight = (stock.grain == StockGrain::Along) == !p.isTurned;
  if (piece.grain == PieceGrain::Height && !runsAlongHeight) return "grain";
  if (piece.grain == PieceGrain::Width && runsAlongHeight) return "grain";
  const Rect r = rectOf(p);
  if (r.x0 < stock.left || r.y0 < stock.bottom || r.x1 > stock.across - stock.right ||
      r.y1 > stock.along - stock.top)
    return "outside";
  return {};
}

std::string faultOfCuts(const CutStock& stock, const CutSheet& sheet, int which, const Rect& in,
                        std::vector<bool>& freed) {
  if (which < 0) return {};
  const CutNode& node = sheet.cuts.at(static_cast<std::size_t>(which));
  if (node.kind == CutNode::Kind::Left) return {};
  if (node.kind == CutNode::Kind::Piece) {
    if (freed.at(node.placement)) return "freed twice";
    freed[node.placement] = true;
    return rectOf(sheet.placements[node.placement]) == in ? "" : "not freed exactly";
  }
  Rect low = in, high = in;
  const bool isX = node.kind == CutNode::Kind::CutAcross;
  if (node.at < (isX ? in.x0 : in.y0) || node.at > (isX ? in.x1 : in.y1)) return "cut outside";
  (isX ? low.x1 : low.y1) = node.at;
  (isX ? high.x0 : high.y0) = node.at + stock.kerf;
  if (std::string fault = faultOfCuts(stock, sheet, node.low, low, freed); !fault.empty())
    return fault;
  if (node.high >= 0 && (high.x0 >= high.x1 || high.y0 >= high.y1)) return "nothing behind a cut";
  return faultOfCuts(stock, sheet, node.high, high, freed);
}

/// Whether all of them fit into a rectangle, enlarged by the kerf, cut from edge to edge.
class Fitting {
 public:
  explicit Fitting(std::vector<std::vector<LyingSize>> pieces) : pieces_(std::move(pieces)) {}

  bool fits(unsigned set, Micrometres across, Micrometres along) {
    if (set == 0) return true;
    if ((set & (set - 1)) == 0) return oneFits(set, across, along);
    const auto key = std::tuple(set, across, along);
    if (const auto known = known_.find(key); known != known_.end()) return known->second;
    bool does = false;
    for (unsigned low = (set - 1) & set; low != 0 && !does; low = (low - 1) & set) {
      for (const Micrometres at : sums(low, true))
        does =
            does || (at <= across && fits(low, at, along) && fits(set ^ low, across - at, along));
      for (const Micrometres at : sums(low, false))
        does =
            does || (at <= along && fits(low, across, at) && fits(set ^ low, across, along - at));
    }
    return known_[key] = does;
  }

 private:
  bool oneFits(unsigned set, Micrometres across, Micrometres along) const {
    for (std::size_t i = 0; i < pieces_.size(); ++i)
      if (set == 1U << i)
        for (const LyingSize& size : pieces_[i])
          if (size.across <= across && size.along <= along) return true;
    return false;
  }
  /// Where a cut may lie: behind some of the pieces in a row.
  std::vector<Micrometres> sums(unsigned set, bool isAcross) const {
    std::vector<Micrometres> all{0};
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
      if ((set & (1U << i)) == 0) continue;
      const std::vector<Micrometres> before = all;
      for (const LyingSize& size : pieces_[i])
        for (const Micrometres sum : before)
          all.push_back(sum + (isAcross ? size.across : size.along));
    }
    std::sort(all.begin(), all.end());
    all.erase(std::unique(all.begin(), all.end()), all.end());
    all.erase(all.begin());
    return all;
  }
  std::vector<std::vector<LyingSize>> pieces_;
  std::map<std::tuple<unsigned, Micrometres, Micrometres>, bool> known_;
};

}  // namespace

std::string faultIn(const CutProblem& problem, const CutLayout& layout) {
  std::vector<int> placed(problem.pieces.size(), 0), used(problem.stocks.size(), 0);
  for (const CutSheet& sheet : layout.sheets) {
    const CutStock& stock = problem.stocks.at(sheet.stock);
    used[sheet.stock] += sheet.repeat;
    Micrometres end = 0;
    for (std::size_t i = 0; i < sheet.placements.size(); ++i) {
      const CutPlacement& p = sheet.placements[i];
      placed.at(p.piece) += sheet.repeat;
      if (std::string fault = faultOfPiece(stock, problem.pieces[p.piece], p); !fault.empty())
        return problem.pieces[p.piece].id + ": " + fault;
      const Rect a = rectOf(p);
      end = std::max(end, a.y1);
      for (std::size_t j = 0; j < i; ++j) {
        const Rect b = rectOf(sheet.placements[j]);
        const Micrometres beside = std::max(a.x0, b.x0) - std::min(a.x1, b.x1);
        const Micrometres above = std::max(a.y0, b.y0) - std::min(a.y1, b.y1);
        if (std::max(beside, above) < stock.kerf) return "closer than the kerf";
      }
    }
    const bool isRoll = stock.form == StockForm::Roll;
    if (isRoll && sheet.repeat != 1) return "a roll repeated";
    std::vector<bool> freed(sheet.placements.size(), false);
    const Rect whole{stock.left, stock.bottom, stock.across - stock.right,
                     isRoll ? end : stock.along - stock.top};
    if (std::string fault = faultOfCuts(stock, sheet, 0, whole, freed); !fault.empty())
      return fault;
    if (std::count(freed.begin(), freed.end(), false) > 0) return "a piece not freed";
  }
  for (const Unplaced& each : layout.unplaced) placed.at(each.piece) += each.count;
  for (std::size_t i = 0; i < placed.size(); ++i)
    if (placed[i] != problem.pieces[i].count && !problem.isForValue)
      return problem.pieces[i].id + ": other number";
  for (std::size_t i = 0; i < used.size(); ++i)
    if (problem.stocks[i].count && used[i] > *problem.stocks[i].count) return "more than there is";
  return {};
}

int fewestSheets(const CutProblem& problem) {
  std::vector<std::vector<LyingSize>> pieces;
  for (const CutPiece& piece : problem.pieces)
    pieces.insert(pieces.end(), static_cast<std::size_t>(piece.count),
                  lyingSizes(problem.stocks.at(0), piece));
  Fitting fitting(pieces);
  const UsableSize usable = usableOf(problem.stocks[0]);
  const unsigned all = (1U << pieces.size()) - 1;
  std::vector<int> fewest(all + 1, 99);
  fewest[0] = 0;
  for (unsigned set = 1; set <= all; ++set)
    for (unsigned one = set; one != 0; one = (one - 1) & set)
      if (fewest[set ^ one] + 1 < fewest[set] && fitting.fits(one, usable.across, usable.along))
        fewest[set] = fewest[set ^ one] + 1;
  return fewest[all];
}

}  // namespace drapery::test
