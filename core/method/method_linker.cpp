#include "core/method/method_linker.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/method/dependency_order.h"
#include "core/method/formula.h"
#include "core/method/formula_functions.h"
#include "core/toml/table_reader.h"

namespace drapery {

namespace {

class Linker {
 public:
  Linker(Method& method, IssuePlacer& placer, FormulaCheck check)
      : method_(method), placer_(placer), check_(check) {}

  void run() {
    collectOptions();
    collectNodes();
    // Linking may add nodes: what a formula asks of another.
    for (std::size_t i = 0; i < method_.nodes.size(); ++i) linkNode(i);
    isInFinding_ = true;
    for (const PartRule& part : method_.parts) checkPart(part);
    for (const MarkRule& mark : method_.marks) {
      link(mark.when);
      checkWords(mark.says);
    }
    for (const FindingRule& finding : method_.findings) checkFinding(finding);
    checkWants();
    order();
  }

 private:
  void collectOptions() {
    for (const InputRule& rule : method_.inputs)
      for (const std::string& option : rule.options)
        method_.options.emplace(option, static_cast<double>(method_.options.size() + 1));
  }

  void add(ValueNode node, const SourcePosition& at) {
    const auto [place, isNew] = method_.index.emplace(node.name, method_.nodes.size());
    if (!isNew || method_.options.contains(node.name)) {
      placer_.add("id-duplicate", {{"id", node.name}, {"line", std::string()}}, at);
      return;
    }
    method_.nodes.push_back(std::move(node));
  }

  static ValueNode nodeOf(std::string name, ValueNode::Source source, std::size_t rule, Unit unit) {
    ValueNode node;
    node.name = std::move(name);
    node.source = source;
    node.rule = rule;
    node.unit = unit;
    return node;
  }

  void collectNodes() {
    for (std::size_t i = 0; i < method_.inputs.size(); ++i) {
      const InputRule& rule = method_.inputs[i];
      const Unit unit = rule.kind == InputKind::Length ? Unit::Millimetre : Unit::One;
      ValueNode node = nodeOf(rule.id, ValueNode::Source::Input, i, unit);
      node.formula = rule.fallback;
      node.when = rule.when;
      node.otherwise = rule.otherwise;
      add(std::move(node), rule.at);
      for (std::size_t column = 0; column < rule.columns.size(); ++column) addColumn(i, column);
    }
    for (std::size_t i = 0; i < method_.derived.size(); ++i) {
      const DerivedRule& rule = method_.derived[i];
      ValueNode node = nodeOf(rule.id, ValueNode::Source::Derived, i, rule.unit);
      node.formula = rule.formula;
      node.when = rule.when;
      node.isHeld = rule.isHeld;
      add(std::move(node), rule.at);
    }
    for (std::size_t i = 0; i < method_.parts.size(); ++i) collectPart(i);
  }

  void collectPart(std::size_t index) {
    const PartRule& part = method_.parts[index];
    addSize(index, ".width", part.width);
    addSize(index, ".height", part.height);
    for (const char* side : {"width", "height"}) {
      ValueNode node =
          nodeOf(part.id + ".cut_" + side, ValueNode::Source::CutSize, index, Unit::Millimetre);
      node.formula = {part.id + "." + side, part.at};
      node.rounding = part.rounding;
      add(std::move(node), part.at);
    }
  }
  void addSize(std::size_t index, const char* side, const Sourced& formula) {
    const PartRule& part = method_.parts[index];
    ValueNode node = nodeOf(part.id + side, ValueNode::Source::PartSize, index, Unit::Millimetre);
    node.formula = formula;
    add(std::move(node), part.at);
  }
  void addColumn(std::size_t input, std::size_t index) {
    const InputRule& rule = method_.inputs[input];
    const ChoiceColumn& column = rule.columns[index];
    ValueNode node =
        nodeOf(rule.id + "." + column.id, ValueNode::Source::Column, input, column.unit);
    node.column = index;
    node.uses = {*method_.find(rule.id)};
    add(std::move(node), rule.at);
  }

  /// "text_height.spread": what else is known of a value. Made when a formula first asks for it.
  std::optional<std::size_t> aspect(const std::string& name) {
    using Source = ValueNode::Source;
    const std::size_t dot = name.rfind('.');
    const auto of = dot == std::string::npos ? std::nullopt : method_.find(name.substr(0, dot));
    if (!of) return std::nullopt;
    const ValueNode& value = method_.nodes[*of];
    const std::string_view asked = std::string_view(name).substr(dot + 1);
    const bool isInput = value.source == Source::Input;
    const bool isMeasured = isInput && value.unit == Unit::Millimetre;
    Source source = Source::Input;
    if (asked == "said" && isInput) source = Source::Said;
    if (asked == "largest" && isMeasured) source = Source::Largest;
    if (asked == "spread" && isMeasured) source = Source::Spread;
    if (asked == "tolerance" && isInFinding_) source = Source::Tolerance;
    if (source == Source::Input) return std::nullopt;
    ValueNode node =
        nodeOf(name, source, value.rule, source == Source::Said ? Unit::One : value.unit);
    node.uses = {*of};
    add(std::move(node), {});
    return method_.nodes.size() - 1;
  }

  /// Checks a formula and gives the nodes that it reads.
  std::vector<std::size_t> link(const Sourced& formula) {
    std::vector<std::size_t> uses;
    if (formula.empty()) return uses;
    bool namesKnown = true;
    for (const FormulaName& used : namesIn(formula.text)) {
      if (used.isCall) {
        namesKnown = checkFunction(formula, used) && namesKnown;
      } else if (const auto node = nodeNamed(used.name)) {
        if (std::find(uses.begin(), uses.end(), *node) == uses.end()) uses.push_back(*node);
      } else if (!method_.options.contains(used.name) && !method_.isBase) {
        complainName(formula, used);
        namesKnown = false;
      }
    }
    if (namesKnown && check_ == FormulaCheck::Full) tryFormula(formula);
    return uses;
  }

  std::optional<std::size_t> nodeNamed(std::string_view name) {
    if (const auto node = method_.find(name)) return node;
    return aspect(std::string(name));
  }

  bool checkFunction(const Sourced& formula, const FormulaName& used) {
    if (findFormulaFunction(used.name) != nullptr) return true;
    placer_.add("formula-unknown-function",
                {{"name", shortened(used.name)},
                 {"nearest", nearestName(used.name, formulaFunctionNames())}},
                inFormula(formula, used.offset));
    return false;
  }

  void complainName(const Sourced& formula, const FormulaName& used) {
    std::vector<std::string> known;
    for (const ValueNode& node : method_.nodes) known.push_back(node.name);
    for (const InputRule& rule : method_.inputs)
      known.insert(known.end(), rule.options.begin(), rule.options.end());
    placer_.add("formula-unknown-name",
                {{"name", shortened(used.name)}, {"nearest", nearestName(used.name, known)}},
                inFormula(formula, used.offset));
  }

  void tryFormula(const Sourced& formula) {
    double anything = 1.0;
    const auto compiled =
        Formula::compile(formula.text, [&](std::string_view) { return &anything; });
    const auto* fault = std::get_if<FormulaFault>(&compiled);
    if (fault == nullptr) return;
    placer_.add(fault->id, {{"what", shortened(fault->what)}, {"formula", shortened(formula.text)}},
                inFormula(formula, fault->offset));
  }

  static SourcePosition inFormula(const Sourced& formula, std::size_t offset) {
    SourcePosition at = formula.at;
    at.column += static_cast<int>(offset);
    return at;
  }

  void linkNode(std::size_t index) {
    const ValueNode node = method_.nodes[index];  // a copy: linking may move them
    std::vector<std::size_t> uses = node.uses;
    if (node.source == ValueNode::Source::CutSize) {
      if (const auto size = method_.find(node.formula.text)) uses = {*size};
    } else {
      for (const Sourced* formula : {&node.formula, &node.when, &node.otherwise})
        for (const std::size_t used : link(*formula))
          if (std::find(uses.begin(), uses.end(), used) == uses.end()) uses.push_back(used);
    }
    method_.nodes[index].uses = std::move(uses);
  }

  void checkPoint(const PointRule& point) {
    link(point.first);
    link(point.second);
  }

  void checkPart(const PartRule& part) {
    link(part.count);
    link(part.when);
    for (const PartMaterial& material : part.materials) link(material.when);
    for (const PointRule& point : part.outline) checkPoint(point);
    for (const PointRule& place : part.places) checkPoint(place);
    for (const auto& [from, to] : part.slits) {
      checkPoint(from);
      checkPoint(to);
    }
  }

  void checkWords(const WordsTemplate& words) {
    for (const auto& piece : words.pieces) link(piece.expression);
  }

  void checkFinding(const FindingRule& finding) {
    link(finding.when);
    checkWords(finding.says);
    checkWords(finding.remedy);
    for (const std::string& touched : finding.touches)
      if (!method_.find(touched) && !method_.isBase)
        placer_.add("touches-unknown", {{"name", shortened(touched)}, {"id", finding.id}},
                    finding.at);
  }

  void checkWants() {
    if (method_.isBase) return;
    for (const std::string& wanted : method_.wants)
      if (!method_.find(wanted))
        placer_.add("want-missing", {{"name", wanted}, {"base", joined(method_.bases)}}, {});
  }

  void order() {
    std::vector<std::vector<std::size_t>> uses;
    for (const ValueNode& node : method_.nodes)
      uses.push_back(node.source == ValueNode::Source::Tolerance ? std::vector<std::size_t>()
                                                                 : node.uses);
    OrderOrCircle result = orderByDependence(uses);
    method_.order = std::move(result.order);
    if (result.circle.empty()) return;
    std::string chain;
    for (const std::size_t node : result.circle)
      chain += (chain.empty() ? "" : " -> ") + method_.nodes[node].name;
    placer_.add("formula-circle", {{"chain", chain}},
                method_.nodes[result.circle.front()].formula.at);
  }

  Method& method_;
  IssuePlacer& placer_;
  FormulaCheck check_;
  bool isInFinding_ = false;
};

}  // namespace

void linkMethod(Method& method, IssuePlacer& placer, FormulaCheck check) {
  Linker(method, placer, check).run();
}

}  // namespace drapery
