#include "core/rules/section/series.h"

#include "core/rules/entry_reader.h"
#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {
const Choices<std::string> kKinds{{"mark", "mark"},
                                  {"hole", "hole"},
                                  {"fold", "fold"},
                                  {"station", "station"},
                                  {"panel", "panel"}};
constexpr std::size_t kMostColumns = 16;
}  // namespace

std::vector<double> SeriesRule::row(const double* numbers, int i) const {
  std::vector<double> row{static_cast<double>(i)};
  row.reserve(columns.size() + 1);
  for (const SeriesColumn& column : columns)
    row.push_back(column.formula.formula.evaluate({numbers, row.data()}));
  return row;
}

void SeriesSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "series", placer);
  SeriesRule rule;
  rule.at = in.at(entry);
  rule.id = in.name();
  rule.title = in.words("title", Needed::Yes);
  rule.count = in.countOrFormula("count", Needed::Yes);
  rule.when = in.formula("when", Needed::No);
  rule.part = in.text("part", Needed::No);
  rule.kind = in.choice("kind", kKinds, std::string("mark"));
  for (const char* axis : {"x", "y"})
    if (in.find(axis) != nullptr) rule.columns.push_back({axis, in.formula(axis, Needed::Yes), {}});
  if (const Node* also = in.find("also"); also != nullptr && also->kind == Node::Kind::Table) {
    for (const Node::Member& column : also->members) {
      in.checkName(column.value, column.key);
      rule.columns.push_back({column.key, in.formulaIn(column.value, column.key.c_str()), {}});
    }
  } else if (also != nullptr) {
    in.complainType(*also, "also", "table of formulas");
  }
  if (rule.columns.empty() || rule.columns.size() > kMostColumns)
    in.complain(entry, "series-columns", {{"id", rule.id}});
  in.finish();
  rules.series.push_back(std::move(rule));
}

void SeriesSection::declare(RuleSet& rules, Linker& linker) const {
  for (std::size_t i = 0; i < rules.series.size(); ++i) {
    SeriesRule& rule = rules.series[i];
    ValueNode node =
        Linker::nodeOf(rule.id + ".count", ValueNode::Source::SeriesCount, i, Dimension::number());
    node.formula = formulaOf(rule.count);
    node.when = formulaOf(rule.when);
    rule.node = rules.nodes.size();
    linker.declare(std::move(node), rule.at);
  }
}

void SeriesSection::link(RuleSet& rules, Linker& linker) const {
  for (std::size_t i = 0; i < rules.series.size(); ++i) {
    SeriesRule& rule = rules.series[i];
    linker.linkNode(rule.id + ".count",
                    {{&rule.count, Dimension::number()}, {&rule.when, Dimension::number()}});
    linker.linkSeries(i);
  }
}

void SeriesSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                         PlannedEntries& planned) const {
  for (const SeriesRule& rule : rules.series) {
    PlannedSeries series{&rule, evaluation.rows(rule)};
    if (!series.rows.empty()) planned.series.push_back(std::move(series));
  }
}

namespace {

std::string told(const SeriesRule& rule) {
  std::string out = "- **" + rule.title.text + "** " + asCode(rule.id) + ", " + rule.kind +
                    "s: " + asCode(rule.count) + " of them.";
  for (const SeriesColumn& column : rule.columns)
    out += " " + asCode(column.id) + " " + asCode(column.formula) + ".";
  return out + onlyWhere(rule.when) + "\n";
}

}  // namespace

std::vector<Described> SeriesSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.series) all.push_back({"Rows", told(rule)});
  return all;
}

}  // namespace drapery
