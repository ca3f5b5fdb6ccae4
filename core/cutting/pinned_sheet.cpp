#include "core/cutting/pinned_sheet.h"

#include <algorithm>
#include <map>

#include "core/cutting/edge_cuts.h"

namespace drapery {

namespace {

bool overlap(const SheetPart& a, const SheetPart& b) {
  return a.x < b.x + b.across && b.x < a.x + a.across && a.y < b.y + b.along && b.y < a.y + a.along;
}

struct Sheet {
  std::vector<SheetPart> pieces, freed;
};

class Pinning {
 public:
  explicit Pinning(const CutProblem& problem) : problem_(problem) {
    for (const CutPiece& piece : problem.pieces) left_.push_back(piece.count);
  }

  std::optional<PinFault> add(const CutPin& pin) {
    const CutStock& stock = problem_.stocks[pin.stock];
    const CutPiece& piece = problem_.pieces[pin.piece];
    if (piece.material != stock.material) return PinFault::Elsewhere;
    if (left_[pin.piece] == 0) return PinFault::TooMany;
    if (const auto fault = whyNotLying(stock, piece, pin.isTurned))
      return *fault == LyingFault::Grain ? PinFault::Grain : PinFault::Pattern;
    const LyingSize lies = lyingAs(stock, piece, pin.isTurned);
    const SheetPart placed{SheetPart::Kind::Piece,
                           pin.x - stock.left,
                           pin.y - stock.bottom,
                           lies.across,
                           lies.along,
                           false,
                           0,
                           0,
                           pin.piece,
                           pin.isTurned};
    const UsableSize usable = usableOf(stock);
    if (placed.x < 0 || placed.y < 0 || placed.x + placed.across > usable.across ||
        placed.y + placed.along > usable.along)
      return PinFault::Outside;
    const auto found = sheets_.find({pin.stock, pin.sheet});
    if (found == sheets_.end() && stock.count && used(pin.stock) >= *stock.count)
      return PinFault::Elsewhere;
    Sheet sheet = found == sheets_.end() ? Sheet() : found->second;
    for (const SheetPart& other : sheet.pieces)
      if (overlap(placed, other)) return PinFault::Overlaps;
    sheet.pieces.push_back(placed);
    auto freed = cutsAround(stock, sheet.pieces);
    if (!freed) return PinFault::NoEdgeToEdge;
    sheet.freed = std::move(*freed);
    sheets_[{pin.stock, pin.sheet}] = std::move(sheet);
    --left_[pin.piece];
    return std::nullopt;
  }

  std::vector<PinnedSheet> sheets() {
    std::vector<PinnedSheet> all;
    for (auto& [where, sheet] : sheets_)
      all.push_back({where.first, where.second, std::move(sheet.freed)});
    return all;
  }

 private:
  /// Whether it may and whether it fits is asked apart.
  static LyingSize lyingAs(const CutStock& stock, const CutPiece& piece, bool isTurned) {
    const LyingSize plain{piece.width + stock.kerf, piece.height + stock.kerf, false};
    return isTurned ? LyingSize{plain.along, plain.across, true} : plain;
  }
  [[nodiscard]] int used(std::size_t stock) const {
    return static_cast<int>(std::count_if(sheets_.begin(), sheets_.end(), [&](const auto& each) {
      return each.first.first == stock;
    }));
  }

  const CutProblem& problem_;
  std::vector<int> left_;
  std::map<std::pair<std::size_t, int>, Sheet> sheets_;
};

}  // namespace

std::vector<PinnedSheet> pinnedSheets(const CutProblem& problem, std::vector<UntakenPin>& untaken) {
  Pinning pinning(problem);
  for (std::size_t i = 0; i < problem.pins.size(); ++i)
    if (const auto fault = pinning.add(problem.pins[i])) untaken.push_back({i, *fault});
  return pinning.sheets();
}

std::optional<CutPin> roomFor(const CutProblem& problem, std::size_t piece, std::size_t stock,
                              int sheet) {
  const CutStock& on = problem.stocks[stock];
  const UsableSize usable = usableOf(on);
  std::vector<SheetPart> parts(1);
  parts[0].across = usable.across;
  parts[0].along = usable.along;
  std::vector<UntakenPin> untaken;
  for (PinnedSheet& each : pinnedSheets(problem, untaken))
    if (each.stock == stock && each.sheet == sheet) parts = std::move(each.parts);
  for (const LyingSize& size : lyingSizes(on, problem.pieces[piece]))
    for (const SheetPart& part : parts)
      if (part.kind == SheetPart::Kind::Free && size.across <= part.across &&
          size.along <= part.along)
        return CutPin{piece, stock, sheet, on.left + part.x, on.bottom + part.y, size.isTurned};
  return std::nullopt;
}

}  // namespace drapery
