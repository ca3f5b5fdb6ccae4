#include "words/shopping_words.h"

#include <algorithm>

#include "words/cut_words.h"
#include "words/said.h"
#include "words/shown_text.h"

namespace drapery {

std::string bandWords(const GrammageBand& band, const Notation& notation,
                      const Translate& translate) {
  if (band.least == band.most) return grammageWords(band.most, notation);
  return said(translate, QT_TRANSLATE_NOOP("Cut", "{} to {}"),
              formatNumber(band.least, 1, notation.decimal), grammageWords(band.most, notation));
}

std::string askFor(const ToGet& wanted, const Notation& notation, const Translate& translate) {
  std::string words;
  if (wanted.thickness > 0 && wanted.named.empty())
    words += said(translate, QT_TRANSLATE_NOOP("Cut", ", {} thick"),
                  cutLengthWords(wanted.thickness, notation));
  if (wanted.length > 0)
    words += said(translate, QT_TRANSLATE_NOOP("Cut", ", {} in all"),
                  rollLengthWords(wanted.length, notation));
  if (wanted.grammage) words += ", " + bandWords(*wanted.grammage, notation, translate);
  return words;
}

namespace {

/// "19", below a tenth "5.2"
std::string percent(double part, const Notation& notation) {
  return formatNumber(100 * part, part < 0.1 ? 1 : 0, notation.decimal);
}

}  // namespace

std::string soldWords(const SoldSize& size, const Notation& notation, const Translate& translate) {
  const std::string used = percent(size.used, notation);
  Notation own = notation;
  own.units = size.units;
  if (size.of.form == StockForm::Roll)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "{} of {} roll, {} % used"),
                rollLengthWords(size.length, notation), cutLengthWords(size.of.across, own), used);
  std::string sheet = cutSizeWords(size.of.across, size.of.along, own);
  if (size.of.across > size.of.along) sheet += ", " + grainSideWords(size.of, translate);
  if (!size.name.empty()) sheet = size.name + " (" + sheet + ")";
  return said(translate, QT_TRANSLATE_NOOP("Cut", "{} of {}, {} % used"), size.sheets, sheet, used);
}

std::string otherMakeWords(const OtherMake& other, const std::string& title,
                           const Notation& notation, const Translate& translate) {
  const std::string stock = shownText(other.on->lies.id);
  if (other.what == OtherMake::What::Plain)
    return said(translate,
                QT_TRANSLATE_NOOP("Cut",
                                  "{} is cut from {}, like plain papers. If it is of another, put "
                                  "that one on the shelf for it alone."),
                title, stock);
  if (other.what == OtherMake::What::Width)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "{} is reckoned {} wide; {} is {}."), title,
                cutLengthWords(other.wide, notation), stock,
                cutLengthWords(other.on->lies.across, notation));
  if (other.what == OtherMake::What::Layers)
    return said(translate,
                QT_TRANSLATE_NOOP("Cut", "{} is reckoned {} thick: {} layers of {} come to {}."),
                title, cutLengthWords(other.wanted.thickness, notation), other.wanted.layers, stock,
                cutLengthWords(other.wanted.layers * other.on->thickness, notation));
  if (other.what == OtherMake::What::Thickness)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "{} is reckoned {} thick; {} is {}."), title,
                cutLengthWords(other.wanted.thickness, notation), stock,
                cutLengthWords(other.on->thickness, notation));
  return said(translate, QT_TRANSLATE_NOOP("Cut", "{} is to weigh {}; {} weighs {}."), title,
              bandWords(*other.wanted.grammage, notation, translate), stock,
              grammageWords(other.on->grammage, notation));
}

std::string layersWords(const std::vector<OtherMake>& others, const Translate& translate) {
  const bool isAny = std::any_of(others.begin(), others.end(), [](const OtherMake& each) {
    return each.what == OtherMake::What::Layers;
  });
  if (!isAny) return {};
  return said(translate, QT_TRANSLATE_NOOP("Cut",
                                           "Paste layers together edge to edge, grain alike, and "
                                           "dry them under weight before they are covered."));
}

}  // namespace drapery
