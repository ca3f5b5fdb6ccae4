#include "core/rules/section/derive.h"

#include "core/rules/entry_reader.h"
#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {

const Choices<Dimension> kUnits{{"mm", Dimension::length()},  {"deg", Dimension::angle()},
                                {"1", Dimension::number()},   {"g/m2", Dimension::grammage()},
                                {"cm3/g", Dimension::bulk()}, {"min", Dimension::time()},
                                {"money", Dimension::money()}};

}  // namespace

void DeriveSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "derive", placer);
  DerivedRule rule;
  rule.at = in.at(entry);
  rule.id = in.name();
  rule.was = readWas(in);
  rule.dimension = in.choice("unit", kUnits, Dimension::length());
  rule.title = in.words("title", rules.isPattern ? Needed::No : Needed::Yes);
  if (rule.title.text.empty() && rules.isPattern) rule.title.text = rule.id;
  rule.when = in.formula("when", Needed::No);
  rule.formula = in.formula("formula", Needed::Yes);
  rule.because = in.words("because", Needed::Yes);
  rule.practice = in.text("practice", Needed::No);
  rule.settles = readSettles(in, "held", Moment::Cut);
  const Node* quiet = in.find("quiet");
  if (quiet != nullptr && quiet->kind == Node::Kind::Text)
    rule.quiet = in.formulaIn(*quiet, "quiet", "true, false or formula");
  else
    rule.isQuiet = in.flag("quiet");
  rule.isCompared = in.flag("beside");
  if (in.find("round") != nullptr) rule.marked = readRounding(in);
  rule.range = readRange(in, Needed::No, rule.dimension == Dimension::length());
  in.finish();
  rules.derived.push_back(std::move(rule));
}

void DeriveSection::declare(RuleSet& rules, Linker& linker) const {
  for (std::size_t i = 0; i < rules.derived.size(); ++i) {
    const DerivedRule& rule = rules.derived[i];
    ValueNode node = Linker::nodeOf(rule.id, ValueNode::Source::Derived, i, rule.dimension);
    node.formula = formulaOf(rule.formula);
    node.when = formulaOf(rule.when);
    node.settles = rule.settles;
    node.isMarked = rule.marked.has_value();
    node.rounding = rule.marked.value_or(Rounding::Nearest);
    linker.declare(std::move(node), rule.at, rule.was);
  }
}

void DeriveSection::link(RuleSet& rules, Linker& linker) const {
  for (DerivedRule& rule : rules.derived)
    linker.linkNode(rule.id, {{&rule.formula, rule.dimension}, {&rule.when, Dimension::number()}});
  for (DerivedRule& rule : rules.derived) linker.link(rule.quiet, Dimension::number());
}

namespace {

std::string told(const DerivedRule& rule) {
  return "- **" + rule.title.text + "** " + asCode(rule.id) + ", " + rule.dimension.name() + ": " +
         asCode(rule.formula) +
         (rule.marked ? std::string(", ") + roundingWords(*rule.marked) : "") + "." +
         onlyWhere(rule.when) + andSays(rule.because.text) + fromPractice(rule.practice) + "\n";
}

}  // namespace

std::vector<Described> DeriveSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.derived) all.push_back({"Values", told(rule)});
  return all;
}

}  // namespace drapery
