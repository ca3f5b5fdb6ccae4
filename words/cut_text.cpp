#include "words/cut_text.h"

#include <fmt/format.h>

#include <map>

#include "core/cutting/cut_order.h"
#include "core/cutting/shortfall.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

double mm(Micrometres length) { return static_cast<double>(length) / 1000; }

std::string heading(const CutProblem& problem, const MaterialCost& cost) {
  std::string text = shownText(cost.material) + ": ";
  if (cost.sheets > 0)
    text += fmt::format("{} {}", cost.sheets, cost.sheets == 1 ? "sheet" : "sheets");
  if (cost.length > 0)
    text += fmt::format("{}{} mm of a roll", cost.sheets > 0 ? ", " : "", mm(cost.length));
  text += fmt::format(", {} {:.6g}", problem.isForValue ? "worth" : "cost", cost.cost);
  if (!cost.isWhole) return text + "; there is not stock enough for all of it";
  text += problem.isForValue ? "; nothing is worth more" : "; nothing is cheaper";
  return cost.isProven ? text : text + fmt::format(" than {:.6g}", cost.bound);
}

std::string sheetLine(const CutProblem& problem, const CutSheet& sheet) {
  const CutStock& stock = problem.stocks[sheet.stock];
  std::string line = fmt::format("  {} x {}, {} x {} mm:", sheet.repeat, shownText(stock.id),
                                 mm(stock.across), mm(stock.along));
  std::map<std::size_t, int> counts;
  for (const CutPlacement& placement : sheet.placements) ++counts[placement.piece];
  const char* between = " ";
  for (const auto& [piece, count] : counts) {
    line += fmt::format("{}{} x {}", between, count, shownText(problem.pieces[piece].id));
    between = ", ";
  }
  return line;
}

/// "   2. set to 216.5 mm: 3 cuts on sheet 1, 2 cuts on sheet 2"
std::string stepLine(int number, const GaugeStep& step) {
  std::map<std::size_t, int> counts;
  for (const OrderedCut& cut : step.cuts) counts[cut.sheet] += cut.times;
  std::string line = fmt::format("  {:>3}. set to {} mm:", number, mm(step.reading));
  const char* between = " ";
  for (const auto& [sheet, count] : counts) {
    line +=
        fmt::format("{}{} {} on sheet {}", between, count, count == 1 ? "cut" : "cuts", sheet + 1);
    between = ", ";
  }
  return line;
}

}  // namespace

std::string whyUnplaced(const CutProblem& problem, std::size_t piece) {
  const auto lacks = shortfallOf(problem, piece);
  if (!lacks)
    return fmt::format("there is no stock of {}", shownText(problem.pieces[piece].material));
  const std::string stock = shownText(problem.stocks[lacks->stock].id);
  if (lacks->acrossGrain == 0 && lacks->alongGrain == 0)
    return fmt::format("there is not enough of {}", stock);
  std::string needs;
  if (lacks->acrossGrain > 0)
    needs = fmt::format("{} mm more across the grain", mm(lacks->acrossGrain));
  if (lacks->alongGrain > 0)
    needs += fmt::format("{}{} mm more along the grain", needs.empty() ? "" : " and ",
                         mm(lacks->alongGrain));
  return fmt::format("needs {} than {} has", needs, stock);
}

std::string cutText(const CutProblem& problem, const CutLayout& layout) {
  std::string text;
  for (const MaterialCost& cost : layout.materials) {
    text += heading(problem, cost) + "\n";
    for (const CutSheet& sheet : layout.sheets)
      if (problem.stocks[sheet.stock].material == cost.material)
        text += sheetLine(problem, sheet) + "\n";
    int number = 0;
    for (const GaugeStep& step : cutOrder(problem, layout, cost.material))
      text += stepLine(++number, step) + "\n";
  }
  for (const Unplaced& each : layout.unplaced)
    text += fmt::format("not placed: {} x {}: {}\n", each.count,
                        shownText(problem.pieces[each.piece].id), whyUnplaced(problem, each.piece));
  return text;
}

}  // namespace drapery
