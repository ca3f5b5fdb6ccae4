#include "words/summary_words.h"

#include "words/finding_words.h"

namespace drapery {

std::vector<std::string> summaryLines(const Plan& plan, std::string_view place,
                                      const Notation& notation, std::string_view stage) {
  std::vector<std::string> lines;
  for (const SummaryRule& summary : plan.rules->summaries) {
    const bool isHere = summary.place == place && summary.stage == stage;
    if (!isHere || !summary.when.formula.holds(plan.table())) continue;
    std::vector<Amount> figures;
    for (const RuleWords::Expression& expression : summary.says.expressions)
      figures.push_back({expression.formula.formula.evaluate(plan.table()), expression.unit});
    lines.push_back(filledWords(summary.says, figures, notation));
  }
  return lines;
}

std::vector<std::string> triedLines(const Plan& plan, const Notation& notation) {
  std::vector<std::string> lines = summaryLines(plan, "slip-trial", notation);
  if (plan.verdict) lines.insert(lines.begin(), verdictSays(*plan.verdict, notation));
  return lines;
}

}  // namespace drapery
