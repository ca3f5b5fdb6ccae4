#include "core/cutting/row_exchange.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <optional>
#include <tuple>
#include <utility>

#include "core/cutting/chance.h"

namespace drapery {

RowExchange::RowExchange(const MaterialJob& job, std::mt19937_64& random,
                         std::function<bool()> isEnough)
    : job_(job),
      random_(random),
      row_(job, random, isEnough),
      filler_(job, random, isEnough),
      across_(usableOf(job.stock(0)).across) {
  constexpr double kLean = 0.01;  // toward large pieces: small ones find room on the worst slab
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    areas_.push_back(areaOfKind(job, kind));
  const double most = *std::max_element(areas_.begin(), areas_.end());
  for (const double area : areas_) worth_.push_back(area * std::pow(area / most, kLean));
}

void RowExchange::begin(const std::vector<Slab>& slabs) {
  constexpr double kShorter = 0.0003;
  const auto lostOn = [&](const Slab& slab) {
    return double(across_) * double(slab.along) - areaOf(poolOf(slab.holds));
  };
  rows_ = slabs;
  const auto worst =
      std::max_element(rows_.begin(), rows_.end(),
                       [&](const Slab& a, const Slab& b) { return lostOn(a) < lostOn(b); });
  rest_ = std::move(worst->holds);
  along_ = worst->along -
           std::max<Micrometres>(1, static_cast<Micrometres>(kShorter * double(alongOf(slabs))));
  rows_.erase(worst);
  loose_ = areaOf(poolOf(rest_));
  before_.fill(loose_);
  tried_ = 0;
}

double RowExchange::areaOf(const Pool& pool) const {
  double sum = 0.0;
  for (std::size_t i = 0; i < pool.kinds.size(); ++i) sum += areas_[pool.kinds[i]] * pool.counts[i];
  return sum;
}

bool RowExchange::step() {
  ++tried_;
  if (rows_.empty()) return false;
  Other other = withoutRows();
  for (std::size_t i = 1; i < other.gone.size(); ++i) {
    const std::vector<Found> found = rowsOf(other);
    if (found.empty()) return false;
    take(found.front(), other);
  }
  if (!takeLast(other)) return false;
  double& then = before_[static_cast<std::size_t>(tried_) % before_.size()];
  const bool isDone = other.loose <= 0.0;
  if (other.loose <= std::max(loose_, then)) accept(std::move(other));
  then = std::min(then, loose_);
  return isDone;
}

RowExchange::Other RowExchange::withoutRows() {
  Other other;
  for (std::size_t i = 1 + below(2); i > 0; --i) other.gone.push_back(below(rows_.size()));
  std::sort(other.gone.rbegin(), other.gone.rend());
  other.gone.erase(std::unique(other.gone.begin(), other.gone.end()), other.gone.end());
  std::vector<std::size_t> pieces = rest_;
  other.along = along_;
  for (const std::size_t row : other.gone) {
    pieces.insert(pieces.end(), rows_[row].holds.begin(), rows_[row].holds.end());
    other.along += rows_[row].along;
  }
  other.rest = poolOf(std::move(pieces));
  return other;
}

std::vector<RowExchange::Found> RowExchange::rowsOf(const Other& other) {
  constexpr double kMoreOrLess = 4'000.0;  // um along the roll
  std::vector<double> worth;
  worth.reserve(other.rest.kinds.size());
  for (const std::size_t kind : other.rest.kinds) worth.push_back(worth_[kind]);
  std::vector<Found> found =
      row_.some(0, emptySlab(across_, other.along).parts[0], shortestFor(job_, 0, other.rest.kinds),
                other.rest.kinds, worth, other.rest.counts);
  for (Found& each : found) each.lost += kMoreOrLess * double(across_) * drawnPart(random_);
  std::sort(found.begin(), found.end(),
            [](const Found& a, const Found& b) { return a.lost < b.lost; });
  return found;
}

void RowExchange::take(const Found& found, Other& other) const {
  other.rest.counts = found.left;
  dropGone(other.rest);
  other.along -= found.row.parts.front().along;
  addSlabs(found.row.parts, 0, other.rows);
}

bool RowExchange::takeLast(Other& other) {
  constexpr std::size_t kTries = 6;
  std::optional<Other> best;
  const double bar = std::max(loose_, before_[static_cast<std::size_t>(tried_) % before_.size()]);
  std::vector<Found> found = rowsOf(other);
  if (found.size() > kTries) found.resize(kTries);
  for (const Found& row : found) {
    Other with = other;
    take(row, with);
    if (with.along <= 0) continue;
    fill(with, std::min(bar, best ? best->loose : bar));
    if (best && with.loose >= best->loose) continue;
    best = std::move(with);
    if (best->loose <= 0.0) break;
  }
  if (best) other = std::move(*best);
  return best.has_value();
}

void RowExchange::fill(Other& other, double mostLoose) {
  constexpr int kFills = 80, kAgain = 150;
  std::vector<double> worth;
  worth.reserve(other.rest.kinds.size());
  for (const std::size_t kind : other.rest.kinds) worth.push_back(areas_[kind]);
  filler_.begin(0, other.rest.kinds, worth);
  Pool left = other.rest;
  other.loose = areaOf(left);
  const double least = std::max(0.0, other.loose - mostLoose);
  auto [filling, got] =
      filler_.best(emptySlab(across_, other.along).parts[0], kFills, left.counts, least);
  if (got <= 0.0) return;
  filler_.better(filling, kAgain, left.counts);
  other.filling = std::move(filling);
  other.loose = areaOf(left);
}

void RowExchange::accept(Other other) {
  for (const std::size_t row : other.gone)
    rows_.erase(rows_.begin() + static_cast<std::ptrdiff_t>(row));
  std::move(other.rows.begin(), other.rows.end(), std::back_inserter(rows_));
  rest_ = piecesOf(other.rest);
  along_ = other.along;
  loose_ = other.loose;
  if (loose_ > 0.0) return;
  slabs_ = rows_;
  if (!rest_.empty()) addSlabs(other.filling.parts, 0, slabs_);
}

}  // namespace drapery
