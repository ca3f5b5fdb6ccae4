#include "store/compare_json.h"

#include "store/json_out.h"
#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery {

namespace {

class CompareWriter {
 public:
  explicit CompareWriter(const Comparison& comparison) : comparison_(comparison) {}

  std::string write(const Job& job) {
    json_.beginObject();
    json_.key("schema").text("drapery-compare/1");
    json_.key("title").text(job.title);
    json_.key("present").text(job.method);
    json_.key("methods").beginList();
    for (const ComparedMethod& method : comparison_.methods) write(method);
    json_.endList();
    json_.key("differs").beginList();
    for (const std::string& name : comparison_.differing) json_.text(name);
    json_.endList();
    json_.endObject();
    return json_.str();
  }

 private:
  void write(const ComparedMethod& method) {
    const Notation notation{method.plan.units, method.plan.resolution, '.', {}};
    json_.beginObject();
    json_.key("method").text(method.rules->id);
    json_.key("title").text(method.rules->title.text);
    json_.key("house").flag(method.isHouse);
    if (!method.issues.empty()) {
      json_.key("refused").beginList();
      for (const Issue& issue : method.issues) json_.text(issueWords(issue, notation));
      json_.endList();
    }
    const bool isTaken = method.issues.empty();
    json_.key("findings").beginList();
    if (isTaken)
      for (const PlannedFinding& finding : method.plan.findings) write(finding, notation);
    json_.endList();
    json_.key("values").beginObject();
    if (isTaken) values(method.plan);
    json_.endObject();
    json_.key("parts").beginList();
    if (isTaken)
      for (const PlannedPart& part : method.plan.parts) write(part);
    json_.endList();
    json_.endObject();
  }

  void write(const PlannedFinding& finding, const Notation& notation) {
    json_.beginObject();
    json_.key("id").text(finding.rule->id);
    json_.key("severity").text(severityName(finding.rule->severity));
    json_.key("says").text(findingSays(finding, notation));
    json_.key("do").text(findingRemedy(finding, notation));
    json_.endObject();
  }

  void values(const Plan& plan) {
    for (const std::size_t node : comparedNodes(plan)) {
      const ValueNode& value = plan.rules->nodes[node];
      json_.key(value.name).beginObject();
      json_.key("value").number(plan.values[node]);
      json_.key("unit").text(value.unit == Unit::Millimetre ? "mm"
                             : value.unit == Unit::Degree   ? "deg"
                                                            : "1");
      json_.endObject();
    }
  }

  void write(const PlannedPart& part) {
    json_.beginObject();
    json_.key("id").text(part.rule->id);
    json_.key("title").text(part.rule->title.text);
    json_.key("count").number(part.count);
    json_.key("cut_width").number(part.cutWidth.mm());
    json_.key("cut_height").number(part.cutHeight.mm());
    json_.endObject();
  }

  static constexpr unsigned kIndent = 1;
  PrettyJson json_{kIndent};
  const Comparison& comparison_;
};

}  // namespace

std::string writeCompareJson(const Job& job, const Comparison& comparison) {
  return CompareWriter(comparison).write(job);
}

}  // namespace drapery
