#include "words/cut_moments.h"

#include <array>

#include "words/summary_words.h"

namespace drapery {

namespace {

constexpr std::array<const char*, kCutWhenNames.size()> kTitles{
    QT_TRANSLATE_NOOP("Moment", "At once"),
    QT_TRANSLATE_NOOP("Moment", "Before sewing"),
    QT_TRANSLATE_NOOP("Moment", "Before trimming"),
    QT_TRANSLATE_NOOP("Moment", "After trimming"),
    QT_TRANSLATE_NOOP("Moment", "After backing"),
    QT_TRANSLATE_NOOP("Moment", "After lining"),
    QT_TRANSLATE_NOOP("Moment", "Last")};

}  // namespace

std::string momentTitle(CutWhen when, const Translate& translate) {
  const char* title = kTitles[static_cast<std::size_t>(when)];
  return translate ? translate(title) : title;
}

std::vector<CutGroup> cutGroups(const Plan& plan, const Notation& notation,
                                const Translate& translate) {
  std::vector<CutGroup> groups;
  for (std::size_t i = 0; i < kTitles.size(); ++i) {
    CutGroup group;
    group.when = static_cast<CutWhen>(i);
    for (const PlannedPart& part : plan.parts)
      if (part.cutWhen == group.when) group.pieces.push_back(&part);
    if (group.pieces.empty()) continue;
    group.title = momentTitle(group.when, translate);
    group.first = summaryLines(plan, "cutting", notation, nameOf(group.when));
    groups.push_back(std::move(group));
  }
  return groups;
}

}  // namespace drapery
