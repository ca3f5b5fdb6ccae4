#include "core/rules/section/drawn_label.h"

#include "core/rules/linker.h"
#include "core/rules/section/common.h"

namespace drapery {

std::vector<DrawnLabel> readLabels(EntryReader& in, IssuePlacer& placer) {
  std::vector<DrawnLabel> labels;
  in.eachItem("labels", [&](const Node& item) {
    EntryReader each(item, "labels", placer);
    DrawnLabel label;
    readEach(each, label);
    label.says = each.ruleWords("says", Needed::Yes);
    label.when = each.formula("when", Needed::No);
    if (auto at = each.pointAt("at", Needed::Yes)) label.at = std::move(*at);
    each.finish();
    labels.push_back(std::move(label));
  });
  return labels;
}

void linkLabels(std::vector<DrawnLabel>& labels, Linker& linker) {
  for (DrawnLabel& label : labels) {
    const SeriesRule* series = linker.seriesOf(label);
    linker.linkPoint(series, label.at);
    linker.linkWords(label.says, series);
    linker.linkIn(series, label.when, Dimension::number());
  }
}

}  // namespace drapery
