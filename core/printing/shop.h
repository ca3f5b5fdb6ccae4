// What the shop has that templates are about: printers, and how each is off; rules, blocks and
// dowels by their width.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/printing/paper.h"
#include "core/quantity/length.h"

namespace drapery {

struct ShopGauge {
  std::string name;  // "steel rule, wide"
  Length wide;
};

struct ShopPrinter {
  std::string name;
  PrinterError error;
};

struct Shop {
  static constexpr double kThinnest = 0.1, kWidest = 1000.0;  // of a gauge, mm

  std::vector<ShopGauge> gauges;
  std::vector<ShopPrinter> printers;

  /// None known: as if it were true.
  [[nodiscard]] PrinterError errorOf(std::string_view printer) const;
  /// Keeps it by that name, in place of what was there.
  void keep(const ShopPrinter& printer);
  void keep(const ShopGauge& gauge);
};

/// One of the shop's gauges, or two side by side, and how far they are from what is wanted.
struct GaugeMatch {
  const ShopGauge* first = nullptr;
  const ShopGauge* second = nullptr;  // null: the first alone
  Length wide;
  [[nodiscard]] double offBy(Length wanted) const { return wide.mm() - wanted.mm(); }
};

/// Those within half a mark of the rule in hand, the nearest first and single ones before pairs; at
/// most `most`. Where none is, the nearest single one and the nearest pair, if it is nearer.
std::vector<GaugeMatch> gaugesFor(Length wanted, Length resolution, const Shop& shop,
                                  std::size_t most = 3);

}  // namespace drapery
