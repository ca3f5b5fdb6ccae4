#include "core/printing/shop.h"

#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

template <class Named>
void keepIn(std::vector<Named>& all, const Named& kept) {
  const auto same = std::find_if(all.begin(), all.end(),
                                 [&](const Named& each) { return each.name == kept.name; });
  if (same == all.end())
    all.push_back(kept);
  else
    *same = kept;
}

}  // namespace

PrinterError Shop::errorOf(std::string_view printer) const {
  for (const ShopPrinter& each : printers)
    if (each.name == printer) return each.error;
  return {};
}

void Shop::keep(const ShopPrinter& printer) { keepIn(printers, printer); }
void Shop::keep(const ShopGauge& gauge) { keepIn(gauges, gauge); }

std::vector<GaugeMatch> gaugesFor(Length wanted, Length resolution, const Shop& shop,
                                  std::size_t most) {
  std::vector<GaugeMatch> all;
  for (const ShopGauge& one : shop.gauges) all.push_back({&one, nullptr, one.wide});
  for (std::size_t i = 0; i < shop.gauges.size(); ++i)
    for (std::size_t j = i + 1; j < shop.gauges.size(); ++j)
      all.push_back({&shop.gauges[i], &shop.gauges[j],
                     Length::fromMm(shop.gauges[i].wide.mm() + shop.gauges[j].wide.mm())});
  const auto off = [&](const GaugeMatch& match) { return std::abs(match.offBy(wanted)); };
  constexpr double kAlike = 1e-6;
  const double near = resolution.mm() / 2 + kAlike;
  std::stable_sort(all.begin(), all.end(), [&](const GaugeMatch& a, const GaugeMatch& b) {
    const bool isNear = off(a) <= near, isOtherNear = off(b) <= near;
    if (isNear != isOtherNear) return isNear;
    if (isNear && (a.second == nullptr) != (b.second == nullptr)) return a.second == nullptr;
    return off(a) < off(b) - kAlike;
  });
  const auto far = std::find_if(all.begin(), all.end(),
                                [&](const GaugeMatch& match) { return off(match) > near; });
  if (far != all.begin()) {
    all.resize(std::min<std::size_t>(most, static_cast<std::size_t>(far - all.begin())));
    return all;
  }
  // None gives it: the nearest, and with it the nearest that is one alone.
  std::vector<GaugeMatch> nearest;
  for (const GaugeMatch& match : all) {
    if (nearest.empty() || (nearest.front().second != nullptr && match.second == nullptr))
      nearest.push_back(match);
    if (nearest.size() == 2 || nearest.front().second == nullptr) break;
  }
  return nearest;
}

}  // namespace drapery
