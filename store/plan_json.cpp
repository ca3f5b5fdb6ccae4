#include "store/plan_json.h"

#include <algorithm>
#include <cmath>

#include "store/findings_json.h"
#include "store/json_out.h"
#include "words/cut_moments.h"
#include "words/finding_words.h"
#include "words/formula_words.h"

namespace drapery {

namespace {

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

bool isShown(const Plan& plan, std::size_t index) {
  const ValueNode& node = plan.rules->nodes[index];
  if (std::isnan(plan.values[index])) return false;
  if (node.source == ValueNode::Source::Derived) return true;
  return plan.rules->isInput(index) && !plan.rules->isChoice(index);
}

/// One plan to one writer, pretty or in a line.
template <typename Json>
class PlanWriter {
 public:
  PlanWriter(Json& json, const Plan& plan, const Planner::Detail& detail)
      : json_(json), plan_(plan), detail_(detail) {}

  void write(const Job& job) {
    json_.beginObject();
    json_.key("schema").text("drapery-plan/1");
    json_.key("title").text(job.title);
    json_.key("method").text(plan_.rules->id);
    number("copies", plan_.copies);
    json_.key("values").beginObject();
    for (std::size_t i = 0; i < plan_.values.size(); ++i)
      if (isShown(plan_, i)) value(i);
    json_.endObject();
    json_.key("parts").beginList();
    for (std::size_t i = 0; i < plan_.parts.size(); ++i) part(i);
    json_.endList();
    moments({plan_.units, plan_.resolution, '.', {}});
    if (!plan_.series.empty()) {
      json_.key("series").beginList();
      for (const PlannedSeries& each : plan_.series) series(each);
      json_.endList();
    }
    sayings({plan_.units, plan_.resolution, '.', {}});
    verdict({plan_.units, plan_.resolution, '.', {}});
    steps({plan_.units, plan_.resolution, '.', {}});
    json_.endObject();
  }

 private:
  void number(std::string_view key, double value) { json_.key(key).number(value); }

  /// The numbers behind the names of the branch that gave the value.
  void numbersIn(const Plan::Reason& reason) {
    const auto& nodes = reason.formula->nodes();
    std::vector<std::string_view> told;
    for (Formula::Index i = nodes[reason.node].begin; i <= reason.node; ++i) {
      const Formula::Node& name = nodes[i];
      const bool isNumber =
          name.op == Formula::Op::Name && name.meaning == NameMeaning::Kind::Slot &&
          !std::isnan(plan_.values[name.slot]) && !plan_.rules->isChoice(name.slot);
      if (!isNumber) continue;
      const std::string_view written = reason.formula->written(i);
      if (std::find(told.begin(), told.end(), written) != told.end()) continue;
      told.push_back(written);
      number(written, plan_.values[name.slot]);
    }
  }

  void value(std::size_t index) {
    const ValueNode& node = plan_.rules->nodes[index];
    json_.key(node.name).beginObject();
    number("value", plan_.values[index]);
    json_.key("unit").text(nameOf(node.unit));
    const bool isReasoned = (!plan_.entered[index] || !plan_.counts[index]) && !node.uses.empty() &&
                            !plan_.isFixed(index);
    const std::string formula = isReasoned ? formulaText(plan_, index) : std::string();
    if (!formula.empty()) {
      json_.key("formula").text(formula);
      json_.key("with").beginObject();
      if (const auto reason = plan_.reason(index); reason.formula != nullptr) numbersIn(reason);
      json_.endObject();
    }
    if (plan_.isFixed(index) && !std::isnan(plan_.byRule[index]))
      number("by_rule", plan_.byRule[index]);
    const std::string& because = reasonOf(*plan_.rules, node).text;
    if (!because.empty()) json_.key("because").text(because);
    if (plan_.tolerances[index] > 0.0) number("tolerance", plan_.tolerances[index]);
    if (plan_.rules->isInput(index) && plan_.counts[index]) readings(plan_.readings[node.rule]);
    json_.endObject();
  }

  void readings(const Readings& all) {
    if (all.count == 0) return;
    json_.key("readings").beginObject();
    number("count", static_cast<double>(all.count));
    number("smallest", all.smallest);
    number("largest", all.largest);
    number("spread", all.spread());
    json_.endObject();
  }

  void point(const Point& at) {
    json_.beginObject();
    number("x", at.x);
    number("y", at.y);
    json_.endObject();
  }

  void place(const Placement& place) {
    json_.beginObject();
    number("x", place.at.x);
    number("y", place.at.y);
    number("turn", place.turn);
    json_.key("mirrored").flag(place.isMirrored);
    json_.endObject();
  }

  void part(std::size_t index) {
    const PlannedPart& part = plan_.parts[index];
    json_.beginObject();
    json_.key("id").text(part.rule->id);
    json_.key("title").text(part.rule->title.text);
    number("count", part.count);
    json_.key("material").text(part.material);
    number("width", part.width.mm());
    number("height", part.height.mm());
    number("cut_width", part.cutWidth.mm());
    number("cut_height", part.cutHeight.mm());
    json_.key("grain").text(nameOf(part.rule->grain));
    json_.key("cut_when").text(nameOf(part.cutWhen));
    if (part.hasTop) json_.key("top").flag(true);
    if (!part.named.empty()) json_.key("named").text(part.named);
    if (const auto& band = part.rule->grammage) {
      json_.key("grammage").beginList();
      json_.number(band->least);
      json_.number(band->most);
      json_.endList();
    }
    if (!part.rule->note.text.empty()) json_.key("notes").text(part.rule->note.text);
    json_.key("outline").beginList();
    for (const Point& corner : part.outline) point(corner);
    json_.endList();
    json_.key("places").beginList();
    for (const Placement& each : part.places) place(each);
    json_.endList();
    slits(part);
    tolerance(part);
    moves(index);
    beforeTrimming(part);
    json_.endObject();
  }

  /// The pieces by the moment at which they are cut, and what to measure again before.
  void moments(const Notation& notation) {
    json_.key("moments").beginList();
    for (const CutGroup& group : cutGroups(plan_, notation)) {
      json_.beginObject();
      json_.key("cut_when").text(nameOf(group.when));
      json_.key("title").text(group.title);
      json_.key("first").beginList();
      for (const std::string& line : group.first) json_.text(line);
      json_.endList();
      json_.key("parts").beginList();
      for (const PlannedPart* part : group.pieces) json_.text(part->rule->id);
      json_.endList();
      json_.endObject();
    }
    json_.endList();
  }

  void slits(const PlannedPart& part) {
    if (part.slits.empty()) return;
    json_.key("slits").beginList();
    for (const auto& [from, to] : part.slits) {
      json_.beginObject();
      json_.key("from");
      point(from);
      json_.key("to");
      point(to);
      json_.endObject();
    }
    json_.endList();
  }

  void size(std::string_view key, std::string_view widthKey, double width,
            std::string_view heightKey, double height) {
    json_.key(key).beginObject();
    number(widthKey, width);
    number(heightKey, height);
    json_.endObject();
  }

  void tolerance(const PlannedPart& part) {
    const double width = plan_.tolerance(part.rule->id + ".width"),
                 height = plan_.tolerance(part.rule->id + ".height");
    if (width > 0.0 || height > 0.0) size("tolerance", "width", width, "height", height);
  }

  /// What a millimetre more in each reading does to the piece.
  void moves(std::size_t index) {
    bool isOpen = false;
    for (const PartMove& move : detail_.moves) {
      if (move.part != index) continue;
      if (!isOpen) json_.key("moves").beginObject();
      isOpen = true;
      size(plan_.rules->nodes[move.input].name, "width", move.width, "height", move.height);
    }
    if (isOpen) json_.endObject();
  }

  void beforeTrimming(const PlannedPart& part) {
    const PlannedPart* before = detail_.before ? detail_.before->part(part.rule->id) : nullptr;
    const bool isOther = before != nullptr &&
                         (before->cutWidth != part.cutWidth || before->cutHeight != part.cutHeight);
    if (isOther)
      size("before_trimming", "cut_width", before->cutWidth.mm(), "cut_height",
           before->cutHeight.mm());
  }

  /// Where the members of a row stand: what its columns come to, one object each.
  void series(const PlannedSeries& series) {
    json_.beginObject();
    json_.key("id").text(series.rule->id);
    json_.key("kind").text(series.rule->kind);
    number("count", static_cast<double>(series.rows.size()));
    if (!series.rule->part.empty()) json_.key("part").text(series.rule->part);
    json_.key("at").beginList();
    for (const auto& row : series.rows) {
      json_.beginObject();
      for (std::size_t k = 0; k < series.rule->columns.size(); ++k)
        if (!std::isnan(row[k + 1])) number(series.rule->columns[k].id, row[k + 1]);
      json_.endObject();
    }
    json_.endList();
    json_.endObject();
  }

  void length(const PlannedLength& length) {
    number("exact", length.exact.mm());
    number("cut", length.cut.mm());
  }

  void places(const PlannedMark& mark) {
    json_.key("at").beginList();
    for (const PlannedMarkPlace& place : mark.places) {
      json_.beginObject();
      json_.key("name").text(place.rule->name.text);
      length(place.at);
      json_.endObject();
    }
    json_.endList();
  }

  void verdict(const Notation& notation) {
    if (!plan_.verdict) return;
    const VerdictRule& rule = *plan_.verdict->rule;
    json_.key("trial").beginObject();
    json_.key("verdict").text(rule.id);
    json_.key("trim").beginObject();
    for (std::size_t i = 0; i < rule.trim.size(); ++i)
      if (!std::isnan(plan_.verdict->trim[i])) number(rule.trim[i].first, plan_.verdict->trim[i]);
    json_.endObject();
    json_.key("says").text(verdictSays(*plan_.verdict, notation));
    json_.endObject();
  }

  void sayings(const Notation& notation) {
    json_.key("marks").beginList();
    for (const PlannedMark& mark : plan_.marks) {
      json_.beginObject();
      json_.key("id").text(mark.rule->id);
      if (!mark.rule->title.text.empty()) json_.key("title").text(mark.rule->title.text);
      json_.key("says").text(markSays(mark, notation));
      if (mark.length) length(*mark.length);
      if (!mark.part.empty()) json_.key("part").text(mark.part);
      if (!mark.places.empty()) places(mark);
      json_.endObject();
    }
    json_.endList();
    json_.key("findings");
    writeFindings(json_, plan_, notation);
  }

  /// Times in minutes.
  void steps(const Notation& notation) {
    if (plan_.steps.empty()) return;
    json_.key("steps").beginList();
    for (const PlannedStep& step : plan_.steps) {
      json_.beginObject();
      json_.key("id").text(step.rule->id);
      json_.key("does").text(stepDoes(step, notation));
      if (!step.rule->care.empty()) json_.key("care").text(stepCare(step, notation));
      if (!std::isnan(step.hands)) number("hands", step.hands);
      if (step.wait > 0.0) number("wait", step.wait);
      json_.endObject();
    }
    json_.endList();
  }

  Json& json_;
  const Plan& plan_;
  const Planner::Detail& detail_;
};

}  // namespace

std::string writePlanJson(const Job& job, const Plan& plan, const Planner::Detail& detail) {
  constexpr unsigned kIndent = 1;
  PrettyJson json(kIndent);
  PlanWriter(json, plan, detail).write(job);
  return json.str();
}

std::string writePlanLine(const std::string& file, const Job& job, const Plan& plan,
                          const Planner::Detail& detail) {
  LineJson json;
  json.beginObject();
  json.key("file").text(file);
  json.key("plan");
  PlanWriter(json, plan, detail).write(job);
  json.endObject();
  return json.str();
}

}  // namespace drapery
