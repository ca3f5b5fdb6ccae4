#include "core/cutting/spare_sheet.h"

#include <algorithm>
#include <map>

#include "core/cutting/lay_out.h"

namespace drapery {

namespace {

constexpr std::uint64_t kTries = 20;

double areaOn(const CutSheet& sheet) {
  double area = 0.0;
  for (const CutPlacement& at : sheet.placements) area += double(at.across) * double(at.along);
  return area;
}

/// What is left of the off-cuts, and how often each was taken is in `taken`.
CutProblem idleOnes(const CutProblem& problem, const std::string& material,
                    const std::vector<bool>& isOffCut, const std::map<std::size_t, int>& taken,
                    std::vector<std::size_t>& which) {
  CutProblem idle;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const CutStock& stock = problem.stocks[s];
    if (!isOffCut[s] || stock.material != material || stock.form == StockForm::Roll) continue;
    const auto used = taken.find(s);
    const int left = stock.count.value_or(1) - (used != taken.end() ? used->second : 0);
    if (left <= 0) continue;
    idle.stocks.push_back(stock);
    idle.stocks.back().count = left;
    which.push_back(s);
  }
  return idle;
}

}  // namespace

std::vector<SpareSheet> spareSheets(const CutProblem& problem, const CutLayout& layout,
                                    const std::vector<bool>& isOffCut,
                                    const std::function<bool()>& isCancelled) {
  std::map<std::size_t, int> taken;
  std::map<std::string, const CutSheet*> least;  // of each material
  for (const CutSheet& sheet : layout.sheets) {
    taken[sheet.stock] += sheet.repeat;
    const CutStock& stock = problem.stocks[sheet.stock];
    if (isOffCut[sheet.stock] || stock.form == StockForm::Roll || sheet.pinned) continue;
    const CutSheet*& known = least[stock.material];
    if (known == nullptr || areaOn(sheet) < areaOn(*known)) known = &sheet;
  }
  std::vector<SpareSheet> spare;
  for (const auto& [material, sheet] : least) {
    std::vector<std::size_t> which;
    CutProblem idle = idleOnes(problem, material, isOffCut, taken, which);
    double room = 0.0;
    for (const CutStock& stock : idle.stocks)
      room += double(stock.across) * double(stock.along) * *stock.count;
    if (room < areaOn(*sheet)) continue;
    std::map<std::size_t, int> counts;
    for (const CutPlacement& at : sheet->placements) ++counts[at.piece];
    for (const auto& [piece, count] : counts) {
      idle.pieces.push_back(problem.pieces[piece]);
      idle.pieces.back().count = count;
    }
    LayOutLimits limits;
    limits.steps = kTries;
    limits.isCancelled = isCancelled;
    const CutLayout there = layOut(idle, limits);
    if (!there.unplaced.empty()) continue;
    SpareSheet& found = spare.emplace_back();
    found.material = material;
    found.stock = sheet->stock;
    for (const CutSheet& each : there.sheets) found.offCuts.push_back(which[each.stock]);
    std::sort(found.offCuts.begin(), found.offCuts.end());
    found.offCuts.erase(std::unique(found.offCuts.begin(), found.offCuts.end()),
                        found.offCuts.end());
  }
  return spare;
}

}  // namespace drapery
