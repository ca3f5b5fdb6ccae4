#include "core/rules/section/part_findings.h"

#include <algorithm>
#include <cassert>
#include <string_view>

#include "core/rules/section/part.h"

namespace drapery {

namespace {

// Figures of the words, in this order.
constexpr const char* kFigures[]{"{width}",      "{height}", "{cut_width}",
                                 "{cut_height}", "{rule}",   "{least}"};

/// What comes first as it is, then the text with a place for each figure that is named in it.
RuleWords wordsOf(const std::string& first, std::string_view text) {
  RuleWords words;
  words.expressions.resize(std::size(kFigures));  // lengths, told by the plan itself
  if (!first.empty()) words.first.push_back({first, std::nullopt});
  while (!text.empty()) {
    const std::size_t open = std::min(text.find('{'), text.size());
    if (open > 0) words.first.push_back({std::string(text.substr(0, open)), std::nullopt});
    text.remove_prefix(open);
    if (text.empty()) break;
    const std::string_view name = text.substr(0, text.find('}') + 1);
    const auto* const figure = std::find(std::begin(kFigures), std::end(kFigures), name);
    assert(figure != std::end(kFigures));
    words.first.push_back({{}, static_cast<std::size_t>(figure - std::begin(kFigures))});
    text.remove_prefix(name.size());
  }
  return words;
}

FindingRule ruleOf(const PartRule& part, const char* id, Severity severity, const char* says,
                   const char* remedy) {
  FindingRule rule;
  rule.id = id;
  rule.severity = severity;
  rule.says = wordsOf(part.title.text + ": ", says);
  rule.remedy = wordsOf({}, remedy);
  rule.touches = {part.id + ".cut_width", part.id + ".cut_height", "round"};  // the job's
  rule.at = part.at;
  return rule;
}

}  // namespace

PartFindings partFindings(const PartRule& part) {
  return {ruleOf(part, "piece-lost", Severity::Stop,
                 "{width} × {height} would be cut {cut_width} × {cut_height}, for the rule "
                 "in hand goes by {rule}. Nothing is left of it.",
                 "Take a rule whose marks are {least} apart or less."),
          ruleOf(part, "piece-coarse", Severity::Mind,
                 "{width} × {height} is cut {cut_width} × {cut_height}, for the rule in "
                 "hand goes by {rule}, more than the piece measures one way.",
                 "Take a rule whose marks are {least} apart or less, or cut this piece to the book "
                 "itself."),
          ruleOf(part, "piece-crossed", Severity::Stop,
                 "the cuts in its {width} × {height} would cross one another or leave it. It is "
                 "given uncut, as its rectangle.",
                 "Look at the sizes that its cuts are made to, and cut them on the book itself.")};
}

std::vector<PlannedFinding> findingsOf(const PlannedPart& part, Length resolution) {
  const Length least = std::min(part.width, part.height);
  const bool isLost = std::min(part.cutWidth, part.cutHeight) <= Length();
  const bool isCoarse = !isLost && least < resolution;
  std::vector<PlannedFinding> found;
  if (!isLost && !isCoarse && !part.isUncut) return found;
  std::vector<Amount> figures;
  for (const Length length :
       {part.width, part.height, part.cutWidth, part.cutHeight, resolution, least})
    figures.push_back({length.mm(), Unit::Millimetre});
  const PartFindings& all = part.rule->findings;
  if (isLost) found.push_back({&all.lost, figures, figures});
  if (isCoarse) found.push_back({&all.coarse, figures, figures});
  if (part.isUncut && !isLost) found.push_back({&all.crossed, figures, figures});
  return found;
}

}  // namespace drapery
