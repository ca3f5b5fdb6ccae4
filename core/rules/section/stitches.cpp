#include "core/rules/section/stitches.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/rules/entry_reader.h"
#include "core/rules/linker.h"

namespace drapery {

namespace {

const Choices<Round> kRounds{{"spine", Round::Spine}, {"head", Round::Head}, {"tail", Round::Tail}};

/// Names nothing but the number that the entry runs over.
const SeriesRule& runningNumber() {
  static const SeriesRule kRun = [] {
    SeriesRule run;
    run.index = "k";
    return run;
  }();
  return kRun;
}

StitchRun readRun(EntryReader& in) {
  StitchRun run;
  if (const Node* node = in.find("for"); node != nullptr) {
    if (node->kind == Node::Kind::List && node->items.size() == 2) {
      auto pair = in.tuple(*node, "for", 2, "pair of formulas, the first k and the last");
      if (pair.size() == 2) {
        run.first = std::move(pair[0]);
        run.last = std::move(pair[1]);
      }
    } else {
      in.complainType(*node, "for", "pair of formulas, the first k and the last");
    }
  }
  run.when = in.formula("when", Needed::No);
  return run;
}

/// Where one alone is meant its id, else the id with a formula in [ ].
StitchEnd readEnd(EntryReader& in, const char* key) {
  const Sourced said = in.sourced(key, Needed::Yes);
  StitchEnd end;
  const Node* node = in.find(key);
  if (node == nullptr || node->kind != Node::Kind::Text || said.text.empty()) return end;
  end.at = in.inside(*node);
  const std::string& text = said.text;
  const std::size_t open = text.find('[');
  end.hole = text.substr(0, open);
  while (!end.hole.empty() && end.hole.back() == ' ') end.hole.pop_back();
  const bool isClosed = open != std::string::npos && text.back() == ']';
  if (!isId(end.hole) || (open != std::string::npos && !isClosed)) {
    in.complain(*node, "stitch-end-not-one", {{"value", shortened(text)}});
    end.hole.clear();
    return end;
  }
  if (open == std::string::npos) return end;
  auto parsed = Formula::parse(std::string_view(text).substr(open + 1, text.size() - open - 2));
  if (const auto* fault = std::get_if<FormulaFault>(&parsed)) {
    in.complainInText(end.at, open + 1 + fault->offset, fault->id, fault->arguments);
    end.hole.clear();
    return end;
  }
  end.index.formula = std::get<Formula>(std::move(parsed));
  end.index.at = end.at;
  end.index.begin = open + 1;
  return end;
}

void linkRun(StitchRun& run, Linker& linker) {
  linker.link(run.first, Dimension::number());
  linker.link(run.last, Dimension::number());
  linker.link(run.when, Dimension::number());
}

const SeriesRule* kOf(const StitchRun& run) { return run.isRow() ? &runningNumber() : nullptr; }

/// That there is such a hole, and that it is named as what it is: one of a row, or one alone.
void linkEnd(StitchEnd& end, const StitchRun& run, const RuleSet& rules, Linker& linker) {
  if (end.hole.empty()) return;
  linker.linkIn(kOf(run), end.index, Dimension::number());
  const auto hole = std::find_if(rules.holes.begin(), rules.holes.end(),
                                 [&](const HoleRule& each) { return each.id == end.hole; });
  if (hole == rules.holes.end()) {
    std::vector<std::string> known;
    for (const HoleRule& each : rules.holes) known.push_back(each.id);
    linker.placer().add("stitch-hole-unknown",
                        {{"name", shortened(end.hole)}, {"nearest", nearestName(end.hole, known)}},
                        end.at);
  } else if (hole->run.isRow() == end.index.empty()) {
    linker.placer().add(
        "stitch-row-or-one",
        {{"name", end.hole}, {"value", hole->run.isRow() ? end.hole + "[k]" : end.hole}}, end.at);
  }
}

}  // namespace

void HoleSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "hole", placer);
  HoleRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.row = in.text("row", Needed::No);
  if (rule.row.empty()) rule.row = rule.id;
  rule.run = readRun(in);
  rule.along = in.formula("along", Needed::Yes);
  rule.across = in.formula("across", Needed::Yes);
  rule.isSpine = in.find("spine") == nullptr || in.flag("spine");
  in.finish();
  rules.holes.push_back(std::move(rule));
}

void HoleSection::link(RuleSet& rules, Linker& linker) const {
  for (HoleRule& rule : rules.holes) {
    linkRun(rule.run, linker);
    linker.linkIn(kOf(rule.run), rule.along, Dimension::length());
    linker.linkIn(kOf(rule.run), rule.across, Dimension::length());
  }
}

void StretchSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "stretch", placer);
  StretchRule rule;
  rule.at = in.at(entry);
  if (in.find("id") != nullptr) in.id();  // by which a pattern on this one names it
  rule.run = readRun(in);
  rule.from = readEnd(in, "from");
  rule.to = readEnd(in, "to");
  in.finish();
  rules.stretches.push_back(std::move(rule));
}

void StretchSection::link(RuleSet& rules, Linker& linker) const {
  for (StretchRule& rule : rules.stretches) {
    linkRun(rule.run, linker);
    linkEnd(rule.from, rule.run, rules, linker);
    linkEnd(rule.to, rule.run, rules, linker);
  }
}

void WrapSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "wrap", placer);
  WrapRule rule;
  rule.at = in.at(entry);
  if (in.find("id") != nullptr) in.id();
  rule.run = readRun(in);
  rule.hole = readEnd(in, "hole");
  in.text("round", Needed::Yes);
  rule.round = in.choice("round", kRounds, Round::Spine);
  in.finish();
  rules.wraps.push_back(std::move(rule));
}

void WrapSection::link(RuleSet& rules, Linker& linker) const {
  for (WrapRule& rule : rules.wraps) {
    linkRun(rule.run, linker);
    linkEnd(rule.hole, rule.run, rules, linker);
  }
}

}  // namespace drapery
