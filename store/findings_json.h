// What a plan found, as a JSON list; a book's and a sewing's alike.
#pragma once

#include "core/plan/plan.h"
#include "words/finding_words.h"

namespace drapery {

/// A list: id, severity, says, do, touches.
template <typename Json>
void writeFindings(Json& json, const Plan& plan, const Notation& notation) {
  json.beginList();
  for (const PlannedFinding& finding : plan.findings) {
    json.beginObject();
    json.key("id").text(finding.rule->id);
    json.key("severity").text(severityName(finding.rule->severity));
    json.key("says").text(findingSays(finding, notation));
    json.key("do").text(findingRemedy(finding, notation));
    json.key("touches").beginList();
    for (const auto& touched : finding.rule->touches) json.text(touched);
    json.endList();
    json.endObject();
  }
  json.endList();
}

}  // namespace drapery
