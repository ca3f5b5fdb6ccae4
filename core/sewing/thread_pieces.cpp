#include "core/sewing/thread_pieces.h"

namespace drapery {

namespace {

constexpr double kDust = 1e-9;  // mm

class Cutting {
 public:
  Cutting(const std::vector<double>& lengths, std::size_t first, std::size_t last,
          const ThreadTails& tails)
      : lengths_(lengths), first_(first), last_(last), tails_(tails) {}

  [[nodiscard]] double length(std::size_t from, std::size_t to) const {
    double way = 0.0;
    for (std::size_t i = from; i <= to; ++i) way += lengths_[i - 1];
    return ends(from, to) + (1 + tails_.ease) * way;
  }
  [[nodiscard]] double ends(std::size_t from, std::size_t to) const {
    return (from == first_ ? tails_.start : tails_.join) +
           (to == last_ ? tails_.knot + tails_.end : tails_.join);
  }

 private:
  const std::vector<double>& lengths_;
  std::size_t first_, last_;
  const ThreadTails& tails_;
};

}  // namespace

std::vector<ThreadPiece> threadPieces(const std::vector<double>& lengths,
                                      const std::vector<bool>& joins, std::size_t first,
                                      std::size_t last, const ThreadTails& tails) {
  const Cutting cutting(lengths, first, last, tails);
  std::vector<ThreadPiece> pieces;
  for (std::size_t from = first; from <= last;) {
    std::size_t to = last;
    if (cutting.length(from, last) > tails.longest + kDust) {
      std::size_t firstPlace = 0, lastFit = 0;
      double way = 0.0;
      for (std::size_t i = from; i < last; ++i) {
        way += lengths[i - 1];
        if (!joins[i - 1]) continue;
        if (firstPlace == 0) firstPlace = i;
        if (cutting.ends(from, i) + (1 + tails.ease) * way > tails.longest + kDust) break;
        lastFit = i;
      }
      if (lastFit > 0)
        to = lastFit;
      else if (firstPlace > 0)
        to = firstPlace;
    }
    pieces.push_back({from, to, cutting.length(from, to)});
    from = to + 1;
  }
  return pieces;
}

}  // namespace drapery
