#include "store/plan_cut.h"

#include <algorithm>
#include <cmath>

#include "core/plan/job_overrides.h"

namespace drapery {

namespace {

/// What a stock may be called so that a piece is cut from it, the most particular first: the piece
/// itself, the material that was named for it, what kind that is.
std::string materialOf(const PlannedPart& part, const std::vector<CutStock>& stocks) {
  for (const std::string& name : {part.rule->id, part.named})
    if (std::any_of(stocks.begin(), stocks.end(),
                    [&](const CutStock& stock) { return stock.material == name; }))
      return name;
  return part.material;
}

}  // namespace

CutProblem cutProblemOf(const Job& job, const Plan& plan, std::vector<CutStock> stocks) {
  CutProblem problem;
  problem.name = job.title.empty() ? job.id : job.title;
  problem.stocks = std::move(stocks);
  const auto copies = readCopies(job);
  const int* often = std::get_if<int>(&copies);
  for (const PlannedPart& part : plan.parts) {
    if (plan.isThere(part)) continue;
    CutPiece piece;
    piece.id = part.rule->id;
    piece.material = materialOf(part, problem.stocks);
    piece.width = std::llround(part.cutWidth.mm() * 1000);
    piece.height = std::llround(part.cutHeight.mm() * 1000);
    piece.count = part.count * (often != nullptr ? *often : 1);
    piece.grain = part.rule->grain == Grain::Height  ? PieceGrain::Height
                  : part.rule->grain == Grain::Width ? PieceGrain::Width
                                                     : PieceGrain::Free;
    problem.pieces.push_back(std::move(piece));
  }
  return problem;
}

}  // namespace drapery
