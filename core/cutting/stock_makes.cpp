#include "core/cutting/stock_makes.h"

#include <algorithm>
#include <cstdlib>
#include <map>
#include <set>

#include "core/cutting/told_length.h"
#include "core/quantity/format_length.h"

namespace drapery {

namespace {

constexpr Micrometres kAlike = 100;  // um
constexpr double kAlikePart = 0.1;

/// The stocks that a piece is to be cut from.
std::vector<std::size_t> stocksFor(const WantedMake& piece, const std::vector<StockMake>& stocks) {
  std::vector<std::size_t> all;
  for (std::size_t s = 0; s < stocks.size(); ++s)
    if (stocks[s].material == piece.material) all.push_back(s);
  for (const auto isOther : {isOtherThickness, isOtherWeight}) {
    std::vector<std::size_t> right;
    for (const std::size_t s : all)
      if (!isOther(piece, stocks[s])) right.push_back(s);
    if (!right.empty()) all = std::move(right);
  }
  return all;
}

std::string nameOf(const StockMake& make) {
  std::string name = make.material;
  Notation notation;
  notation.units = make.units;
  notation.resolution = Length::fromMm(0.01);
  if (make.thickness > 0) name += ", " + formatLength(toldLength(make.thickness), notation);
  if (make.grammage > 0) name += ", " + formatNumber(make.grammage, 1) + " g/m²";
  return name;
}

/// Told by their make where all have the same.
std::string titleOf(const std::vector<std::size_t>& members, const std::vector<StockMake>& stocks) {
  const StockMake& first = stocks[members.front()];
  const bool isOfOneMake = std::all_of(members.begin(), members.end(), [&](std::size_t s) {
    return stocks[s].thickness == first.thickness && stocks[s].grammage == first.grammage;
  });
  return isOfOneMake ? nameOf(first) : first.material + ", others";
}

/// How far its layers are from being as thick.
double offOf(const WantedMake& wanted, const StockMake& stock) {
  return double(std::abs(wanted.thickness - wanted.layers * stock.thickness));
}

/// Least is best: as thick as it is to be, where that is said of both or of neither; then what
/// there is most of.
std::pair<double, double> strangeness(const WantedMake& piece, const StockMake& stock) {
  constexpr double kUnsaid = 1e9;
  const bool isSaid = piece.thickness > 0 && stock.thickness > 0;
  const bool isOneSided = (piece.thickness > 0) != (stock.thickness > 0);
  const double off = isSaid ? offOf(piece, stock) : 0.0;
  return {isOneSided ? kUnsaid : off, -stock.room};
}

}  // namespace

bool isOtherThickness(const WantedMake& wanted, const StockMake& stock) {
  if (wanted.thickness <= 0 || stock.thickness <= 0) return false;
  return offOf(wanted, stock) > std::max(double(kAlike), kAlikePart * double(wanted.thickness));
}

bool isOtherWeight(const WantedMake& wanted, const StockMake& stock) {
  return wanted.grammage && stock.grammage > 0 && !wanted.grammage->holds(stock.grammage);
}

int layersFor(const WantedMake& wanted, const std::vector<StockMake>& there, int most) {
  for (int layers = 1; layers <= most; ++layers) {
    WantedMake of = wanted;
    of.layers = layers;
    for (const StockMake& stock : there)
      if (!isOtherThickness(of, stock)) return layers;
  }
  return 1;
}

SortedMakes sortedMakes(const std::vector<WantedMake>& pieces,
                        const std::vector<StockMake>& stocks) {
  SortedMakes sorted;
  for (const WantedMake& piece : pieces) sorted.pieces.push_back(piece.material);
  for (const StockMake& stock : stocks) sorted.stocks.push_back(stock.material);
  // Stocks that serve the same pieces belong together.
  std::vector<std::vector<std::size_t>> serves(stocks.size()), from;
  for (std::size_t p = 0; p < pieces.size(); ++p) {
    from.push_back(stocksFor(pieces[p], stocks));
    for (const std::size_t s : from.back()) serves[s].push_back(p);
  }
  std::map<std::string, std::map<std::vector<std::size_t>, std::vector<std::size_t>>> groups;
  for (std::size_t s = 0; s < stocks.size(); ++s)
    groups[stocks[s].material][serves[s]].push_back(s);
  for (const auto& [material, of] : groups) {
    if (of.size() < 2) continue;
    const bool isOneInUse = of.size() == 2 && of.begin()->first.empty();
    std::set<std::string> taken;
    for (const auto& [served, members] : of) {
      if (isOneInUse && !served.empty()) continue;  // it keeps the name
      const std::string title = titleOf(members, stocks);
      std::string name = title;
      for (int number = 2; !taken.insert(name).second; ++number)
        name = title + " (" + std::to_string(number) + ")";
      for (const std::size_t s : members) sorted.stocks[s] = name;
    }
  }
  for (std::size_t p = 0; p < pieces.size(); ++p) {
    if (from[p].empty()) continue;
    const auto nearest =
        std::min_element(from[p].begin(), from[p].end(), [&](std::size_t a, std::size_t b) {
          return strangeness(pieces[p], stocks[a]) < strangeness(pieces[p], stocks[b]);
        });
    sorted.pieces[p] = sorted.stocks[*nearest];
  }
  return sorted;
}

}  // namespace drapery
