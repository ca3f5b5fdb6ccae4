#include "core/plan/artwork.h"

#include <algorithm>
#include <cmath>

namespace drapery {

std::vector<double> Artwork::folds() const {
  std::vector<double> at;
  for (std::size_t i = 1; i < panels.size(); ++i) at.push_back(panels[i].left);
  return at;
}

const Artwork::Panel* Artwork::panel(std::string_view id) const {
  const auto found = std::find_if(panels.begin(), panels.end(),
                                  [&](const Panel& each) { return each.rule->id == id; });
  return found == panels.end() ? nullptr : &*found;
}

double Artwork::closes() const {
  const std::vector<double> left = folds();
  double most = 0.0;
  for (std::size_t i = 0; i < left.size(); ++i)
    most = std::max(most, std::abs(left[i] - (width() - left[left.size() - 1 - i])));
  return most;
}

std::optional<Artwork> artworkOn(const ArtworkRule& rule, const Plan& plan) {
  const auto number = [&](const RuleFormula& formula) {
    return formula.empty() ? 0.0 : formula.formula.evaluate(plan.table());
  };
  if (!rule.when.formula.holds(plan.table())) return std::nullopt;
  Artwork art{&rule, number(rule.height), number(rule.bleed), number(rule.clear), {}};
  if (!(art.height > 0.0) || !(art.bleed >= 0.0) || !(art.clear >= 0.0)) return std::nullopt;
  std::vector<const ArtworkPanel*> order;
  for (const ArtworkPanel& panel : rule.panels)
    if (panel.when.formula.holds(plan.table())) order.push_back(&panel);
  if (!rule.reversed.empty() && rule.reversed.formula.holds(plan.table()))
    std::reverse(order.begin(), order.end());
  double left = 0.0;
  for (const ArtworkPanel* panel : order) {
    const double width = number(panel->width);
    if (!(width > 0.0) || !std::isfinite(width)) return std::nullopt;
    art.panels.push_back({panel, left, width});
    left += width;
  }
  return art.panels.empty() ? std::nullopt : std::optional(std::move(art));
}

std::string sizelessOf(const ArtworkRule& rule, const Plan& plan) {
  if (!rule.when.formula.holds(plan.table())) return {};
  if (!(rule.height.formula.evaluate(plan.table()) > 0.0)) return "height";
  for (const ArtworkPanel& panel : rule.panels)
    if (panel.when.formula.holds(plan.table()) &&
        !(panel.width.formula.evaluate(plan.table()) > 0.0))
      return panel.title.text;
  return {};
}

std::vector<Artwork> artworksOn(const Plan& plan) {
  std::vector<Artwork> all;
  for (const ArtworkRule& rule : plan.rules->artworks)
    if (auto art = artworkOn(rule, plan)) all.push_back(std::move(*art));
  return all;
}

}  // namespace drapery
