#include "store/plan_json.h"

#include <cmath>
#include <nlohmann/json.hpp>

#include "core/method/formula.h"
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

bool isChoice(const Plan& plan, std::size_t index) {
  const ValueNode& node = plan.method->nodes[index];
  return node.source == ValueNode::Source::Input &&
         plan.method->inputs[node.rule].kind == InputKind::Choice;
}

Json valueJson(const Plan& plan, std::size_t index) {
  const Method& method = *plan.method;
  const ValueNode& node = method.nodes[index];
  Json json{{"value", plan.values[index]}, {"unit", nameOf(node.unit)}};
  const std::string formula = plan.formula(index);
  if ((!plan.entered[index] || !plan.counts[index]) && !formula.empty() && !node.uses.empty()) {
    json["formula"] = formula;
    Json& with = json["with"] = Json::object();
    for (const FormulaName& used : namesIn(formula)) {
      const auto of = used.isCall ? std::nullopt : method.find(used.name);
      if (of && !std::isnan(plan.values[*of]) && !isChoice(plan, *of))
        with[std::string(used.name)] = plan.values[*of];
    }
  }
  const std::string& because = reasonOf(method, node).text;
  if (!because.empty()) json["because"] = because;
  if (plan.tolerances[index] > 0.0) json["tolerance"] = plan.tolerances[index];
  const bool isInput = node.source == ValueNode::Source::Input && plan.counts[index];
  if (isInput && plan.readings[node.rule].count > 0) {
    const Readings& readings = plan.readings[node.rule];
    json["readings"] = {{"count", readings.count},
                        {"smallest", readings.smallest},
                        {"largest", readings.largest},
                        {"spread", readings.spread()}};
  }
  return json;
}

bool isShown(const Plan& plan, std::size_t index) {
  const ValueNode& node = plan.method->nodes[index];
  if (std::isnan(plan.values[index])) return false;
  if (node.source == ValueNode::Source::Derived) return true;
  return node.source == ValueNode::Source::Input && !isChoice(plan, index);
}

Json pointJson(const Point& point) { return Json::array({point.x, point.y}); }

/// What a millimetre more in each reading does to the piece.
Json movesJson(const Plan& plan, const std::vector<PartMove>& moves, std::size_t part) {
  Json json = Json::object();
  for (const PartMove& move : moves)
    if (move.part == part)
      json[plan.method->nodes[move.input].name] = {{"width", move.width}, {"height", move.height}};
  return json;
}

Json partJson(const Plan& plan, std::size_t index, const Planner::Detail& detail) {
  const PlannedPart& part = plan.parts[index];
  const PartRule& rule = *part.rule;
  Json json{{"id", rule.id},
            {"title", rule.title.text},
            {"count", part.count},
            {"material", part.material},
            {"width", part.width.mm()},
            {"height", part.height.mm()},
            {"cut_width", part.cutWidth.mm()},
            {"cut_height", part.cutHeight.mm()},
            {"grain", nameOf(rule.grain)}};
  if (!part.isRectangle())
    for (const Point& point : part.outline) json["outline"].push_back(pointJson(point));
  for (const auto& [from, to] : part.slits)
    json["slits"].push_back(Json::array({pointJson(from), pointJson(to)}));
  if (rule.isMirrored) json["mirrored"] = true;
  const double width = plan.tolerance(rule.id + ".width"),
               height = plan.tolerance(rule.id + ".height");
  if (width > 0.0 || height > 0.0) json["tolerance"] = {{"width", width}, {"height", height}};
  Json moves = movesJson(plan, detail.moves, index);
  if (!moves.empty()) json["moves"] = std::move(moves);
  const PlannedPart* before = detail.before ? detail.before->part(rule.id) : nullptr;
  const bool isOther = before != nullptr &&
                       (before->cutWidth != part.cutWidth || before->cutHeight != part.cutHeight);
  if (isOther)
    json["before_trimming"] = {{"cut_width", before->cutWidth.mm()},
                               {"cut_height", before->cutHeight.mm()}};
  return json;
}

Json planJson(const Job& job, const Plan& plan, const Planner::Detail& detail) {
  Json json{{"schema", "drapery-plan/1"}, {"title", job.title}, {"method", plan.method->id}};
  Json& values = json["values"] = Json::object();
  for (std::size_t i = 0; i < plan.values.size(); ++i)
    if (isShown(plan, i)) values[plan.method->nodes[i].name] = valueJson(plan, i);
  Json& parts = json["parts"] = Json::array();
  for (std::size_t i = 0; i < plan.parts.size(); ++i) parts.push_back(partJson(plan, i, detail));
  const Notation notation{plan.units, plan.mark, '.'};
  Json& marks = json["marks"] = Json::array();
  for (const PlannedMark& mark : plan.marks)
    marks.push_back({{"id", mark.rule->id}, {"says", markSays(mark, notation)}});
  Json& findings = json["findings"] = Json::array();
  for (const PlannedFinding& finding : plan.findings)
    findings.push_back({{"id", finding.rule->id},
                        {"severity", severityName(finding.rule->severity)},
                        {"says", findingSays(finding, notation)},
                        {"do", findingRemedy(finding, notation)},
                        {"touches", finding.rule->touches}});
  return json;
}

}  // namespace

std::string writePlanJson(const Job& job, const Plan& plan, const Planner::Detail& detail) {
  return planJson(job, plan, detail).dump(1) + "\n";
}

std::string writePlanLine(const std::string& file, const Job& job, const Plan& plan,
                          const Planner::Detail& detail) {
  return Json{{"file", file}, {"plan", planJson(job, plan, detail)}}.dump() + "\n";
}

}  // namespace drapery
