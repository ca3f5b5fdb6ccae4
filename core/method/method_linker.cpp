#include "core/method/method_linker.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/method/dependency_order.h"
#include "core/method/formula.h"
#include "core/method/formula_functions.h"

namespace drapery {

namespace {

class Linker {
 public:
  Linker(Method& method, IssuePlacer& placer, FormulaCheck check)
      : method_(method), placer_(placer), check_(check) {}

  void run() {
    collectOptions();
    collectNodes();
    for (ValueNode& node : method_.nodes) linkNode(node);
    for (const PartRule& part : method_.parts) checkPart(part);
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

  void add(std::string name, ValueNode::Source source, std::size_t rule, Unit unit,
           const Sourced& formula, const SourcePosition& at,
           Rounding rounding = Rounding::Nearest) {
    const auto [place, isNew] = method_.index.emplace(name, method_.nodes.size());
    if (!isNew || method_.options.contains(name)) {
      placer_.add("id-duplicate", {{"id", name}, {"line", std::string()}}, at);
      return;
    }
    ValueNode node;
    node.name = std::move(name);
    node.source = source;
    node.unit = unit;
    node.formula = formula;
    node.rule = rule;
    node.rounding = rounding;
    method_.nodes.push_back(std::move(node));
  }

  void collectNodes() {
    for (std::size_t i = 0; i < method_.inputs.size(); ++i) {
      const InputRule& rule = method_.inputs[i];
      const Unit unit = rule.kind == InputKind::Length ? Unit::Millimetre : Unit::One;
      add(rule.id, ValueNode::Source::Input, i, unit, rule.fallback, rule.at);
    }
    for (std::size_t i = 0; i < method_.derived.size(); ++i) {
      const DerivedRule& rule = method_.derived[i];
      add(rule.id, ValueNode::Source::Derived, i, rule.unit, rule.formula, rule.at);
    }
    for (std::size_t i = 0; i < method_.parts.size(); ++i) collectPart(i);
  }

  void collectPart(std::size_t index) {
    const PartRule& part = method_.parts[index];
    addSize(index, ".width", part.width);
    addSize(index, ".height", part.height);
    for (const char* side : {"width", "height"}) {
      const std::string size = part.id + "." + side;
      add(part.id + ".cut_" + side, ValueNode::Source::CutSize, index, Unit::Millimetre,
          {size, part.at}, part.at, part.rounding);
    }
  }
  void addSize(std::size_t index, const char* side, const Sourced& formula) {
    const PartRule& part = method_.parts[index];
    add(part.id + side, ValueNode::Source::PartSize, index, Unit::Millimetre, formula, part.at);
  }

  /// Checks a formula and gives the nodes that it reads.
  std::vector<std::size_t> link(const Sourced& formula) {
    std::vector<std::size_t> uses;
    if (formula.empty()) return uses;
    bool namesKnown = true;
    for (const FormulaName& used : namesIn(formula.text)) {
      if (used.isCall) {
        namesKnown = checkFunction(formula, used) && namesKnown;
      } else if (const auto node = method_.find(used.name)) {
        if (std::find(uses.begin(), uses.end(), *node) == uses.end()) uses.push_back(*node);
      } else if (!method_.options.contains(used.name) && !isWanted(used.name)) {
        complainName(formula, used);
        namesKnown = false;
      }
    }
    if (namesKnown && check_ == FormulaCheck::Full) tryFormula(formula);
    return uses;
  }

  /// A base may use what the methods on it will supply.
  [[nodiscard]] bool isWanted(const std::string& name) const {
    return method_.isBase &&
           std::find(method_.wants.begin(), method_.wants.end(), name) != method_.wants.end();
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
    for (const auto& [option, number] : method_.options) known.push_back(option);
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

  void linkNode(ValueNode& node) {
    if (node.source == ValueNode::Source::CutSize) {
      if (const auto size = method_.find(node.formula.text)) node.uses = {*size};
    } else {
      node.uses = link(node.formula);
    }
  }

  void checkPart(const PartRule& part) {
    link(part.corner);
    for (const auto& [x, y] : part.places) {
      link(x);
      link(y);
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
      if (!method_.find(touched) && !isWanted(touched))
        placer_.add("touches-unknown", {{"name", shortened(touched)}, {"id", finding.id}},
                    finding.at);
  }

  void checkWants() {
    if (method_.isBase) return;
    for (const std::string& wanted : method_.wants)
      if (!method_.find(wanted))
        placer_.add("want-missing", {{"name", wanted}, {"base", method_.base}}, {});
  }

  void order() {
    std::vector<std::vector<std::size_t>> uses;
    for (const ValueNode& node : method_.nodes) uses.push_back(node.uses);
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
};

}  // namespace

void linkMethod(Method& method, IssuePlacer& placer, FormulaCheck check) {
  Linker(method, placer, check).run();
}

}  // namespace drapery
