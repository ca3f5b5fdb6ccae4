// What is measured comes to the table: a measure opened to its readings, an instrument's reading
// taken where the work is.
#include "app/table/rule_editor.h"
#include "app/table/table.h"
#include "app/table/tag_content.h"
#include "app/table/tag_editor.h"
#include "app/words/reading_words.h"

namespace drapery {

/// The places where a measure is read, the first that is still empty ready to be typed.
void Table::openReadings(const std::string& measure) {
  const std::string view = readingsView(*stage_, document_.plan(), measure);
  if (view.empty()) return;
  if (view != detail_) open(view);
  for (const HangingTag& hanging : rack_->hanging())
    if (readingPlace(*document_.plan().rules, hanging.tag->value()) &&
        tagContent(document_, hanging.tag->value()).text.isEmpty())
      return hanging.tag->takeFocus();
}

/// The entry of a length that has the focus, or is selected.
Tag* Table::measuredNow() const {
  for (const HangingTag& hanging : rack_->hanging()) {
    const bool isHere = hanging.tag->focusTarget()->hasFocus() || hanging.spot.subject == selected_;
    if (isHere && hanging.panel != nullptr &&
        isMeasuredLength(document_.plan(), hanging.tag->value()))
      return hanging.tag;
  }
  return nullptr;
}

void Table::typeAndKeep(const std::string& value, const QString& text) {
  reveal(value);
  Tag* tag = rack_->find(value);
  if (tag == nullptr) return;
  tag->takeFocus();
  tag->fill(text);
}

void Table::changeRule(const QString& formula) {
  notes_->askForRule();
  rules_->write({}, formula);
}

/// Where a measure was read place by place, it goes to one that is still empty: the mean of the
/// others is not to be overwritten by a button.
bool Table::takeReading(const QString& reading) {
  Tag* tag = measuredNow();
  if (tag == nullptr) return false;
  const Plan& plan = document_.plan();
  const auto node = plan.rules->find(tag->value());
  const bool isRead = node && plan.entered[*node] && !plan.isPlanned(*node) &&
                      plan.readings[plan.rules->nodes[*node].rule].count > 1;
  if (isRead) {
    openReadings(tag->value());
    tag = measuredNow();
    if (tag == nullptr || !readingPlace(*plan.rules, tag->value())) return false;
  }
  // At a place its way is told with it.
  const bool isPlace = readingPlace(*plan.rules, tag->value()).has_value();
  tag->fill(isPlace && plan.rules->way(kCaliperWay) != nullptr
                ? reading + " " + wayWords(*plan.rules, kCaliperWay)
                : reading);
  return true;
}

bool Table::tellOfReading(const QString& words) {
  Tag* tag = measuredNow();
  if (tag != nullptr) editor_->tell(tag, words);
  return tag != nullptr;
}

}  // namespace drapery
