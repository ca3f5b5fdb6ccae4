#include "core/rules/section/drawn_line.h"

#include <algorithm>

#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/common.h"

namespace drapery {

namespace {

/// Those that a rule file can draw; the others are the figures' own.
const Choices<LineKind> kLines{
    {"cut", LineKind::Cut},       {"fold", LineKind::Fold}, {"crease", LineKind::Crease},
    {"hidden", LineKind::Hidden}, {"hole", LineKind::Hole}, {"dimension", LineKind::Dimension},
    {"thread", LineKind::Thread}, {"mark", LineKind::Mark}, {"hatch", LineKind::Hatch}};
const Choices<Turns> kTurns{
    {"unsaid", Turns::Unsaid}, {"toward", Turns::Toward}, {"away", Turns::Away}};

DrawnLine readLine(const Node& item, IssuePlacer& placer) {
  EntryReader in(item, "lines", placer);
  DrawnLine line;
  readEach(in, line);
  line.kind = in.choice("kind", kLines, LineKind::Hidden);
  line.subject.id = in.text("subject", Needed::No);
  line.when = in.formula("when", Needed::No);
  line.size = in.formula("size", Needed::No);
  line.turns = in.choice("turns", kTurns, Turns::Unsaid);
  const Node* path = in.list("path", Needed::Yes);
  if (path != nullptr)
    for (const Node& point : path->items)
      if (auto at = in.point(point, "path")) line.path.push_back(std::move(*at));
  in.finish();
  return line;
}

}  // namespace

std::vector<DrawnLine> readLines(EntryReader& in, IssuePlacer& placer) {
  std::vector<DrawnLine> lines;
  in.eachItem("lines", [&](const Node& item) { lines.push_back(readLine(item, placer)); });
  return lines;
}

void linkLines(std::vector<DrawnLine>& lines, const NamedEntry& entry, const RuleSet& rules,
               Linker& linker) {
  for (DrawnLine& line : lines) {
    findSubject(line.subject, entry, rules, linker);
    const SeriesRule* series = linker.seriesOf(line);
    linker.linkIn(series, line.when, Dimension::number());
    linker.linkIn(series, line.size, Dimension::length());
    for (RulePoint& point : line.path) linker.linkPoint(series, point);
  }
}

void findSubject(Subject& subject, const NamedEntry& entry, const RuleSet& rules, Linker& linker) {
  if (subject.id.empty()) return;
  const bool isPart = std::any_of(rules.parts.begin(), rules.parts.end(),
                                  [&](const PartRule& part) { return part.id == subject.id; });
  if (subject.id == Subject::kBook)
    subject.kind = Subject::Kind::Book;
  else if (isPart)
    subject.kind = Subject::Kind::Part;
  else if (rules.find(subject.id))
    subject.kind = Subject::Kind::Value;
  else if (!rules.isBase)
    linker.placer().add("touches-unknown", {{"name", shortened(subject.id)}, {"id", entry.id}},
                        entry.at);
}

}  // namespace drapery
