#include "core/cutting/joined_boxes.h"

#include <algorithm>
#include <cmath>

#include "core/cutting/chance.h"

namespace drapery {

namespace {

constexpr std::size_t kMostPieces = 7;        // in a box
constexpr std::size_t kMostAlike = 500;       // boxes of as many pieces
constexpr std::size_t kMostMade = 2'000;      // before they are looked through
constexpr std::size_t kMostSeen = 1U << 15U;  // a power of two

}  // namespace

JoinedBoxes::JoinedBoxes(const MaterialJob& job, std::mt19937_64& random)
    : job_(job), random_(random) {}

bool JoinedBoxes::join(const JoinedChoice& choice, const std::function<bool()>& isEnough) {
  choose(choice);
  across_ = choice.across;
  along_ = choice.along;
  boxes_.clear();
  seen_.assign(2 * kMostSeen, 0);
  seenCount_ = 0;
  std::vector<Level> byAlong(1), byAcross(1);
  for (std::size_t pieces = 1; pieces <= kMostPieces; ++pieces) {
    if (isEnough()) return false;
    made_.clear();
    if (pieces == 1) addPieces(choice);
    for (std::size_t few = 1; 2 * few <= pieces; ++few)
      for (const bool isBeside : {true, false}) {
        Level many = byAlong[pieces - few];
        std::shuffle(many.begin(), many.end(), random_);
        joinEach((isBeside ? byAlong : byAcross)[few], many, isBeside, 2 * few == pieces);
      }
    keepSome();
    Level level(made_.size());
    for (std::size_t i = 0; i < made_.size(); ++i)
      level[i] = static_cast<std::uint32_t>(boxes_.size() + i);
    boxes_.insert(boxes_.end(), made_.begin(), made_.end());
    const auto sorted = [&](Micrometres JoinedBox::*length) {
      std::sort(level.begin(), level.end(), [&](std::uint32_t a, std::uint32_t b) {
        return boxes_[a].*length < boxes_[b].*length;
      });
      return level;
    };
    byAlong.push_back(sorted(&JoinedBox::along));
    byAcross.push_back(sorted(&JoinedBox::across));
  }
  return true;
}

void JoinedBoxes::choose(const JoinedChoice& choice) {
  constexpr double kMayLose = 0.015, kOfPieces = 100.0, kMostLost = 0.04;
  looked_.clear();
  for (std::size_t i = 0; i < choice.kinds.size(); ++i)
    if (choice.pool[i] > 0 && !job_.sizes[choice.stock][choice.kinds[i]].empty())
      looked_.push_back(i);
  if (looked_.size() > PackedCounts::kKinds) {
    std::shuffle(looked_.begin(), looked_.end(), random_);
    looked_.resize(PackedCounts::kKinds);
  }
  kinds_.clear();
  PackedCounts there;
  double pieces = 1.0;
  for (std::size_t i = 0; i < looked_.size(); ++i) {
    kinds_.push_back(choice.kinds[looked_[i]]);
    there.set(i, choice.pool[looked_[i]]);
    pieces += there.of(i);
  }
  lacking_ = there.lacking();
  mayLose_ = std::min(kMostLost, kMayLose * std::sqrt(kOfPieces / pieces));
}

void JoinedBoxes::addPieces(const JoinedChoice& choice) {
  for (std::size_t i = 0; i < looked_.size(); ++i)
    for (const LyingSize& size : job_.sizes[choice.stock][kinds_[i]]) {
      if (size.across > across_ || size.along > along_) continue;
      JoinedBox box;
      box.taken.set(i, 1);
      box.across = size.across;
      box.along = size.along;
      box.area = double(size.across) * double(size.along);
      box.worth = choice.worth[looked_[i]];
      box.low = static_cast<std::uint32_t>(i);
      box.isPiece = true;
      box.isTurned = size.isTurned;
      if (isNew(box)) made_.push_back(box);
    }
}

void JoinedBoxes::joinEach(const Level& few, const Level& many, bool isBeside, bool isSame) {
  const auto length = isBeside ? &JoinedBox::along : &JoinedBox::across;
  for (const std::uint32_t low : many) {
    const Micrometres alike = boxes_[low].*length;
    const auto more = static_cast<Micrometres>(2.0 * mayLose_ * double(alike));
    auto high = std::lower_bound(
        few.begin(), few.end(), alike - more,
        [&](std::uint32_t box, Micrometres least) { return boxes_[box].*length < least; });
    for (; high != few.end() && boxes_[*high].*length <= alike + more; ++high)
      if (!isSame || *high >= low) joinTwo(low, *high, isBeside);
    if (made_.size() > kMostMade) return;
  }
}

void JoinedBoxes::joinTwo(std::uint32_t low, std::uint32_t high, bool isBeside) {
  const JoinedBox &a = boxes_[low], &b = boxes_[high];
  JoinedBox box;
  box.across = isBeside ? a.across + b.across : std::max(a.across, b.across);
  box.along = isBeside ? std::max(a.along, b.along) : a.along + b.along;
  if (box.across > across_ || box.along > along_) return;
  box.area = a.area + b.area;
  if (box.lost() > mayLose_ * double(box.across) * double(box.along)) return;
  if (!PackedCounts::isThere(a.taken, b.taken, lacking_)) return;
  box.taken = a.taken + b.taken;
  if (!isNew(box)) return;
  box.worth = a.worth + b.worth;
  box.low = low;
  box.high = high;
  box.isBeside = isBeside;
  made_.push_back(box);
}

void JoinedBoxes::keepSome() {
  constexpr double kMoreOrLess = 0.5;  // of what may be lost
  if (made_.size() <= kMostAlike) return;
  std::vector<std::pair<double, std::uint32_t>> order;
  order.reserve(made_.size());
  for (std::size_t i = 0; i < made_.size(); ++i)
    order.emplace_back(
        made_[i].lost() / made_[i].area + kMoreOrLess * mayLose_ * drawnPart(random_),
        static_cast<std::uint32_t>(i));
  std::nth_element(order.begin(), order.begin() + kMostAlike, order.end());
  order.resize(kMostAlike);
  std::vector<JoinedBox> kept;
  kept.reserve(order.size());
  for (const auto& [lost, which] : order) kept.push_back(made_[which]);
  made_ = std::move(kept);
}

bool JoinedBoxes::isNew(const JoinedBox& box) {
  const std::uint64_t hash = box.taken.hash(static_cast<std::uint64_t>(box.across) << 32U ^
                                            static_cast<std::uint64_t>(box.along)) |
                             1U;
  std::size_t at = static_cast<std::size_t>(hash >> 32U) % seen_.size();
  for (; seen_[at] != 0; at = (at + 1) % seen_.size())
    if (seen_[at] == hash) return false;
  if (++seenCount_ > kMostSeen) return false;
  seen_[at] = hash;
  return true;
}

void JoinedBoxes::takeFrom(Counts& pool, const PackedCounts& taken) const {
  for (std::size_t i = 0; i < looked_.size(); ++i) pool[looked_[i]] -= taken.of(i);
}

void JoinedBoxes::lay(std::uint32_t which, std::size_t at, std::vector<SheetPart>& parts) const {
  const JoinedBox& box = boxes_[which];
  if (!box.isPiece) {
    const JoinedBox& low = boxes_[box.low];
    splitPart(parts, at, box.isBeside, box.isBeside ? low.across : low.along);
    const std::size_t first = parts[at].low, second = parts[at].high;
    lay(box.low, first, parts);
    lay(box.high, second, parts);
    return;
  }
  for (const bool isBeside : {true, false}) {
    const Micrometres taken = isBeside ? box.across : box.along;
    if ((isBeside ? parts[at].across : parts[at].along) <= taken) continue;
    splitPart(parts, at, isBeside, taken);
    at = parts[at].low;
  }
  parts[at].kind = SheetPart::Kind::Piece;
  parts[at].piece = kinds_[box.low];
  parts[at].isTurned = box.isTurned;
}

}  // namespace drapery
