#include "words/cut_text.h"

#include <fmt/format.h>

#include <map>
#include <set>

#include "core/cutting/bench_work.h"
#include "words/cut_moments.h"
#include "words/cut_words.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

std::string heading(const CutProblem& problem, const MaterialCost& cost, const Notation& notation) {
  std::string text = shownText(cost.material) + ": ";
  if (cost.sheets == 0 && cost.length == 0) text += "nothing is cut";
  if (cost.sheets > 0)
    text += fmt::format("{} {}", cost.sheets, cost.sheets == 1 ? "sheet" : "sheets");
  if (cost.length > 0)
    text += fmt::format("{}{} of a roll", cost.sheets > 0 ? ", " : "",
                        cutLengthWords(cost.length, notation));
  text += fmt::format(", {} {:.6g}", problem.isForValue ? "worth" : "cost", cost.cost);
  if (!cost.isWhole) return text + "; there is not stock enough for all of it";
  text += problem.isForValue ? "; nothing is worth more" : "; nothing is cheaper";
  return cost.isProven ? text : text + fmt::format(" than {:.6g}", cost.bound);
}

/// "  sheet 2: 1 x grey board, 700 × 1000 mm: 4 x board, 3 x stiffener"
std::string sheetLine(const CutProblem& problem, const CutSheet& sheet, std::size_t number,
                      const Notation& notation) {
  const CutStock& stock = problem.stocks[sheet.stock];
  std::string line =
      fmt::format("  sheet {}: {} x {}, {}:", number, sheet.repeat, shownText(stock.id),
                  cutSizeWords(stock.across, stock.along, notation));
  std::map<std::size_t, int> counts;
  for (const CutPlacement& placement : sheet.placements) ++counts[placement.piece];
  const char* between = " ";
  for (const auto& [piece, count] : counts) {
    line += fmt::format("{}{} x {}", between, count, shownText(problem.pieces[piece].id));
    between = ", ";
  }
  return line;
}

/// "   2. set to 216.5 mm, 5 cuts: 3 on sheet 1, 2 on sheet 2"
std::string stepLine(int number, const GaugeStep& step, const Notation& notation) {
  std::map<std::size_t, int> counts;
  for (const OrderedCut& cut : step.cuts) counts[cut.sheet] += cut.times;
  std::string line = fmt::format("  {:>3}. {}: ", number, settingWords(step, notation, 0));
  const char* between = "";
  for (const auto& [sheet, count] : counts) {
    line += fmt::format("{}{} on sheet {}", between, count, sheet + 1);
    between = ", ";
  }
  return line;
}

}  // namespace

std::string cutText(const CutProblem& problem, const CutLayout& found, const Notation& notation) {
  std::string text;
  const BenchWork bench = benchWork(problem, found, {});
  const CutLayout& layout = bench.layout;
  for (const MaterialCost& cost : layout.materials) {
    text += heading(problem, cost, notation) + "\n";
    for (std::size_t i = 0; i < layout.sheets.size(); ++i)
      if (problem.stocks[layout.sheets[i].stock].material == cost.material)
        text += sheetLine(problem, layout.sheets[i], i + 1, notation) + "\n";
    std::set<std::size_t> patterned;
    for (const CutSheet& sheet : layout.sheets)
      if (problem.stocks[sheet.stock].material == cost.material &&
          problem.stocks[sheet.stock].pattern != StockPattern::None &&
          patterned.insert(sheet.stock).second)
        text += "  " + patternWords(problem.stocks[sheet.stock]) + "\n";
    int number = 0, moment = -1;
    for (const GaugeStep& step : bench.stepsOf(cost.material)) {
      if (step.moment != moment && step.moment > 0)
        text += "  " + momentTitle(static_cast<CutWhen>(step.moment)) + ":\n";
      moment = step.moment;
      text += stepLine(++number, step, notation) + "\n";
    }
  }
  for (const Unplaced& each : layout.unplaced)
    text += fmt::format("not placed: {} x {}: {}\n", each.count,
                        shownText(problem.pieces[each.piece].id),
                        whyUnplaced(problem, each.piece, notation));
  return text;
}

}  // namespace drapery
