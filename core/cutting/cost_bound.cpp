#include "core/cutting/cost_bound.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

/// A function with f(x1) + ... + f(xn) <= 1 for all x1 + ... + xn <= 1, of a length in a room; in
/// whole numbers until the last, so that no piece is rounded over a limit.
struct DualFeasible {
  enum class Kind { Plain, Steps, Ends } kind = Kind::Plain;
  Micrometres parameter = 0;

  [[nodiscard]] double of(Micrometres length, Micrometres room) const {
    const double plain = double(length) / double(room);
    switch (kind) {
      case Kind::Steps: {  // rounded down to k-ths, of all that are not whole (k+1)-ths
        const Micrometres steps = (parameter + 1) * length;
        const Micrometres whole = steps / room;
        return whole * room == steps ? plain : double(whole) / double(parameter);
      }
      case Kind::Ends:  // what is nearly as long as the room counts for all of it
        if (length > room - parameter) return 1.0;
        return length < parameter ? 0.0 : plain;
      case Kind::Plain:
        break;
    }
    return plain;
  }
};

/// For lengths in one room: the steps, and ends at the lengths; at fewer where there are very many
/// pieces, since each is tried with each.
std::vector<DualFeasible> functionsFor(const std::vector<Micrometres>& lengths, Micrometres room) {
  std::vector<DualFeasible> all{{}};
  for (Micrometres k = 1; k <= 6; ++k) all.push_back({DualFeasible::Kind::Steps, k});
  std::vector<Micrometres> ends;
  for (const Micrometres length : lengths) {
    for (const Micrometres end : {length, room - length + 1, room - length})
      if (end > 0 && 2 * end <= room) ends.push_back(end);
  }
  std::sort(ends.begin(), ends.end());
  ends.erase(std::unique(ends.begin(), ends.end()), ends.end());
  const std::size_t most = lengths.size() > 1000 ? 6 : 60;
  const std::size_t stride = ends.size() / most + 1;
  for (std::size_t i = 0; i < ends.size(); i += stride)
    all.push_back({DualFeasible::Kind::Ends, ends[i]});
  return all;
}

/// What each piece takes at least of a stock, in cost; by kind, none where it does not fit.
class StockBounds {
 public:
  StockBounds(const MaterialJob& job, std::size_t stock) : job_(job), stock_(stock) {
    usable_ = usableOf(job.stock(stock));
    std::vector<Micrometres> acrosses, alongs;
    for (const auto& sizes : job.sizes[stock])
      for (const LyingSize& size : sizes) {
        acrosses.push_back(size.across);
        alongs.push_back(size.along);
      }
    across_ = functionsFor(acrosses, usable_.across);
    isRoll_ = job.stock(stock).form == StockForm::Roll;
    // On one roll all but the last kerf count; of several it is not known how many are the last.
    lostKerf_ = isOneRoll(job) ? 0 : job.stock(stock).kerf;
    along_ = isRoll_ ? std::vector<DualFeasible>{{}} : functionsFor(alongs, usable_.along);
  }

  [[nodiscard]] std::size_t pairs() const { return across_.size() * along_.size(); }
  [[nodiscard]] double share(std::size_t pair, std::size_t kind) const {
    const DualFeasible& f = across_[pair / along_.size()];
    const DualFeasible& g = along_[pair % along_.size()];
    double least = std::numeric_limits<double>::infinity();
    for (const LyingSize& size : job_.sizes[stock_][kind])
      least = std::min(
          least, f.of(size.across, usable_.across) * (isRoll_ ? double(size.along - lostKerf_) / 1e6
                                                              : g.of(size.along, usable_.along)));
    return least * job_.stock(stock_).cost;
  }

 private:
  const MaterialJob& job_;
  std::size_t stock_;
  UsableSize usable_;
  bool isRoll_ = false;
  Micrometres lostKerf_ = 0;
  std::vector<DualFeasible> across_, along_;
};

/// What all of it costs at least when pieces are worth what one stock has to be paid for them: on
/// every other stock of which there are only so many, that many sheets, or so much of a roll, may
/// hold more than they cost; where there is no end of one, all is worth so much less that they do
/// not. What they hold at most is reckoned by areas.
double boundByWorthOn(const MaterialJob& job, std::size_t reference, std::vector<double> worth) {
  double densest = 0.0;
  for (std::size_t kind = 0; kind < worth.size(); ++kind) {
    if (!std::isfinite(worth[kind])) worth[kind] = 0.0;  // it does not fit there
    const CutPiece& piece = job.kind(kind);
    densest = std::max(densest, worth[kind] / (double(piece.width) * double(piece.height)));
  }
  double part = 1.0;
  const auto heldAtMost = [&](std::size_t s) {  // of a sheet, or of a metre of a roll
    const UsableSize usable = usableOf(job.stock(s));
    const bool isRoll = job.stock(s).form == StockForm::Roll;
    return densest * double(usable.across) * (isRoll ? 1e6 : double(usable.along));
  };
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    if (s != reference && !job.stock(s).count && heldAtMost(s) > 0)
      part = std::min(part, job.stock(s).cost / heldAtMost(s));
  double least = 0.0;
  for (std::size_t kind = 0; kind < worth.size(); ++kind)
    least += part * worth[kind] * job.counts[kind];
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    const CutStock& stock = job.stock(s);
    if (s == reference || !stock.count) continue;
    const double length = stock.form == StockForm::Roll ? double(usableOf(stock).along) / 1e6 : 1.0;
    least -= *stock.count * length * std::max(0.0, part * heldAtMost(s) - stock.cost);
  }
  return least * (1 - 1e-12);
}

}  // namespace

/// For one stock the best pair of functions; with several each piece takes what it takes at least,
/// the pair being each stock's best for all pieces.
double costBound(const MaterialJob& job, const std::function<bool()>& isOver) {
  std::vector<std::vector<double>> shares;  // by stock and kind
  double byWorth = 0.0;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    const StockBounds bounds(job, s);
    double best = -1.0;
    std::vector<double> of;
    for (std::size_t pair = 0; pair < bounds.pairs() && (pair == 0 || !isOver()); ++pair) {
      double sum = 0.0;
      std::vector<double> each;
      for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
        each.push_back(bounds.share(pair, kind));
        if (std::isfinite(each.back())) sum += each.back() * job.counts[kind];
      }
      if (job.stocks.size() > 1 && (pair == 0 || sum > best))
        byWorth = std::max(byWorth, boundByWorthOn(job, s, each));
      if (sum > best) {
        best = sum;
        of = std::move(each);
      }
    }
    shares.push_back(std::move(of));
  }
  double sum = 0.0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    double least = std::numeric_limits<double>::infinity();
    for (const auto& of : shares) least = std::min(least, of[kind]);
    sum += least * job.counts[kind];
  }
  if (job.kinds.empty()) return 0.0;
  if (isOneRoll(job))  // what is trimmed at its beginning; the last kerf may run out
    return sum + job.stock(0).cost * double(job.stock(0).bottom - job.stock(0).kerf) / 1e6;
  const bool areAlike = std::all_of(job.stocks.begin(), job.stocks.end(), [&](std::size_t s) {
    const CutStock& stock = job.problem->stocks[s];
    return stock.form == StockForm::Sheet && stock.cost == job.stock(0).cost;
  });
  if (!areAlike || job.stock(0).cost <= 0) return std::max(sum, byWorth);
  return std::ceil(sum / job.stock(0).cost - 1e-9) * job.stock(0).cost;  // whole sheets
}

}  // namespace drapery
