#include "words/plan_text.h"

#include <fmt/format.h>

#include <cmath>
#include <iterator>

#include "words/amount_words.h"
#include "words/finding_words.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

constexpr std::size_t kSizeColumn = 26;
constexpr double kLeastTold = 0.005;  // of a tolerance, mm or degrees

std::string partLines(const Plan& plan, const Plan* before, const Notation& notation) {
  std::string out;
  for (const PlannedPart& part : plan.parts) {
    const std::string cut = sizeWords(part.cutWidth, part.cutHeight, notation);
    const char* grain = part.rule->grain == Grain::Height  ? "grain head to tail"
                        : part.rule->grain == Grain::Width ? "grain across"
                                                           : "any grain";
    out += fmt::format("  {} {:<16} {:<{}} {}, {}", part.count, shownText(part.rule->title.text),
                       cut, kSizeColumn, shownText(part.material), grain);
    const PlannedPart* old = before != nullptr ? before->part(part.rule->id) : nullptr;
    if (old != nullptr && (old->cutWidth != part.cutWidth || old->cutHeight != part.cutHeight))
      out += "; untrimmed " + sizeWords(old->cutWidth, old->cutHeight, notation);
    out += '\n';
  }
  return out;
}

std::string valueLines(const Plan& plan, const Notation& notation) {
  std::string out;
  for (std::size_t i = 0; i < plan.values.size(); ++i) {
    const ValueNode& node = plan.rules->nodes[i];
    const bool isTold = node.source == ValueNode::Source::Derived &&
                        !plan.rules->derived[node.rule].isQuiet && !std::isnan(plan.values[i]);
    if (!isTold) continue;
    out += fmt::format("  {:<44} {}", shownText(plan.rules->titleOf(i).text),
                       amountWords({plan.values[i], node.unit}, notation));
    if (plan.tolerances[i] > kLeastTold)
      out += " ± " + amountWords({plan.tolerances[i], node.unit}, notation);
    out += '\n';
  }
  return out;
}

}  // namespace

std::string sizeWords(Length width, Length height, const Notation& notation) {
  return formatBare(width, notation) + " × " + formatLength(height, notation);
}

std::string planText(const Job& job, const Plan& plan, const Plan* before) {
  const Notation notation{plan.units, plan.resolution, '.', {}};
  std::string out = job.title.empty() ? std::string("(no title)") : shownText(job.title);
  out += " - " + shownText(plan.rules->title.text) + "\n";
  for (const PlannedFinding& finding : plan.findings)
    out += fmt::format("\n{}: {}\n  {}\n", severityName(finding.rule->severity),
                       shownText(findingSays(finding, notation)),
                       shownText(findingRemedy(finding, notation)));
  out += "\nCut, width before height, to " + formatLength(plan.resolution, notation) + ":\n";
  out += partLines(plan, before, notation);
  if (!plan.marks.empty()) out += "\nMark out:\n";
  for (const PlannedMark& mark : plan.marks)
    out += "  " + shownText(markSays(mark, notation)) + "\n";
  if (!plan.steps.empty()) out += "\nSteps:\n";
  for (const PlannedStep& step : plan.steps)
    out += "  " + shownText(stepLine(step, notation)) + "\n";
  out += "\nValues, not rounded to the rule:\n" + valueLines(plan, notation);
  return out;
}

}  // namespace drapery
