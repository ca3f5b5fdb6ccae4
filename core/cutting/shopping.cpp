#include "core/cutting/shopping.h"

#include <algorithm>

#include "core/cutting/told_length.h"
#include "core/quantity/format_length.h"

namespace drapery {

namespace {

constexpr Micrometres kRollStep = 100'000;

/// "board, 2.4 mm, 500 × 700 mm", "paper, A3", "cloth, 38 in wide"
std::string nameOf(const ToGet& wanted, const SoldSize& size) {
  Notation notation;
  notation.units = size.units;
  std::string title = wanted.named.empty() ? wanted.kind : wanted.named;
  if (!wanted.apart.empty()) {
    title += " for " + wanted.apart;
  } else if (wanted.named.empty() && wanted.thickness > 0) {
    const Notation books{wanted.units, Length::fromMm(0.01)};
    title += ", " + formatLength(toldLength(wanted.thickness), books);
  }
  std::replace(title.begin(), title.end(), '_', ' ');
  if (size.of.form == StockForm::Roll)
    return title + ", " + formatLength(toldLength(size.of.across), notation) + " wide";
  if (!size.name.empty()) return title + ", " + size.name;
  return title + ", " + formatBare(toldLength(size.of.across), notation) + " × " +
         formatLength(toldLength(size.of.along), notation);
}

}  // namespace

StockItem stockBought(const ToGet& wanted, const SoldSize& size) {
  StockItem item;
  item.lies = size.of;
  item.lies.id = nameOf(wanted, size);
  item.lies.material = !wanted.apart.empty()   ? wanted.apart
                       : !wanted.named.empty() ? wanted.named
                                               : wanted.kind;
  item.lies.cost = 1.0;
  item.units = size.units;
  item.thickness = wanted.thickness;
  const bool isRoll = size.of.form == StockForm::Roll;
  item.lies.count = isRoll ? 1 : size.sheets;
  if (isRoll) item.lies.along = (size.length + kRollStep - 1) / kRollStep * kRollStep;
  return item;
}

}  // namespace drapery
