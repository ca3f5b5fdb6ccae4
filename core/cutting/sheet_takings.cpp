#include "core/cutting/sheet_takings.h"

#include <algorithm>
#include <unordered_map>

#include "core/cutting/box_fronts.h"

namespace drapery {

namespace {

/// One piece more at a time, so that what cannot lie alone is not tried with others either. A
/// taking's number is the sum of its pieces' numbers, as in CountIndex, but only those that fit are
/// kept.
class Growing {
 public:
  Growing(const MaterialJob& job, std::size_t stock, std::uint64_t& work,
          const std::function<bool()>& isOver)
      : job_(job),
        sizes_(job.sizes[stock]),
        usable_(usableOf(job.stock(stock))),
        room_(roomOf(job.stock(stock))),
        work_(work),
        isOver_(isOver) {}

  struct Taking {
    std::vector<std::size_t> kinds;  // rising
    std::vector<CutBox> front;
    bool isMost = true;  // nothing can be added
  };
  using Takings = std::unordered_map<std::uint64_t, Taking>;

  /// False where that takes too much.
  bool grow() {
    constexpr double kMostNumbers = 1e18;
    if (CountIndex::sizeOf(job_.counts) > kMostNumbers) return false;
    std::uint64_t number = 1;
    for (const int count : job_.counts) {
      ones_.push_back(number);
      number *= static_cast<std::uint64_t>(count) + 1;
    }
    std::vector<std::uint64_t> last;
    for (std::size_t kind = 0; kind < sizes_.size(); ++kind) {
      if (job_.counts[kind] == 0) continue;
      Taking alone{{kind}, {}, true};
      for (const LyingSize& size : sizes_[kind])
        addBox(alone.front, {.across = size.across, .along = size.along}, usable_);
      if (alone.front.empty()) continue;
      takings_.emplace(ones_[kind], std::move(alone));
      last.push_back(ones_[kind]);
    }
    while (!last.empty()) {
      std::vector<std::uint64_t> next;
      for (const std::uint64_t from : last)
        if (!growFrom(from, next)) return false;
      last = std::move(next);
    }
    return true;
  }
  [[nodiscard]] const Takings& takings() const { return takings_; }

 private:
  /// By each kind that does not come before those that are in it.
  bool growFrom(std::uint64_t from, std::vector<std::uint64_t>& grown) {
    constexpr std::size_t kMost = 200'000;
    const std::vector<std::size_t> kinds = takings_.at(from).kinds;
    double left = room_;
    for (const std::size_t kind : kinds) left -= areaOf(kind);
    for (std::size_t kind = kinds.back(); kind < sizes_.size(); ++kind) {
      if (sizes_[kind].empty() || areaOf(kind) > left) continue;
      if (std::count(kinds.begin(), kinds.end(), kind) >= job_.counts[kind]) continue;
      Taking taking{kinds, {}, true};
      taking.kinds.push_back(kind);
      if (!join(taking)) return false;
      if (taking.front.empty()) continue;
      const std::uint64_t number = from + ones_[kind];
      for (const std::size_t one : taking.kinds) takings_.at(number - ones_[one]).isMost = false;
      takings_.emplace(number, std::move(taking));
      grown.push_back(number);
      if (takings_.size() > kMost) return false;
    }
    return true;
  }

  /// The boxes of all its parts beside and above those of the rest; the last piece is in the rest.
  bool join(Taking& taking) {
    constexpr std::uint64_t kLook = 1 << 12;
    std::uint64_t whole = 0;
    for (const std::size_t kind : taking.kinds) whole += ones_[kind];
    // Without one piece it has to fit too.
    for (const std::size_t kind : taking.kinds)
      if (!takings_.contains(whole - ones_[kind])) return true;
    const std::size_t parts = std::size_t{1} << (taking.kinds.size() - 1);
    if (parts > work_) return false;
    work_ -= parts;
    std::uint64_t before = 0;
    for (std::size_t part = 1; part < parts; ++part) {
      if (++looked_ % kLook == 0 && isOver_()) return false;
      std::uint64_t low = 0;
      for (std::size_t i = 0; i + 1 < taking.kinds.size(); ++i)
        if ((part >> i & 1) != 0) low += ones_[taking.kinds[i]];
      if (low == before) continue;  // two of a kind
      before = low;
      const auto &lows = takings_.at(low).front, &highs = takings_.at(whole - low).front;
      if (lows.size() * highs.size() > work_) return false;
      work_ -= lows.size() * highs.size();
      for (const CutBox& a : lows)
        for (const CutBox& b : highs) {
          addBox(taking.front, {.across = a.across + b.across, .along = std::max(a.along, b.along)},
                 usable_);
          addBox(taking.front, {.across = std::max(a.across, b.across), .along = a.along + b.along},
                 usable_);
        }
    }
    return true;
  }

  [[nodiscard]] double areaOf(std::size_t kind) const {
    return double(sizes_[kind].front().across) * double(sizes_[kind].front().along);
  }

  const MaterialJob& job_;
  const std::vector<std::vector<LyingSize>>& sizes_;  // by kind
  UsableSize usable_;
  double room_;
  std::uint64_t& work_;
  const std::function<bool()>& isOver_;
  std::vector<std::uint64_t> ones_;  // numbers of one piece, by kind
  Takings takings_;
  std::uint64_t looked_ = 0;
};

}  // namespace

std::vector<std::optional<SheetTakings>> takingsOf(const MaterialJob& job,
                                                   const std::function<bool()>& isOver) {
  constexpr std::uint64_t kLooks = 20'000'000;
  constexpr double kFewOnOne = 12.0;  // of pieces as large as they are on an average
  double area = 0.0, pieces = 0.0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    area += job.counts[kind] * leastAreaOf(job, kind);
    pieces += job.counts[kind];
  }
  std::vector<std::optional<SheetTakings>> all(job.stocks.size());
  std::uint64_t looks = kLooks;
  for (std::size_t s = 0; s < job.stocks.size() && !isOver(); ++s) {
    const CutStock& stock = job.stock(s);
    if (stock.form == StockForm::Roll || stock.count == 0) continue;
    if (roomOf(stock) * pieces > kFewOnOne * area) continue;
    std::uint64_t share = looks / (job.stocks.size() - s);
    looks -= share;
    SheetTakings takings(job, s, share, isOver);
    looks += share;  // what it did not need
    if (takings.isWhole()) all[s] = std::move(takings);
  }
  return all;
}

SheetTakings::SheetTakings(const MaterialJob& job, std::size_t stock, std::uint64_t& work,
                           const std::function<bool()>& isOver) {
  Growing growing(job, stock, work, isOver);
  isWhole_ = growing.grow();
  if (!isWhole_) return;
  std::vector<const std::vector<std::size_t>*> most;
  for (const auto& [number, taking] : growing.takings())
    if (taking.isMost) most.push_back(&taking.kinds);
  std::sort(most.begin(), most.end(), [](const auto* a, const auto* b) { return *a < *b; });
  for (const auto* kinds : most) {
    kinds_.insert(kinds_.end(), kinds->begin(), kinds->end());
    ends_.push_back(kinds_.size());
  }
}

double SheetTakings::best(const std::vector<std::int32_t>& worth, Counts& counts) const {
  std::int64_t most = 0;
  std::size_t from = 0, to = 0;
  for (std::size_t i = 0, at = 0; i < ends_.size(); ++i) {
    const std::size_t begin = at;
    std::int64_t sum = 0;
    for (; at < ends_[i]; ++at) sum += worth[kinds_[at]];
    if (sum <= most) continue;
    most = sum;
    from = begin;
    to = ends_[i];
  }
  counts.assign(worth.size(), 0);
  for (std::size_t at = from; at < to; ++at) ++counts[kinds_[at]];
  return double(most);
}

}  // namespace drapery
