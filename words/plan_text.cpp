#include "words/plan_text.h"

#include <fmt/format.h>

#include <cmath>
#include <iterator>

#include "words/amount_words.h"
#include "words/cut_moments.h"
#include "words/finding_words.h"
#include "words/sewing_text.h"
#include "words/shopping_words.h"
#include "words/shown_text.h"
#include "words/summary_words.h"

namespace drapery {

namespace {

constexpr std::size_t kSizeColumn = 26;
constexpr double kLeastTold = 0.005;  // of a tolerance, mm or degrees

std::string pieceLine(const Plan& plan, const PlannedPart& part, const Plan* before,
                      const Notation& notation) {
  const std::string cut = sizeWords(part.cutWidth, part.cutHeight, notation);
  const char* grain = part.rule->grain == Grain::Height  ? "grain head to tail"
                      : part.rule->grain == Grain::Width ? "grain across"
                                                         : "any grain";
  std::string out = fmt::format("  {} {:<16} {:<{}} {}, {}", part.count * plan.copies,
                                shownText(part.rule->title.text), cut, kSizeColumn,
                                shownText(part.named.empty() ? part.material : part.named), grain);
  if (part.rule->grammage) out += ", " + bandWords(*part.rule->grammage, notation);
  if (plan.isThere(part)) out += ", already cut";
  if (part.hasTop) out += ", mark its top";
  const PlannedPart* old = before != nullptr ? before->part(part.rule->id) : nullptr;
  if (old != nullptr && (old->cutWidth != part.cutWidth || old->cutHeight != part.cutHeight))
    out += "; untrimmed " + sizeWords(old->cutWidth, old->cutHeight, notation);
  return out + '\n';
}

std::string pieceLines(const Plan& plan, const Plan* before, const Notation& notation) {
  std::string out;
  for (const CutGroup& group : cutGroups(plan, notation)) {
    out += "\n" + group.title + ":\n";
    for (const std::string& line : group.first) out += "  (" + shownText(line) + ")\n";
    for (const PlannedPart* part : group.pieces) out += pieceLine(plan, *part, before, notation);
  }
  return out;
}

std::string section(const char* title, const std::vector<std::string>& lines) {
  std::string out;
  for (const std::string& line : lines)
    out += (out.empty() ? std::string("\n") + title + ":\n  " : "  ") + shownText(line) + "\n";
  return out;
}

/// A step on the way is not, nor what has nothing to do with this book.
bool isListed(const Plan& plan, const DerivedRule& rule) {
  return !rule.isQuiet && (rule.quiet.empty() || !rule.quiet.formula.holds(plan.table()));
}

std::string valueLines(const Plan& plan, const Notation& notation) {
  std::string out;
  for (std::size_t i = 0; i < plan.values.size(); ++i) {
    const ValueNode& node = plan.rules->nodes[i];
    const bool isTold = node.source == ValueNode::Source::Derived &&
                        isListed(plan, plan.rules->derived[node.rule]) &&
                        !std::isnan(plan.values[i]);
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

std::string planText(const Job& job, const Plan& plan, const Plan* before, const SewnBook& sewn) {
  const Notation notation{plan.units, plan.resolution, '.', {}};
  std::string out = job.title.empty() ? std::string("(no title)") : shownText(job.title);
  out += " - " + shownText(plan.rules->title.text) + "\n";
  for (const std::string& line : summaryLines(plan, "slip", notation))
    out += shownText(line) + "\n";
  for (const PlannedFinding& finding : plan.findings)
    out += fmt::format("\n{}: {}\n  {}\n", severityName(finding.rule->severity),
                       shownText(findingSays(finding, notation)),
                       shownText(findingRemedy(finding, notation)));
  out += section("First, at the bench", summaryLines(plan, "slip-card", notation));
  out += "\nCut, width before height, to " + formatLength(plan.resolution, notation);
  if (plan.copies > 1) out += ", for " + std::to_string(plan.copies) + " books";
  out += ":\n" + pieceLines(plan, before, notation);
  std::vector<std::string> marks, asides, steps;
  for (const PlannedMark& mark : plan.marks)
    (mark.rule->isAside ? asides : marks).push_back(markSays(mark, notation));
  for (const PlannedStep& step : plan.steps) steps.push_back(stepLine(step, notation));
  out += section("Mark out", marks);
  out += section("Tried on the book, as cut", triedLines(plan, notation));
  out += section("Sew", sewingLines(sewn, notation));
  out += section("And", asides);
  out += section("Steps", steps);
  out += "\nValues, not rounded to the rule:\n" + valueLines(plan, notation);
  return out;
}

}  // namespace drapery
