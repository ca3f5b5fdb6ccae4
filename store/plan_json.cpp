#include "store/plan_json.h"

#include <cmath>
#include <nlohmann/json.hpp>

#include "words/finding_words.h"
#include "words/formula_words.h"

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

const LocalText& reasonOf(const RuleSet& method, const ValueNode& node) {
  return node.source == ValueNode::Source::Derived ? method.derived[node.rule].because
                                                   : method.inputs[node.rule].measure;
}

/// The numbers behind the names of the branch that gave the value.
Json numbersIn(const Plan& plan, const Plan::Reason& reason) {
  Json with = Json::object();
  if (reason.formula == nullptr) return with;
  const auto& nodes = reason.formula->nodes();
  for (Formula::Index i = nodes[reason.node].begin; i <= reason.node; ++i) {
    const Formula::Node& name = nodes[i];
    const bool isNumber = name.op == Formula::Op::Name && name.meaning == NameMeaning::Kind::Slot &&
                          !std::isnan(plan.values[name.slot]) && !plan.rules->isChoice(name.slot);
    if (isNumber) with[std::string(reason.formula->written(i))] = plan.values[name.slot];
  }
  return with;
}

Json valueJson(const Plan& plan, std::size_t index) {
  const RuleSet& rules = *plan.rules;
  const ValueNode& node = rules.nodes[index];
  Json json{{"value", plan.values[index]}, {"unit", nameOf(node.unit)}};
  const bool isReasoned =
      (!plan.entered[index] || !plan.counts[index]) && !node.uses.empty() && !plan.isFixed(index);
  const std::string formula = isReasoned ? formulaText(plan, index) : std::string();
  if (!formula.empty()) {
    json["formula"] = formula;
    json["with"] = numbersIn(plan, plan.reason(index));
  }
  if (plan.isFixed(index)) json["by_rule"] = plan.byRule[index];
  const std::string& because = reasonOf(rules, node).text;
  if (!because.empty()) json["because"] = because;
  if (plan.tolerances[index] > 0.0) json["tolerance"] = plan.tolerances[index];
  const bool isRead = rules.isInput(index) && plan.counts[index];
  if (isRead && plan.readings[node.rule].count > 0) {
    const Readings& readings = plan.readings[node.rule];
    json["readings"] = {{"count", readings.count},
                        {"smallest", readings.smallest},
                        {"largest", readings.largest},
                        {"spread", readings.spread()}};
  }
  return json;
}

bool isShown(const Plan& plan, std::size_t index) {
  const ValueNode& node = plan.rules->nodes[index];
  if (std::isnan(plan.values[index])) return false;
  if (node.source == ValueNode::Source::Derived) return true;
  return plan.rules->isInput(index) && !plan.rules->isChoice(index);
}

Json pointJson(const Point& point) { return {{"x", point.x}, {"y", point.y}}; }

Json placeJson(const Placement& place) {
  return {
      {"x", place.at.x}, {"y", place.at.y}, {"turn", place.turn}, {"mirrored", place.isMirrored}};
}

/// What a millimetre more in each reading does to the piece.
Json movesJson(const Plan& plan, const std::vector<PartMove>& moves, std::size_t part) {
  Json json = Json::object();
  for (const PartMove& move : moves)
    if (move.part == part)
      json[plan.rules->nodes[move.input].name] = {{"width", move.width}, {"height", move.height}};
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
  Json& outline = json["outline"] = Json::array();
  for (const Point& point : part.outline) outline.push_back(pointJson(point));
  Json& places = json["places"] = Json::array();
  for (const Placement& place : part.places) places.push_back(placeJson(place));
  for (const auto& [from, to] : part.slits)
    json["slits"].push_back({{"from", pointJson(from)}, {"to", pointJson(to)}});
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

/// Where the members of a row stand: what its columns come to, one object each.
Json seriesJson(const PlannedSeries& series) {
  Json json{{"id", series.rule->id}, {"kind", series.rule->kind}, {"count", series.rows.size()}};
  if (!series.rule->part.empty()) json["part"] = series.rule->part;
  Json& members = json["at"] = Json::array();
  for (const auto& row : series.rows) {
    Json member = Json::object();
    for (std::size_t k = 0; k < series.rule->columns.size(); ++k)
      if (!std::isnan(row[k + 1])) member[series.rule->columns[k].id] = row[k + 1];
    members.push_back(std::move(member));
  }
  return json;
}

Json planJson(const Job& job, const Plan& plan, const Planner::Detail& detail) {
  Json json{{"schema", "drapery-plan/1"}, {"title", job.title}, {"method", plan.rules->id}};
  Json& values = json["values"] = Json::object();
  for (std::size_t i = 0; i < plan.values.size(); ++i)
    if (isShown(plan, i)) values[plan.rules->nodes[i].name] = valueJson(plan, i);
  Json& parts = json["parts"] = Json::array();
  for (std::size_t i = 0; i < plan.parts.size(); ++i) parts.push_back(partJson(plan, i, detail));
  for (const PlannedSeries& series : plan.series) json["series"].push_back(seriesJson(series));
  const Notation notation{plan.units, plan.mark, '.', {}};
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
