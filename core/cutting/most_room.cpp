#include "core/cutting/most_room.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

class MostRoom {
 public:
  /// @param worths in place of areas; none: those.
  explicit MostRoom(const MaterialJob& job, const StockWorths* worths = nullptr) {
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      const CutStock& stock = job.stock(s);
      const UsableSize usable = usableOf(stock);
      if (stock.count == 0) continue;
      Lot lot;
      lot.isRoll = stock.form == StockForm::Roll;
      lot.count = stock.count ? double(*stock.count) : std::numeric_limits<double>::infinity();
      lot.room = double(usable.across) * (lot.isRoll ? 1.0 : double(usable.along));
      if (worths != nullptr && lot.isRoll)
        lot.worthOf = worths->roll;
      else if (worths != nullptr)
        lot.room = worths->whole[s];
      lot.cost = lot.isRoll ? stock.cost / 1e6 : stock.cost;
      if (lot.isRoll) {
        lot.most = double(usable.along);
        lot.unpaid = double(std::max<Micrometres>(0, stock.kerf - stock.bottom));
      }
      lots_.push_back(lot);
    }
    // Rolls last: what is paid of them follows from the sheets.
    std::stable_sort(lots_.begin(), lots_.end(), [](const Lot& a, const Lot& b) {
      return std::pair(a.isRoll, -a.density()) < std::pair(b.isRoll, -b.density());
    });
    byDensity_.resize(lots_.size());
    std::iota(byDensity_.begin(), byDensity_.end(), 0);
    std::stable_sort(byDensity_.begin(), byDensity_.end(), [&](std::size_t a, std::size_t b) {
      return lots_[a].density() > lots_[b].density();
    });
  }

  double find(double below) {
    const double left = below - kSame;
    search(0, left, 0.0);
    return tries_ > 0 ? most_ : inPart(0, left);
  }

 private:
  struct Lot {
    double room = 0.0, cost = 0.0, count = 0.0;  // of a sheet, or of a micrometre of a roll
    bool isRoll = false;
    double most = 1.0, unpaid = 0.0;                  // micrometres of each roll
    std::function<double(Micrometres)> worthOf = {};  // of so much of it; none: of each as much
    [[nodiscard]] double density() const {
      return cost > 0 ? room / cost : std::numeric_limits<double>::infinity();
    }
    [[nodiscard]] double roomOf(double much) const {
      constexpr double kRounded = 1e-3;  // um
      return worthOf ? worthOf(static_cast<Micrometres>(much + kRounded)) : much * room;
    }
    /// Of all there are of it, in sheets or micrometres.
    [[nodiscard]] double payable(double left) const {
      const double all = count * most;
      return cost > 0 ? std::min(all, std::max(0.0, left) / cost + free()) : all;
    }
    [[nodiscard]] double free() const { return unpaid > 0 ? count * unpaid : 0.0; }
  };

  /// As if all could be paid for in part, the best for its cost first.
  [[nodiscard]] double inPart(std::size_t from, double left) const {
    double room = 0.0;
    const double all = left;
    for (const std::size_t i : byDensity_) {
      if (i < from) continue;
      const Lot& lot = lots_[i];
      // Of what is worth more or less from one length to the next, as if it were paid first.
      const double much = lot.payable(lot.worthOf ? all : left);
      if (much <= 0) continue;
      room += lot.roomOf(much);
      if (lot.worthOf) continue;
      left -= std::max(0.0, much - lot.free()) * lot.cost;
    }
    return room;
  }

  void search(std::size_t from, double left, double room) {
    if (--tries_ <= 0) return;
    if (from == lots_.size() || lots_[from].isRoll) {
      most_ = std::max(most_, room + inPart(from, left));
      return;
    }
    if (room + inPart(from, left) <= most_) return;
    const Lot& lot = lots_[from];
    const double most = std::floor(lot.payable(left));
    if (!std::isfinite(most)) {
      most_ = most;
      return;
    }
    for (double n = most; n >= 0 && tries_ > 0; --n)
      search(from + 1, left - n * lot.cost, room + n * lot.room);
  }

  std::vector<Lot> lots_;
  std::vector<std::size_t> byDensity_;
  double most_ = 0.0;
  int tries_ = 20'000;
};

}  // namespace

double mostRoom(const MaterialJob& job, double below) { return MostRoom(job).find(below); }

double rollsOf(const MaterialJob& job) {
  double rolls = 0.0;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    const CutStock& stock = job.stock(s);
    if (stock.form != StockForm::Roll) continue;
    if (!stock.count) return std::numeric_limits<double>::infinity();
    rolls += *stock.count;
  }
  return rolls;
}

double mostWorth(const MaterialJob& job, double below, const StockWorths& worths) {
  return MostRoom(job, &worths).find(below);
}

}  // namespace drapery
