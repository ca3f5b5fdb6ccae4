#include "words/amount_words.h"

#include <cmath>

namespace drapery {

std::string amountWords(const Amount& figure, const Notation& notation) {
  if (std::isnan(figure.value)) return "–";
  switch (figure.unit) {
    case Unit::Millimetre:
      return formatLength(Length::fromMm(figure.value), notation);
    case Unit::Degree:
      return formatNumber(figure.value, 1, notation.decimal) + "°";
    case Unit::One:
      break;
  }
  return formatNumber(figure.value, 3, notation.decimal);
}

}  // namespace drapery
