#include "core/cutting/cover_master.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/cutting/wide.h"

namespace drapery {

namespace {
constexpr double kSlack = 1e-7;
constexpr double kNothing = 1e-9;

/// So much of one row is taken from another.
DRAPERY_WIDE void subtract(double* __restrict to, const double* __restrict from, double much,
                           std::size_t count) {
  for (std::size_t c = 0; c < count; ++c) to[c] -= much * from[c];
}
}  // namespace

CoverMaster::CoverMaster(const std::vector<Row>& rows)
    : names_(rows.size(), -1), inverse_(rows.size() * rows.size(), 0.0) {
  for (std::size_t r = 0; r < rows.size(); ++r) {
    // A little more, of each another: many that come to nothing at once would go round in a circle
    // (Charnes 1952, "Optimality and degeneracy in linear programming", Econometrica 20).
    constexpr double kLittle = 1e-7;
    right_.push_back(rows[r].right + kLittle * (1.0 + std::fmod(double(r) * 0.6180339887, 1.0)));
    isLimit_.push_back(rows[r].isLimit);
    levels_.push_back(right_.back() / rows[r].holds);
    costs_.push_back(rows[r].cost);
    inverse_[r * rows.size() + r] = 1.0 / rows[r].holds;
  }
  reckonPrices();
}

std::optional<std::size_t> CoverMaster::slack() const {
  std::optional<std::size_t> most;
  double least = kSlack;
  for (std::size_t r = 0; r < right_.size(); ++r)
    if (const double gain = slackGain(r); gain > least) {
      least = gain;
      most = r;
    }
  return most;
}

double CoverMaster::slackGain(std::size_t row) const {
  return isLimit_[row] ? prices_[row] : -prices_[row];
}

bool CoverMaster::enterSlack(std::size_t row) {
  return enter({{row, isLimit_[row] ? 1.0 : -1.0}}, 0.0, -1);
}

std::vector<std::pair<int, double>> CoverMaster::levels() const {
  std::vector<std::pair<int, double>> all;
  for (std::size_t r = 0; r < right_.size(); ++r)
    if (names_[r] >= 0 && levels_[r] > kSlack) all.emplace_back(names_[r], levels_[r]);
  return all;
}

/// The row whose level comes to nothing first makes room for the column.
bool CoverMaster::enter(const Column& column, double cost, int name) {
  const std::size_t rows = right_.size();
  std::vector<double> direction(rows, 0.0);
  for (std::size_t r = 0; r < rows; ++r)
    for (const auto& [c, much] : column) direction[r] += inverseRow(r)[c] * much;
  std::size_t out = rows;
  double least = std::numeric_limits<double>::infinity();
  for (std::size_t r = 0; r < rows; ++r)
    if (direction[r] > kNothing && levels_[r] / direction[r] < least) {
      least = levels_[r] / direction[r];
      out = r;
    }
  if (out == rows) return false;
  const double pivot = direction[out];
  double* const outRow = inverseRow(out);
  for (std::size_t c = 0; c < rows; ++c) outRow[c] /= pivot;
  levels_[out] /= pivot;
  for (std::size_t r = 0; r < rows; ++r) {
    if (r == out || direction[r] == 0.0) continue;
    subtract(inverseRow(r), outRow, direction[r], rows);
    levels_[r] = std::max(0.0, levels_[r] - direction[r] * levels_[out]);
  }
  costs_[out] = cost;
  names_[out] = name;
  constexpr int kAnew = 64;  // so often from the beginning, that errors do not gather
  if (++entered_ % kAnew == 0) {
    reckonPrices();
    return true;
  }
  double more = cost;
  for (const auto& [c, much] : column) more -= much * prices_[c];
  for (std::size_t c = 0; c < rows; ++c) prices_[c] += more * outRow[c];
  return true;
}

void CoverMaster::reckonPrices() {
  const std::size_t rows = right_.size();
  prices_.assign(rows, 0.0);
  for (std::size_t r = 0; r < rows; ++r)
    if (costs_[r] != 0.0)
      for (std::size_t c = 0; c < rows; ++c) prices_[c] += costs_[r] * inverseRow(r)[c];
}

}  // namespace drapery
