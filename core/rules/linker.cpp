#include "core/rules/linker.h"

#include <algorithm>
#include <array>

#include "core/diag/nearest_name.h"
#include "core/rules/dependency_order.h"
#include "core/toml/table_reader.h"

namespace drapery {

namespace {

using Source = ValueNode::Source;

void addOnce(Linker::Uses* uses, std::size_t node) {
  if (uses != nullptr && std::find(uses->begin(), uses->end(), node) == uses->end())
    uses->push_back(node);
}

Unit unitOf(const Dimension& dimension) {
  if (dimension == Dimension::length()) return Unit::Millimetre;
  return dimension == Dimension::angle() ? Unit::Degree : Unit::One;
}

Dimension dimensionOf(Unit unit) {
  if (unit == Unit::Millimetre) return Dimension::length();
  return unit == Unit::Degree ? Dimension::angle() : Dimension::number();
}

}  // namespace

void Linker::run() {
  for (const InputRule& rule : rules_.inputs) declareOptions(rule);
  for (const Section* section : ruleSections()) section->declare(rules_, *this);
  for (const Section* section : ruleSections()) section->link(rules_, *this);
  linkSewing(rules_, *this);
  linkChoosing(rules_, *this);
  checkWants();
  order();
  findCode();
  findTried();
}

void Linker::declareOptions(const InputRule& rule) {
  for (const std::string& option : rule.options)
    rules_.options.emplace(option, static_cast<double>(rules_.options.size() + 1));
}

ValueNode Linker::nodeOf(std::string name, Source source, std::size_t rule,
                         const Dimension& dimension) {
  ValueNode node;
  node.name = std::move(name);
  node.source = source;
  node.rule = rule;
  node.unit = unitOf(dimension);
  node.quantity = Quantity::of(dimension);
  return node;
}

void Linker::declare(ValueNode node, const SourcePosition& at,
                     const std::vector<std::string>& was) {
  if (rules_.options.contains(node.name) || rules_.index.contains(node.name)) {
    placer_.add("id-duplicate", {{"id", node.name}, {"line", std::string()}}, at);
    node.name += " again " + std::to_string(rules_.nodes.size());  // so that the rest can be read
  }
  rules_.index.emplace(node.name, rules_.nodes.size());
  for (const std::string& former : was)
    if (rules_.options.contains(former) ||
        !rules_.index.emplace(former, rules_.nodes.size()).second)
      placer_.add("id-duplicate", {{"id", former}, {"line", std::string()}}, at);
  rules_.nodes.push_back(std::move(node));
}

/// "text_height.spread", "hole.x.last": what else is known of a value. Made when a formula first
/// asks for it.
std::optional<std::size_t> Linker::aspect(std::string_view name) {
  const std::size_t dot = name.rfind('.');
  if (dot == std::string_view::npos) return std::nullopt;
  const std::string_view of = name.substr(0, dot), asked = name.substr(dot + 1);
  if (const auto node = rules_.find(of)) return inputAspect(std::string(name), *node, asked);
  return seriesAspect(std::string(name), of, asked);
}

std::optional<std::size_t> Linker::inputAspect(const std::string& name, std::size_t of,
                                               std::string_view asked) {
  const ValueNode& value = rules_.nodes[of];
  const bool isMeasured = value.source == Source::Input && value.unit == Unit::Millimetre;
  std::optional<Source> source;
  const bool canBeSaid = value.source == Source::Input || value.source == Source::Derived ||
                         value.source == Source::CutSize;
  if (asked == "said" && canBeSaid) source = Source::Said;
  if (asked == "largest" && isMeasured) source = Source::Largest;
  if (asked == "spread" && isMeasured) source = Source::Spread;
  if (asked == "tolerance" && areNumbersLinked_) source = Source::Tolerance;
  constexpr std::string_view kIs = "is_";
  std::size_t kind = 0;
  if (value.source == Source::Input && asked.starts_with(kIs)) {
    const auto& kinds = rules_.inputs[value.rule].materials;
    const auto found = std::find(kinds.begin(), kinds.end(), asked.substr(kIs.size()));
    if (found != kinds.end()) source = Source::IsKind;
    kind = static_cast<std::size_t>(found - kinds.begin());
  }
  if (!source) return std::nullopt;
  ValueNode node = nodeOf(name, *source, value.rule, Dimension::number());
  node.column = kind;
  if (*source != Source::Said && *source != Source::IsKind) {
    node.quantity = value.quantity;
    node.unit = value.unit;
  }
  node.uses = {of};
  declare(std::move(node), {});
  return rules_.nodes.size() - 1;
}

std::optional<std::size_t> Linker::seriesAspect(const std::string& name, std::string_view of,
                                                std::string_view asked) {
  static constexpr std::array<std::pair<std::string_view, Source>, 5> kAsked{
      {{"first", Source::SeriesFirst},
       {"last", Source::SeriesLast},
       {"sum", Source::SeriesSum},
       {"least", Source::SeriesLeast},
       {"most", Source::SeriesMost}}};
  const std::size_t dot = of.rfind('.');
  const auto is = std::find_if(kAsked.begin(), kAsked.end(),
                               [&](const auto& each) { return each.first == asked; });
  if (dot == std::string_view::npos || is == kAsked.end()) return std::nullopt;
  for (std::size_t i = 0; i < rules_.series.size(); ++i) {
    if (rules_.series[i].id != of.substr(0, dot)) continue;
    linkSeries(i);
    const SeriesRule& series = rules_.series[i];
    if (series.state != SeriesRule::State::Linked) return std::nullopt;
    for (std::size_t k = 0; k < series.columns.size(); ++k) {
      if (series.columns[k].id != of.substr(dot + 1)) continue;
      ValueNode node = nodeOf(name, is->second, i, series.columns[k].dimension);
      node.column = k;
      node.uses = series.uses;
      addOnce(&node.uses, series.node);
      declare(std::move(node), {});
      return rules_.nodes.size() - 1;
    }
  }
  return std::nullopt;
}

std::optional<std::size_t> Linker::nodeNamed(std::string_view name) {
  if (const auto node = rules_.find(name)) return node;
  if (name == "resolution") {
    declare(nodeOf("resolution", Source::Resolution, 0, Dimension::length()), {});
    return rules_.nodes.size() - 1;
  }
  return aspect(name);
}

NameMeaning Linker::meaningOf(std::string_view name, const SeriesRule* series) {
  using Kind = NameMeaning::Kind;
  if (series != nullptr) {
    if (name == series->index) return {Kind::Local, 0, 0.0};
    const std::string& id = series->id;
    const bool isOwn = !id.empty() && name.size() > id.size() + 1 && name.starts_with(id) &&
                       name[id.size()] == '.';
    for (std::size_t k = 0; isOwn && k < series->readable; ++k)
      if (series->columns[k].id == name.substr(id.size() + 1)) return {Kind::Local, k + 1, 0.0};
  }
  if (const auto node = nodeNamed(name)) return {Kind::Slot, *node, 0.0};
  const auto option = rules_.options.find(name);
  if (option != rules_.options.end()) return {Kind::Constant, 0, option->second};
  return {};
}

void Linker::tie(const SeriesRule* series, RuleFormula& formula, Uses* uses) {
  formula.formula.link(
      [&](std::string_view name) {
        const NameMeaning meaning = meaningOf(name, series);
        if (meaning.kind == NameMeaning::Kind::Slot) addOnce(uses, meaning.slot);
        return meaning;
      },
      [&](std::size_t offset, std::string_view name) {
        if (!rules_.isBase) complainName(formula, offset, name);
      });
}

void Linker::link(RuleFormula& formula, const Dimension& wanted, Uses* uses) {
  linkIn(nullptr, formula, wanted, uses);
}

void Linker::linkIn(const SeriesRule* series, RuleFormula& formula, const Dimension& wanted,
                    Uses* uses) {
  if (formula.empty()) return;
  tie(series, formula, uses);
  if (check_ == FormulaCheck::NamesOnly) return;
  std::vector<FormulaFault> faults;
  checkDimensions(formula.formula, knownNames(series), wanted, faults);
  complain(faults, formula);
}

void Linker::linkPoint(const SeriesRule* series, RulePoint& point) {
  linkIn(series, point.first, Dimension::length());
  linkIn(series, point.second, Dimension::length());
}

Quantity Linker::linkAny(const SeriesRule* series, RuleFormula& formula, Uses* uses) {
  if (formula.empty()) return {};
  tie(series, formula, uses);
  if (formula.formula.isName()) return knownNames(series).quantity(formula.text());
  std::vector<FormulaFault> faults;
  const Quantity is = checkDimensions(formula.formula, knownNames(series), faults);
  if (check_ == FormulaCheck::Full) complain(faults, formula);
  return is;
}

void Linker::linkWords(RuleWords& words, const SeriesRule* series) {
  for (RuleWords::Expression& expression : words.expressions) {
    if (expression.named) {
      // What the words name is what they show, also of a paper's weight or a day's minutes.
      expression.unit = *expression.named;
      if (expression.unit == Unit::One) {
        linkAny(series, expression.formula);
      } else {
        linkIn(series, expression.formula, dimensionOf(expression.unit));
      }
      continue;
    }
    const Quantity is = linkAny(series, expression.formula);
    expression.unit = is.kind == Quantity::Kind::Known ? unitOf(is.dimension) : Unit::Millimetre;
  }
}

void Linker::linkNode(const std::string& name,
                      const std::vector<std::pair<RuleFormula*, std::optional<Dimension>>>& all) {
  const auto node = rules_.find(name);
  Uses uses;
  if (node) uses = rules_.nodes[*node].uses;
  for (const auto& [formula, wanted] : all)
    if (wanted)
      link(*formula, *wanted, &uses);
    else
      linkAny(nullptr, *formula, &uses);
  if (node) rules_.nodes[*node].uses = std::move(uses);
}

const SeriesRule* Linker::seriesOf(Repeated& repeated) {
  if (repeated.each.empty()) return nullptr;
  std::vector<std::string> known;
  for (std::size_t i = 0; i < rules_.series.size(); ++i) {
    known.push_back(rules_.series[i].id);
    if (known.back() != repeated.each) continue;
    repeated.series = i;
    linkSeries(i);
    return &rules_.series[i];
  }
  if (!rules_.isBase)
    placer_.add(
        "series-unknown",
        {{"name", shortened(repeated.each)}, {"nearest", nearestName(repeated.each, known)}},
        repeated.eachAt);
  return nullptr;
}

void Linker::linkSeries(std::size_t index) {
  SeriesRule& series = rules_.series[index];
  if (series.state != SeriesRule::State::Unlinked) return;
  series.state = SeriesRule::State::Open;
  for (SeriesColumn& column : series.columns) {
    const Quantity is = linkAny(&series, column.formula, &series.uses);
    column.dimension = is.kind == Quantity::Kind::Known ? is.dimension : Dimension::length();
    ++series.readable;
  }
  series.state = SeriesRule::State::Linked;
}

KnownNames Linker::knownNames(const SeriesRule* series) {
  KnownNames names;
  names.quantity = [this, series](std::string_view name) -> Quantity {
    const NameMeaning meaning = meaningOf(name, series);
    switch (meaning.kind) {
      case NameMeaning::Kind::Slot:
        return rules_.nodes[meaning.slot].quantity;
      case NameMeaning::Kind::Local:
        return Quantity::of(meaning.slot == 0 ? Dimension::number()
                                              : series->columns[meaning.slot - 1].dimension);
      case NameMeaning::Kind::Constant:
        return Quantity::option(name);
      default:
        return {};
    }
  };
  names.hasOption = [this](std::string_view choice, std::string_view option) {
    const InputRule* rule = rules_.input(choice);
    return rule != nullptr &&
           std::find(rule->options.begin(), rule->options.end(), option) != rule->options.end();
  };
  return names;
}

void Linker::complain(const std::vector<FormulaFault>& faults, const RuleFormula& formula) {
  for (const FormulaFault& fault : faults)
    placer_.add(fault.id, fault.arguments, placeIn(formula, fault.offset));
}

SourcePosition Linker::placeIn(const RuleFormula& formula, std::size_t offset) const {
  return placer_.isFull() ? formula.at : placer_.inText(formula.at, formula.begin + offset);
}

void Linker::complainName(const RuleFormula& formula, std::size_t offset, std::string_view name) {
  constexpr int kMostGuesses = 25;  // each looks through all names
  std::vector<std::string> known;
  if (++guesses_ <= kMostGuesses) {
    for (const ValueNode& node : rules_.nodes) known.push_back(node.name);
    for (const auto& [option, number] : rules_.options) known.push_back(option);
    std::sort(known.begin(), known.end());
  }
  placer_.add("formula-unknown-name",
              {{"name", shortened(name)}, {"nearest", nearestName(name, known)}},
              placeIn(formula, offset));
}

void Linker::checkWants() {
  if (rules_.isBase) return;
  for (const std::string& want : rules_.wants)
    if (!rules_.find(want))
      placer_.add("want-missing", {{"name", shortened(want)}, {"base", joined(rules_.bases)}},
                  placer_.at(0, 1, 1));
}

/// A long circle is shown by its beginning and its end.
std::string Linker::chainOf(const std::vector<std::size_t>& circle) const {
  constexpr std::size_t kMostShown = 8;
  std::string chain;
  for (std::size_t i = 0; i < circle.size(); ++i) {
    const bool isLeftOut =
        circle.size() > kMostShown && i >= kMostShown / 2 && i + kMostShown / 2 < circle.size();
    if (isLeftOut && i > kMostShown / 2) continue;
    chain += (chain.empty() ? "" : " -> ") + (isLeftOut ? "…" : rules_.nodes[circle[i]].name);
  }
  return chain;
}

void Linker::order() {
  std::vector<std::vector<std::size_t>> uses;
  for (const ValueNode& node : rules_.nodes) uses.push_back(node.uses);
  auto result = orderByDependence(uses);
  rules_.order = std::move(result.order);
  if (result.circle.empty()) return;
  placer_.add("formula-circle", {{"chain", chainOf(result.circle)}},
              placeOf(result.circle.front()));
}

SourcePosition Linker::placeOf(std::size_t node) const {
  const ValueNode& value = rules_.nodes[node];
  switch (value.source) {
    case Source::Derived:
      return placeIn(rules_.derived[value.rule].formula, 0);
    case Source::PartSize:
    case Source::CutSize:
      return rules_.parts[value.rule].at;
    case Source::Input:
    case Source::Column:
    case Source::Largest:
    case Source::Spread:
    case Source::Said:
      return rules_.inputs[value.rule].at;
    case Source::Tolerance:
      return placeOf(value.uses.front());
    case Source::Resolution:
      return {};
    default:
      return rules_.series[value.rule].at;
  }
}

void Linker::findCode() {
  const auto codeOf = [](const Formula* formula) {
    return formula != nullptr ? formula->code() : Formula::Code();
  };
  for (ValueNode& node : rules_.nodes) {
    node.code = codeOf(node.formula);
    node.inchCode = codeOf(node.inches);
    node.whenCode = codeOf(node.when);
    node.otherwiseCode = codeOf(node.otherwise);
  }
  for (std::size_t i = 0; i < rules_.nodes.size(); ++i)
    for (const std::size_t used : rules_.nodes[i].uses) rules_.nodes[used].usedBy.push_back(i);
}

void Linker::findTried() {
  for (const std::size_t i : rules_.order)
    for (const std::size_t used : rules_.nodes[i].uses) {
      const ValueNode& other = rules_.nodes[used];
      rules_.nodes[i].isTried =
          rules_.nodes[i].isTried || other.isTried || other.source == Source::CutSize;
    }
  for (auto i = rules_.order.rbegin(); i != rules_.order.rend(); ++i) {
    ValueNode& node = rules_.nodes[*i];
    node.feedsTrial = node.feedsTrial || node.isTried;
    if (node.feedsTrial)
      for (const std::size_t used : node.uses) rules_.nodes[used].feedsTrial = true;
  }
}

}  // namespace drapery
