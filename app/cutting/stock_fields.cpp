#include "app/cutting/stock_fields.h"

#include <QCoreApplication>
#include <QLocale>
#include <QStringList>
#include <array>
#include <cmath>

#include "app/words/cut_words.h"
#include "app/words/size_typed.h"
#include "app/words/window_words.h"
#include "core/cutting/told_length.h"
#include "core/quantity/grammage_band.h"
#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

constexpr double kLongest = 1e6;  // mm
constexpr int kMost = 1'000'000;
constexpr double kDearest = 1e9;

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Stock)
};

/// In the unit in which its size is told.
Notation notationOf(const StockItem& item) {
  Notation notation;
  notation.units = item.units;
  notation.resolution =
      item.units == Units::Inches ? Length::fromInches(1.0 / 64) : Length::fromMm(0.1);
  return notation;
}

QString lengthTold(Micrometres length, const StockItem& item) {
  return length > 0 ? cutLength(length, notationOf(item)) : QString();
}
/// Nothing typed is nothing.
std::optional<Micrometres> lengthOrNothing(const QString& text, Units units) {
  return text.isEmpty() ? std::optional<Micrometres>(0) : lengthIn(text, units);
}

/// As it is written here, or with a point.
std::optional<double> numberIn(const QString& text) {
  bool isNumber = false;
  double number = QLocale().toDouble(text, &isNumber);
  if (!isNumber) number = text.toDouble(&isNumber);
  return isNumber ? std::optional(number) : std::nullopt;
}

QString nameTold(const StockItem& item) { return QString::fromStdString(item.lies.id); }
WhyNot readName(const QString& text, StockItem& item) {
  if (text.isEmpty()) return Words::tr("A stock needs a name.");
  item.lies.id = text.toStdString();
  return std::nullopt;
}

QString sizeTold(const StockItem& item) {
  return cutSize(item.lies.across, item.lies.along, notationOf(item));
}
WhyNot readSize(const QString& text, StockItem& item) {
  const auto sides = sizeIn(text, item.units);
  if (!sides)
    return Words::tr(
               "\"%1\" is no size; one like 700 x 1000 or 20 x 30 in is, each side above 0 to a "
               "kilometre.")
        .arg(text);
  std::tie(item.lies.across, item.lies.along) = *sides;
  item.units = unitsOf(sidesTyped(text)->second.toStdString(), item.units);
  return std::nullopt;
}

QString countTold(const StockItem& item) {
  return item.lies.count ? QString::number(*item.lies.count) : QString();
}
WhyNot readCount(const QString& text, StockItem& item) {
  bool isWhole = false;
  const int number = text.toInt(&isWhole);
  if (!text.isEmpty() && (!isWhole || number < 0 || number > kMost))
    return Words::
        tr("\"%1\" is no count; a whole number from 0 is, or nothing for as many as are wanted.")
            .arg(text);
  item.lies.count = text.isEmpty() ? std::nullopt : std::optional(number);
  return std::nullopt;
}

QString costTold(const StockItem& item) { return QLocale().toString(item.lies.cost, 'f', 2); }
WhyNot readCost(const QString& text, StockItem& item) {
  const auto number = numberIn(text);
  if (!number || !(*number >= 0 && *number <= kDearest))
    return Words::tr("\"%1\" is no price; a number from 0 is.").arg(text);
  item.lies.cost = *number;
  return std::nullopt;
}

QString thicknessTold(const StockItem& item) { return lengthTold(item.thickness, item); }
WhyNot readThickness(const QString& text, StockItem& item) {
  const auto length = lengthOrNothing(text, item.units);
  if (!length) return Words::tr("\"%1\" is no thickness; one like 2.4 mm is.").arg(text);
  item.thickness = *length;
  return std::nullopt;
}

QString grammageTold(const StockItem& item) {
  return item.grammage > 0 ? QLocale().toString(item.grammage, 'g', 6) : QString();
}
WhyNot readGrammage(const QString& text, StockItem& item) {
  const auto number = numberIn(text);
  if (!text.isEmpty() && !(number && *number > 0 && *number <= kHeaviest))
    return Words::tr(
               "\"%1\" is no weight; grams to the square metre above 0 to %2 are, or nothing.")
        .arg(text)
        .arg(kHeaviest);
  item.grammage = number.value_or(0.0);
  return std::nullopt;
}

/// "8 8 0 0": left, right, bottom, top.
QString trimTold(const StockItem& item) {
  const CutStock& of = item.lies;
  if (of.left + of.right + of.bottom + of.top == 0) return {};
  QStringList words;
  for (const Micrometres edge : {of.left, of.right, of.bottom, of.top})
    words << bareWords(toldLength(edge), notationOf(item));
  return words.join(' ');
}
WhyNot readTrim(const QString& text, StockItem& item) {
  const QStringList words = text.split(' ', Qt::SkipEmptyParts);
  std::array<Micrometres, 4> edges{};
  bool isSound = words.isEmpty() || words.size() == 4;
  for (qsizetype i = 0; isSound && i < words.size(); ++i) {
    const auto read = parseLength(words[i].toStdString(), item.units);
    const auto* length = std::get_if<Length>(&read);
    isSound = length != nullptr && length->mm() >= 0 && length->mm() <= kLongest;
    if (isSound) edges[static_cast<std::size_t>(i)] = std::llround(length->mm() * 1000);
  }
  if (!isSound)
    return Words::
        tr("\"%1\" are no edges; four like 8 8 0 0 are, left, right, bottom and top, or nothing.")
            .arg(text);
  item.lies.left = edges[0];
  item.lies.right = edges[1];
  item.lies.bottom = edges[2];
  item.lies.top = edges[3];
  return std::nullopt;
}

QString kerfTold(const StockItem& item) { return lengthTold(item.lies.kerf, item); }
WhyNot readKerf(const QString& text, StockItem& item) {
  const auto length = lengthOrNothing(text, item.units);
  if (!length)
    return Words::tr("\"%1\" is nothing that a cut takes; a length like 0.5 mm is, or nothing.")
        .arg(text);
  item.lies.kerf = *length;
  return std::nullopt;
}

QString placeTold(const StockItem& item) { return QString::fromStdString(item.place); }
WhyNot readPlace(const QString& text, StockItem& item) {
  item.place = text.toStdString();
  return std::nullopt;
}

QString noteTold(const StockItem& item) { return QString::fromStdString(item.note); }
WhyNot readNote(const QString& text, StockItem& item) {
  item.note = text.toStdString();
  return std::nullopt;
}

}  // namespace

std::optional<Micrometres> lengthIn(const QString& text, Units units) {
  const auto read = parseLength(text.trimmed().toStdString(), units);
  const auto* length = std::get_if<Length>(&read);
  if (length == nullptr || !(length->mm() >= 0.001 && length->mm() <= kLongest))
    return std::nullopt;
  return std::llround(length->mm() * 1000);
}

std::optional<std::pair<Micrometres, Micrometres>> sizeIn(const QString& text, Units units) {
  const auto sides = sidesTyped(text);
  if (!sides) return std::nullopt;
  const auto across = lengthIn(sides->first, units), along = lengthIn(sides->second, units);
  if (!across || !along) return std::nullopt;
  return std::pair(*across, *along);
}

WhyNot whyNotCut(const StockItem& item) {
  switch (faultOf(item.lies).value_or(StockFault{-1})) {
    case StockFault::Kerf:
      return Words::tr("What a cut takes is wider than the stock.");
    case StockFault::Edges:
      return Words::tr("Nothing would be left of it between its trimmed edges.");
  }
  return std::nullopt;
}

const std::vector<StockField>& stockFields() {
  static const std::vector<StockField> kFields{
      {"name", Words::tr("What lies there"), 8, {}, nameTold, readName},
      {"size", Words::tr("across × along"), 9, {}, sizeTold, readSize},
      {"count", Words::tr("count"), 3.5, Words::tr("no end"), countTold, readCount},
      {"cost", Words::tr("costs"), 3, {}, costTold, readCost},
      {"thick", Words::tr("thick"), 4.5, {}, thicknessTold, readThickness},
      {"grammage", Words::tr("g/m²"), 2.6, {}, grammageTold, readGrammage},
      {"trim", Words::tr("trimmed"), 3.8, Words::tr("none"), trimTold, readTrim},
      {"kerf", Words::tr("kerf"), 2.8, Words::tr("none"), kerfTold, readKerf},
      {"place", Words::tr("place"), 5, {}, placeTold, readPlace},
      {"note", Words::tr("note"), 3, {}, noteTold, readNote}};
  return kFields;
}

}  // namespace drapery
