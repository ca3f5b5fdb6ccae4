#include "words/shopping_words.h"

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
                  cutLengthWords(wanted.length, notation));
  if (wanted.grammage) words += ", " + bandWords(*wanted.grammage, notation, translate);
  return words;
}

std::string soldWords(const SoldSize& size, const Notation& notation, const Translate& translate) {
  Notation own = notation;
  own.units = size.units;
  if (size.of.form == StockForm::Roll)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "{} of {} roll"),
                cutLengthWords(size.length, notation), cutLengthWords(size.of.across, own));
  std::string sheet = cutSizeWords(size.of.across, size.of.along, own);
  if (size.of.across > size.of.along) sheet += ", " + grainSideWords(size.of, translate);
  if (!size.name.empty()) sheet = size.name + " (" + sheet + ")";
  return said(translate, QT_TRANSLATE_NOOP("Cut", "{} of {}"), size.sheets, sheet);
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
  if (other.what == OtherMake::What::Thickness)
    return said(translate, QT_TRANSLATE_NOOP("Cut", "{} is reckoned {} thick; {} is {}."), title,
                cutLengthWords(other.wanted.thickness, notation), stock,
                cutLengthWords(other.on->thickness, notation));
  return said(translate, QT_TRANSLATE_NOOP("Cut", "{} is to weigh {}; {} weighs {}."), title,
              bandWords(*other.wanted.grammage, notation, translate), stock,
              grammageWords(other.on->grammage, notation));
}

}  // namespace drapery
