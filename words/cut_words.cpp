#include "words/cut_words.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "core/cutting/shortfall.h"
#include "core/cutting/told_length.h"
#include "words/plan_text.h"
#include "words/said.h"
#include "words/shown_text.h"

namespace drapery {

std::string cutLengthWords(Micrometres length, const Notation& notation) {
  return formatLength(toldLength(length), notation);
}

double metresUp(Micrometres length) {
  constexpr Micrometres kHundredth = 10'000;
  const Micrometres hundredths = (length + kHundredth - 1) / kHundredth;
  return double(hundredths) / 100;
}

namespace {

constexpr Micrometres kMetre = 1'000'000, kYard = 914'400, kEighth = kYard / 8;

/// Never more than there is.
std::string rollLeftWords(Micrometres length, const Notation& notation) {
  const bool isInInches = notation.units == Units::Inches;
  if (length < (isInInches ? kYard : kMetre)) return cutLengthWords(length, notation);
  if (isInInches) return formatFraction(length / kEighth, 8) + " yd";
  return formatNumber(std::floor(double(length) / 10'000) / 100, 2, notation.decimal) + " m";
}

}  // namespace

std::string rollLengthWords(Micrometres length, const Notation& notation) {
  const bool isInInches = notation.units == Units::Inches;
  std::string words = cutLengthWords(length, notation);
  if (length < (isInInches ? kYard : kMetre)) return words;
  if (!isInInches) return formatNumber(metresUp(length), 2, notation.decimal) + " m";
  return words + " (" + formatFraction((length + kEighth - 1) / kEighth, 8) + " yd)";
}

std::string cutSizeWords(Micrometres across, Micrometres along, const Notation& notation) {
  return sizeWords(toldLength(across), toldLength(along), notation);
}

std::string rollSizeWords(Micrometres across, Micrometres along, const Notation& notation,
                          const Translate& translate) {
  return said(translate, QT_TRANSLATE_NOOP("Cut", "{} wide, {} long"),
              cutLengthWords(across, notation), rollLeftWords(along, notation));
}

std::string grainSideWords(const CutStock& stock, const Translate& translate) {
  if (stock.form == StockForm::Roll || stock.across == stock.along) return {};
  const bool isLong = (stock.grain == StockGrain::Along) == (stock.along > stock.across);
  return isLong ? said(translate, QT_TRANSLATE_NOOP("Cut", "grain long"))
                : said(translate, QT_TRANSLATE_NOOP("Cut", "grain short"));
}

std::string stockSizeWords(const StockItem& item, const Notation& notation,
                           const Translate& translate) {
  const CutStock& of = item.lies;
  const bool isRoll = of.form == StockForm::Roll;
  const auto sizeIn = [&](Units units) {
    Notation in = notation;
    in.units = units;
    return isRoll ? rollSizeWords(of.across, of.along, in, translate)
                  : cutSizeWords(of.across, of.along, in);
  };
  std::string size = sizeIn(item.units);
  if (item.units != notation.units) size += (isRoll ? "; " : ", ") + sizeIn(notation.units);
  if (const std::string grain = grainSideWords(item.lies, translate); !grain.empty())
    size += ", " + grain;
  if (item.grammage > 0) size += ", " + grammageWords(item.grammage, notation);
  return size;
}

std::string grammageWords(double grammage, const Notation& notation) {
  return formatNumber(grammage, 1, notation.decimal) + " g/m²";
}

std::string whyUnplaced(const CutProblem& problem, std::size_t piece, const Notation& notation,
                        const Translate& translate) {
  const auto lacks = shortfallOf(problem, piece);
  if (!lacks)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "there is no stock of {}"),
                shownText(problem.pieces[piece].material));
  const std::string stock = shownText(problem.stocks[lacks->stock].id);
  if (lacks->isPatternAgainst)
    return said(
        translate,
        QT_TRANSLATE_NOOP("Cut", "lying with its grain, the pattern of {} would lie on its side"),
        stock);
  const Micrometres across = lacks->acrossGrain, along = lacks->alongGrain;
  if (across == 0 && along == 0)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "there is not enough of {}"), stock);
  if (along == 0)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "needs {} more across the grain than {} has"),
                cutLengthWords(across, notation), stock);
  if (across == 0)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "needs {} more along the grain than {} has"),
                cutLengthWords(along, notation), stock);
  return said(translate,
              QT_TRANSLATE_NOOP(
                  "Cut", "needs {} more across the grain and {} more along the grain than {} has"),
              cutLengthWords(across, notation), cutLengthWords(along, notation), stock);
}

std::string patternWords(const CutStock& stock, const Translate& translate) {
  switch (stock.pattern) {
    case StockPattern::Along:
      return said(translate,
                  QT_TRANSLATE_NOOP("Cut",
                                    "The pattern's top is at the far end of {}: lay it so "
                                    "that every piece's head is there."),
                  shownText(stock.id));
    case StockPattern::Across:
      return said(translate,
                  QT_TRANSLATE_NOOP("Cut",
                                    "The pattern's top is on the right of {}: lay it so "
                                    "that every piece's head is there."),
                  shownText(stock.id));
    case StockPattern::None:
      break;
  }
  return {};
}

std::string settingWords(const GaugeStep& step, const Notation& notation, Micrometres longest,
                         const Translate& translate) {
  int count = 0;
  bool isTooLong = false;
  for (const OrderedCut& cut : step.cuts) {
    count += cut.times;
    isTooLong = isTooLong || (longest > 0 && cut.length > longest);
  }
  const std::string reading = cutLengthWords(step.reading, notation);
  const auto areAll = [&](CutPurpose purpose) {
    return std::all_of(step.cuts.begin(), step.cuts.end(),
                       [&](const OrderedCut& cut) { return cut.purpose == purpose; });
  };
  std::string words;
  if (areAll(CutPurpose::OffRoll))
    words = said(translate, QT_TRANSLATE_NOOP("Cut", "cut {} off the roll"), reading);
  else if (areAll(CutPurpose::Trim))
    words = said(translate, QT_TRANSLATE_NOOP("Cut", "trim an edge, {} stay"), reading);
  else
    words = said(translate, QT_TRANSLATE_NOOP("Cut", "set to {}"), reading);
  words += count == 1 ? said(translate, QT_TRANSLATE_NOOP("Cut", ", 1 cut"))
                      : said(translate, QT_TRANSLATE_NOOP("Cut", ", {} cuts"), count);
  if (isTooLong)
    words +=
        said(translate, QT_TRANSLATE_NOOP("Cut", ", with knife and rule: longer than the shear"));
  return words;
}

std::string inTwoWords(int rectangles, const std::string& pieces, const Translate& translate) {
  return rectangles == 1
             ? said(translate,
                    QT_TRANSLATE_NOOP("Cut",
                                      "The rectangle for {} is cut in two, from corner to corner."),
                    pieces)
             : said(translate,
                    QT_TRANSLATE_NOOP(
                        "Cut", "{} rectangles for {} are cut in two, from corner to corner."),
                    rectangles, pieces);
}

std::string numberingWords(const Translate& translate) {
  return said(translate,
              QT_TRANSLATE_NOOP("Cut",
                                "Numbers run through all sheets of a material: what has the same "
                                "number is cut at one setting, on whichever sheet."));
}

std::string cutOtherwiseWords(const CutSize& was, const CutSize& is, bool isTooSmall,
                              const std::string& title, const Notation& notation,
                              const Translate& translate) {
  const auto size = [&](const CutSize& of) {
    return cutSizeWords(std::llround(of.width * 1000), std::llround(of.height * 1000), notation);
  };
  return said(translate,
              isTooSmall ? QT_TRANSLATE_NOOP("Cut",
                                             "{} was cut {} and is reckoned {} now: too small. Say "
                                             "that it is spoilt, or bring the sizes back.")
                         : QT_TRANSLATE_NOOP("Cut",
                                             "{} was cut {} and is reckoned {} now: trim it, if it "
                                             "is still loose."),
              title, size(was), size(is));
}

std::string grainTestWords(const StockItem& item, const Translate& translate) {
  if (!item.grainTest)
    return said(translate,
                QT_TRANSLATE_NOOP(
                    "Cut",
                    "The grain was not tested yet. Bend the sheet both ways: the easy way is along "
                    "the grain. Or damp a strip: it curls about the grain. Or tear a corner: along "
                    "the grain it runs straight."));
  const char* by = QT_TRANSLATE_NOOP("Cut", "Grain tested by bending");
  if (item.grainTest->sign == GrainSign::Damp)
    by = QT_TRANSLATE_NOOP("Cut", "Grain tested by a damp strip");
  if (item.grainTest->sign == GrainSign::Tear)
    by = QT_TRANSLATE_NOOP("Cut", "Grain tested by tearing");
  if (item.grainTest->on.empty()) return said(translate, by) + ".";
  return said(translate, by) +
         said(translate, QT_TRANSLATE_NOOP("Cut", " on {}."), shownText(item.grainTest->on));
}

}  // namespace drapery
