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

/// "  sheet 2: 1 x grey board, 700 × 1000 mm: 4 x board, 3 x stiffener", "  sheet 3: 726 mm of
/// cloth, 1000 mm wide, 42 m long: 3 x covering"
std::string sheetLine(const CutProblem& problem, const CutSheet& sheet, std::size_t number,
                      const Notation& notation) {
  const CutStock& stock = problem.stocks[sheet.stock];
  const std::string id = shownText(stock.id);
  std::string line = fmt::format("  sheet {}: ", number);
  if (stock.form == StockForm::Roll)
    line += fmt::format("{} of {}, {}:", cutLengthWords(lengthUsed(stock, sheet), notation), id,
                        rollSizeWords(stock.across, stock.along, notation));
  else
    line += fmt::format("{} x {}, {}:", sheet.repeat, id,
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

/// "    kept of sheet 2: 640 × 690 mm, 65 × 210 mm", of several alike "of each"; nothing where
/// nothing is.
std::string keptLine(const CutProblem& problem, const CutSheet& sheet, std::size_t number,
                     const Notation& notation) {
  std::string sizes;
  for (const CutPlacement& left : usableLeft(problem.stocks[sheet.stock], sheet, {}))
    sizes += (sizes.empty() ? "" : ", ") + cutSizeWords(left.across, left.along, notation);
  if (sizes.empty()) return sizes;
  return sheet.repeat > 1 ? fmt::format("    kept of each: {}\n", sizes)
                          : fmt::format("    kept of sheet {}: {}\n", number, sizes);
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
        text += sheetLine(problem, layout.sheets[i], i + 1, notation) + "\n" +
                keptLine(problem, layout.sheets[i], i + 1, notation);
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
