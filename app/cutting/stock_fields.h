// What of a stock is typed in the list of what lies there: how each thing is told and read.
#pragma once

#include <QString>
#include <optional>
#include <utility>
#include <vector>

#include "core/cutting/stock.h"

namespace drapery {

/// Why a text is not taken; none where it is.
using WhyNot = std::optional<QString>;

struct StockField {
  const char* id;     // of the entry's name: "count"
  QString title;      // over its column
  double wideEm = 4;  // at least
  QString nothing;    // what stands there while it says nothing
  QString (*told)(const StockItem& item);
  WhyNot (*read)(const QString& text, StockItem& item);
};

/// In the order of their columns.
const std::vector<StockField>& stockFields();

/// What keeps an item from being one that can be cut from.
WhyNot whyNotCut(const StockItem& item);

/// "700 x 1000", "20 x 30 in"; none where it is no size.
std::optional<std::pair<Micrometres, Micrometres>> sizeIn(const QString& text, Units units);
/// Above 0 to a kilometre.
std::optional<Micrometres> lengthIn(const QString& text, Units units);

}  // namespace drapery
