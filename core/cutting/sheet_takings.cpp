#include "core/cutting/sheet_takings.h"

#include <algorithm>
#include <iterator>
#include <span>
#include <unordered_map>

#include "core/cutting/box_fronts.h"

namespace drapery {

namespace {

/// One piece more at a time, so that what cannot lie alone is not tried with others either. A
/// taking's number is the sum of its pieces' numbers, as in CountIndex, but only those that fit are
/// kept, one after the other: there may be hundreds of thousands.
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

  /// False where that takes too much.
  bool grow() {
    constexpr double kMostNumbers = 1e18;
    if (CountIndex::sizeOf(job_.counts) > kMostNumbers) return false;
    std::uint64_t number = 1;
    for (const int count : job_.counts) {
      ones_.push_back(number);
      number *= static_cast<std::uint64_t>(count) + 1;
    }
    for (std::uint32_t kind = 0; kind < sizes_.size(); ++kind) {
      if (job_.counts[kind] == 0) continue;
      front_.clear();
      for (const LyingSize& size : sizes_[kind])
        addBox(front_, {.across = size.across, .along = size.along}, usable_);
      if (!front_.empty()) keep(ones_[kind], std::vector{kind});
    }
    for (std::size_t from = 0; from < takings_.size(); ++from)
      if (!growFrom(from)) return false;
    return true;
  }
  [[nodiscard]] std::size_t size() const { return takings_.size(); }
  /// Whether nothing can be added to one of them.
  [[nodiscard]] bool isMost(std::size_t at) const { return takings_[at].isMost; }
  /// Its pieces, rising.
  [[nodiscard]] std::span<const std::uint32_t> kindsOf(std::size_t at) const {
    const Taking& taking = takings_[at];
    return {kinds_.data() + taking.kinds, taking.pieces};
  }

 private:
  struct Taking {
    std::uint64_t number = 0;
    std::size_t kinds = 0, pieces = 0;  // where they begin, and how many
    std::size_t front = 0, boxes = 0;
    bool isMost = true;
  };
  struct Extent {
    Micrometres across = 0, along = 0;
  };

  /// With the boxes of `front_`.
  void keep(std::uint64_t number, const std::vector<std::uint32_t>& kinds) {
    at_.emplace(number, static_cast<std::uint32_t>(takings_.size()));
    takings_.push_back({number, kinds_.size(), kinds.size(), fronts_.size(), front_.size(), true});
    kinds_.insert(kinds_.end(), kinds.begin(), kinds.end());
    for (const CutBox& box : front_) fronts_.push_back({box.across, box.along});
  }

  /// By each kind that does not come before those that are in it.
  bool growFrom(std::size_t from) {
    constexpr std::size_t kMost = 200'000;
    const auto there = kindsOf(from);
    std::vector<std::uint32_t> kinds(there.begin(), there.end());
    const std::uint64_t number = takings_[from].number;
    double left = room_;
    for (const std::uint32_t kind : kinds) left -= areaOf(kind);
    const std::uint32_t last = kinds.back();
    kinds.push_back(last);
    for (std::uint32_t kind = last; kind < sizes_.size(); ++kind) {
      if (sizes_[kind].empty() || areaOf(kind) > left) continue;
      if (std::count(kinds.begin(), std::prev(kinds.end()), kind) >= job_.counts[kind]) continue;
      kinds.back() = kind;
      const std::uint64_t whole = number + ones_[kind];
      if (!join(kinds, whole)) return false;
      if (front_.empty()) continue;
      for (const std::uint32_t one : kinds) takings_[at_.at(whole - ones_[one])].isMost = false;
      keep(whole, kinds);
      if (takings_.size() > kMost) return false;
    }
    return true;
  }

  /// To `front_`: the boxes of all its parts beside and above those of the rest; the last piece is
  /// in the rest.
  bool join(const std::vector<std::uint32_t>& kinds, std::uint64_t whole) {
    front_.clear();
    // Without one piece it has to fit too.
    for (const std::uint32_t kind : kinds)
      if (!at_.contains(whole - ones_[kind])) return true;
    const std::size_t parts = std::size_t{1} << (kinds.size() - 1);
    if (parts > work_) return false;
    work_ -= parts;
    std::uint64_t before = 0;
    for (std::size_t part = 1; part < parts; ++part) {
      std::uint64_t low = 0;
      for (std::size_t i = 0; i + 1 < kinds.size(); ++i)
        if ((part >> i & 1) != 0) low += ones_[kinds[i]];
      if (low == before) continue;  // two of a kind
      before = low;
      if (!joinEach(frontOf(low), frontOf(whole - low))) return false;
    }
    return true;
  }

  bool joinEach(std::span<const Extent> lows, std::span<const Extent> highs) {
    constexpr std::uint64_t kLook = 1 << 14;  // joins between two questions: a millisecond or so
    const std::uint64_t joins = lows.size() * highs.size();
    if (joins > work_) return false;
    work_ -= joins;
    looked_ += joins;
    if (looked_ >= kLook) {
      looked_ = 0;
      if (isOver_()) return false;
    }
    for (const Extent& a : lows)
      for (const Extent& b : highs) {
        addBox(front_, {.across = a.across + b.across, .along = std::max(a.along, b.along)},
               usable_);
        addBox(front_, {.across = std::max(a.across, b.across), .along = a.along + b.along},
               usable_);
      }
    return true;
  }

  [[nodiscard]] std::span<const Extent> frontOf(std::uint64_t number) const {
    const Taking& taking = takings_[at_.at(number)];
    return {fronts_.data() + taking.front, taking.boxes};
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
  std::vector<Taking> takings_;      // by how many pieces they have
  std::vector<std::uint32_t> kinds_;
  std::vector<Extent> fronts_;
  std::unordered_map<std::uint64_t, std::uint32_t> at_;  // by number, where it is in `takings_`
  std::vector<CutBox> front_;                            // of the one that is looked at
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
  std::vector<std::span<const std::uint32_t>> most;
  for (std::size_t i = 0; i < growing.size(); ++i)
    if (growing.isMost(i)) most.push_back(growing.kindsOf(i));
  std::sort(most.begin(), most.end(), [](const auto& a, const auto& b) {
    return std::lexicographical_compare(a.begin(), a.end(), b.begin(), b.end());
  });
  for (const auto& kinds : most) {
    kinds_.insert(kinds_.end(), kinds.begin(), kinds.end());
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
