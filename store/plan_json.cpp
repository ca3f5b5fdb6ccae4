#include "store/plan_json.h"

#include <cmath>
#include <nlohmann/json.hpp>

#include "words/finding_words.h"

namespace drapery {

namespace {

using Json = nlohmann::ordered_json;

const char* nameOf(Unit unit) {
  switch (unit) {
    case Unit::Millimetre:
      return "mm";
    case Unit::Degree:
      return "deg";
    case Unit::One:
      break;
  }
  return "1";
}

const char* nameOf(Grain grain) {
  switch (grain) {
    case Grain::Height:
      return "height";
    case Grain::Width:
      return "width";
    case Grain::Any:
      break;
  }
  return "any";
}

const LocalText& reasonOf(const Method& method, const ValueNode& node) {
  return node.source == ValueNode::Source::Derived ? method.derived[node.rule].because
                                                   : method.inputs[node.rule].measure;
}

Json valueJson(const Plan& plan, std::size_t index) {
  const Method& method = *plan.method;
  const ValueNode& node = method.nodes[index];
  Json json{{"value", plan.values[index]}, {"unit", nameOf(node.unit)}};
  if (!plan.entered[index] && !node.uses.empty()) {
    json["formula"] = node.formula.text;
    Json& with = json["with"] = Json::object();
    for (const std::size_t used : node.uses)
      if (!std::isnan(plan.values[used])) with[method.nodes[used].name] = plan.values[used];
  }
  const std::string& because = reasonOf(method, node).text;
  if (!because.empty()) json["because"] = because;
  return json;
}

bool isShown(const Plan& plan, std::size_t index) {
  const ValueNode& node = plan.method->nodes[index];
  if (std::isnan(plan.values[index])) return false;
  if (node.source == ValueNode::Source::Derived) return true;
  return node.source == ValueNode::Source::Input &&
         plan.method->inputs[node.rule].kind != InputKind::Choice;
}

Json partJson(const PlannedPart& part) {
  const PartRule& rule = *part.rule;
  Json json{{"id", rule.id},
            {"title", rule.title.text},
            {"count", rule.count},
            {"material", rule.material},
            {"width", part.width.mm()},
            {"height", part.height.mm()},
            {"cut_width", part.cutWidth.mm()},
            {"cut_height", part.cutHeight.mm()},
            {"grain", nameOf(rule.grain)}};
  return json;
}

}  // namespace

std::string writePlanJson(const Job& job, const Plan& plan) {
  Json json{{"schema", "drapery-plan/1"}, {"title", job.title}, {"method", plan.method->id}};
  Json& values = json["values"] = Json::object();
  for (std::size_t i = 0; i < plan.values.size(); ++i)
    if (isShown(plan, i)) values[plan.method->nodes[i].name] = valueJson(plan, i);
  Json& parts = json["parts"] = Json::array();
  for (const PlannedPart& part : plan.parts) parts.push_back(partJson(part));
  Json& findings = json["findings"] = Json::array();
  const Notation notation{plan.units, plan.mark, '.'};
  for (const PlannedFinding& finding : plan.findings)
    findings.push_back({{"id", finding.rule->id},
                        {"severity", severityName(finding.rule->severity)},
                        {"says", findingSays(finding, notation)},
                        {"do", findingRemedy(finding, notation)},
                        {"touches", finding.rule->touches}});
  return json.dump(1) + "\n";
}

}  // namespace drapery
