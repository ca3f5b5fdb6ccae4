#include "app/words/reading_words.h"

#include <QCoreApplication>
#include <algorithm>

#include "app/words/window_words.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Reading)
};

/// The way that stands alone or behind a figure, and how many letters of the text it takes.
std::pair<const WayRule*, qsizetype> wayAtEnd(const RuleSet& rules, const QString& text) {
  std::pair<const WayRule*, qsizetype> best{nullptr, 0};
  for (const WayRule& way : rules.ways)
    for (const QString& name : {localText(way.title), QString::fromStdString(way.id)}) {
      const qsizetype before = text.size() - name.size();
      const bool isThere = before >= 0 && text.endsWith(name, Qt::CaseInsensitive) &&
                           (before == 0 || !text[before - 1].isLetter());
      if (isThere && name.size() > best.second) best = {&way, name.size()};
    }
  return best;
}

}  // namespace

std::optional<ReadingPlace> readingPlace(const RuleSet& rules, const std::string& value) {
  const auto [measure, name] = splitReading(value);
  const InputRule* rule = name.empty() ? nullptr : rules.input(measure);
  if (rule == nullptr) return std::nullopt;
  return ReadingPlace{rule, *rules.find(measure), std::string(name)};
}

const OneReading* readingAt(const Plan& plan, const ReadingPlace& place) {
  for (const OneReading& reading : plan.eachReading)
    if (reading.input == plan.rules->nodes[place.node].rule && reading.name == place.name)
      return &reading;
  return nullptr;
}

QString placeWords(const ReadingPlace& place) {
  const auto& places = place.measure->places;
  for (std::size_t i = 0; i < places.size(); ++i)
    if (places[i] == place.name) return localText(place.measure->placeTitles[i]);
  const bool isNumber = std::all_of(place.name.begin(), place.name.end(),
                                    [](char c) { return c >= '0' && c <= '9'; });
  const QString name = QString::fromStdString(place.name);
  return isNumber ? Words::tr("reading %1").arg(name) : name;
}

QString wayWords(const RuleSet& rules, const std::string& way) {
  const WayRule* rule = rules.way(way);
  return rule != nullptr ? localText(rule->title) : QString::fromStdString(way);
}

QStringList wayNames(const RuleSet& rules) {
  QStringList names;
  for (const WayRule& way : rules.ways) names << localText(way.title);
  return names;
}

Entry readingTyped(const Document& document, const ReadingPlace& place, const QString& text) {
  const FieldValue present = fieldValue(document.job(), fieldOf(*place.measure) + "@" + place.name);
  const FieldValue all = fieldValue(document.job(), fieldOf(*place.measure));
  std::string by;
  if (all && !all->readings.empty()) by = all->readings.back().by;
  // What is measured where something was planned is no plan.
  if (const WayRule* former = document.plan().rules->way(by); former != nullptr && former->isPlan)
    by.clear();
  if (present) by = present->readings.front().by;
  const QString trimmed = text.trimmed();
  const auto [way, letters] = wayAtEnd(*document.plan().rules, trimmed);
  if (way != nullptr) by = way->id;
  const QString figure = trimmed.chopped(letters).trimmed();
  if (figure.isEmpty() && present) return readingEntry(present->value, by);
  std::string written = figure.toStdString();
  if (place.measure->kind == InputKind::Length)
    written = lengthWithUnit(std::move(written), document.job().units);
  else
    std::replace(written.begin(), written.end(), ',', '.');
  return readingEntry(std::move(written), by);
}

bool couldBecomeWay(const RuleSet& rules, const QString& text) {
  const QString last = text.trimmed().section(QLatin1Char(' '), -1);
  if (last.isEmpty() || !last.front().isLetter()) return false;
  const QStringList names = wayNames(rules);
  return std::any_of(names.begin(), names.end(), [&](const QString& name) {
    return name.startsWith(last, Qt::CaseInsensitive);
  });
}

}  // namespace drapery
