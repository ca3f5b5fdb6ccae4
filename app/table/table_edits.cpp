// The table's edits: typing, keeping, stepping, choosing.
#include <algorithm>

#include "app/table/table.h"
#include "app/table/tag_content.h"
#include "app/words/window_words.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

/// Whether more keys can make it sound: too small so far, or a fraction or unit half written.
bool couldBecomeSound(const Issue& issue, const QString& text) {
  if (issue.id == "length-empty") return true;
  if (issue.id == "value-out-of-range") {
    double value = 0.0, least = 0.0;
    for (const auto& [key, argument] : issue.arguments) {
      const auto* figure = std::get_if<Figure>(&argument);
      if (key == "least" && figure != nullptr) least = figure->value;
    }
    const auto parsed = parseLength(text.toStdString(), Units::Millimetres);
    if (const auto* length = std::get_if<Length>(&parsed)) value = length->mm();
    return value >= 0.0 && value < least;
  }
  for (const char* more : {"1", "64", "1/64", "/64", "m", "n"})
    if (std::holds_alternative<Length>(parseLength(text.toStdString() + more, Units::Millimetres)))
      return true;
  return false;
}

}  // namespace

std::string Table::fieldOfTag(const Tag& tag) const {
  if (isRuleValue(tag.value()) || tag.value() == "method") return tag.value();
  const InputRule* rule = document_.plan().rules->input(tag.value());
  return rule != nullptr ? fieldOf(*rule) : std::string();
}

FieldValue Table::valueOf(const std::string& field, const QString& text) const {
  std::string written = text.trimmed().toStdString();
  if (written.empty()) return std::nullopt;  // back to the usual value
  const InputRule* rule = document_.plan().rules->input(field.substr(field.find('/') + 1));
  const bool isLength = field == "round" || (rule != nullptr && rule->kind == InputKind::Length);
  // A bare number in the window is in the unit in use; the file says which.
  if (isLength) return Entry{lengthWithUnit(written, document_.job().units), {}};
  std::replace(written.begin(), written.end(), ',', '.');
  return Entry{written, {}};
}

void Table::showMessage(Tag* tag, const Issue& issue) {
  Issue named = issue;
  for (auto& [key, argument] : named.arguments)
    if (key == "name") argument = contentOf(tag->value()).caption.toStdString();
  messages_[tag->value()] = issueText(named, windowNotation(document_.plan()));
  refresh();
}

void Table::onTyped(Tag* tag, const QString& text) {
  const std::string field = fieldOfTag(*tag);
  messages_.erase(tag->value());
  const auto issue = document_.preview(field, valueOf(field, text));
  if (!issue) return;
  // "2" on the way to "210" and "8 1/" on the way to "8 1/4" are not mistakes yet.
  if (couldBecomeSound(*issue, text)) return refresh();
  document_.endPreview();
  showMessage(tag, *issue);
}

void Table::onKept(Tag* tag, const QString& text, bool goOn) {
  if (!tag->isTyping()) {
    if (goOn) goOnFrom(tag);
    return;
  }
  const std::string field = fieldOfTag(*tag);
  const auto issue = document_.keep(field, valueOf(field, text));
  if (issue) document_.endPreview();
  if (issue) return showMessage(tag, *issue);
  messages_.erase(tag->value());
  tag->stopTyping();
  document_.endPreview();
  if (goOn) goOnFrom(tag);
}

void Table::onStepped(Tag* tag, int marks) {
  tag->keepTyped();
  const std::string field = fieldOfTag(*tag);
  const Plan& plan = document_.plan();
  const auto present = plan.length(tag->value());
  const InputRule* rule = plan.rules->input(tag->value());
  if (!present || rule == nullptr || rule->kind != InputKind::Length) return;
  const Length step = plan.mark * marks;
  const Rounding toward = marks > 0 ? Rounding::Down : Rounding::Up;
  const Length next = roundTo(*present, plan.mark, toward) + step;
  const std::string written = formatExact(next, document_.job().units);
  if (const auto issue = document_.step(field, Entry{written, {}})) showMessage(tag, *issue);
  tag->takeFocus();
}

void Table::onChosen(Tag* tag, int option) {
  const std::string field = fieldOfTag(*tag);
  const auto index = static_cast<std::size_t>(option);
  const std::vector<std::string> options =
      field == "units"    ? std::vector<std::string>{"mm", "in"}
      : field == "method" ? document_.library().ids()
                          : document_.plan().rules->input(tag->value())->options;
  if (index >= options.size()) return;
  if (field == "units") return document_.keepUnits(options[index]);
  messages_.erase(tag->value());
  if (const auto issue = document_.keep(field, Entry{options[index], {}})) {
    emit refused(*issue);
    refresh();  // the choice shows what holds
  }
}

void Table::goOnFrom(Tag* tag) {
  const auto at = std::find_if(hanging_.begin(), hanging_.end(),
                               [tag](const Hanging& h) { return h.tag == tag; });
  for (auto next = at == hanging_.end() ? at : at + 1; next != hanging_.end(); ++next)
    if (next->tag->kind() != Tag::Kind::Figure && next->panel != nullptr)
      return next->tag->takeFocus();
  // The work goes on in the other drawing.
  if (isOneAtATime_ && !isLastPanel_) {
    bringOtherToFront();
    if (!hanging_.empty()) return hanging_.front().tag->takeFocus();
  }
  select({});
  setFocus();
}

}  // namespace drapery
