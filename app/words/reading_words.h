// Readings of a measure as the window names them, and what is typed at one: "text_height@head".
#pragma once

#include <QStringList>
#include <optional>
#include <string>

#include "app/document/document.h"

namespace drapery {

/// The way of readings that an instrument sends.
inline constexpr const char* kCaliperWay = "caliper";

/// A place of a measure where it is read.
struct ReadingPlace {
  const InputRule* measure = nullptr;
  std::size_t node = 0;  // of the measure
  std::string name;      // a place of the measure, or a reading's number
};

/// Nothing for a value that is no reading of these rules.
std::optional<ReadingPlace> readingPlace(const RuleSet& rules, const std::string& value);

/// What was read there; null while nothing was.
const OneReading* readingAt(const Plan& plan, const ReadingPlace& place);

/// "at the head", "reading 4"
QString placeWords(const ReadingPlace& place);
/// The way's title; what the file says where the rules have no such way.
QString wayWords(const RuleSet& rules, const std::string& way);
/// All ways that a reading may be said to be taken by.
QStringList wayNames(const RuleSet& rules);

/// What a text at a reading says: a figure, a way, or both: "210 strip". Without a way the former
/// one holds, else that of the measure's last reading.
Entry readingTyped(const Document& document, const ReadingPlace& place, const QString& text);
/// Whether more keys could make a way of the text's last word.
bool couldBecomeWay(const RuleSet& rules, const QString& text);

}  // namespace drapery
