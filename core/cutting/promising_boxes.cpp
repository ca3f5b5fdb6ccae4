#include "core/cutting/promising_boxes.h"

#include <algorithm>

#include "core/cutting/raise.h"

namespace drapery {

namespace {

constexpr std::size_t kMostBoxes = 1'200'000;  // 230 MB
constexpr std::uint32_t kNone = 0xffffffff;
constexpr std::size_t kLosses = 256;  // in so many steps
constexpr double kHalf = 0.5;         // um: lengths are whole
constexpr double kRounding = 1e-12;   // of a value

}  // namespace

PromisingBoxes::PromisingBoxes(const MaterialJob& job, const std::vector<double>& values,
                               const RationedValues& rationed)
    : job_(job), rationed_(rationed), values_(values), usable_(usableOf(job.stock(0))) {
  for (double& value : values_) value *= rationed.unit;
  if (job.kinds.size() > Taken::kKinds) return;
  Taken there;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    // No more than find room.
    const double room = double(usable_.across) * double(usable_.along);
    const int most = static_cast<int>(std::min(room / leastAreaOf(job, kind), 1e6));
    const int count = std::min(job.counts[kind], most);
    if (count > Taken::kMost) return;
    there.set(kind, count);
  }
  lacking_ = there.lacking();
  isUsable_ = true;
}

std::size_t PromisingBoxes::at(std::uint32_t across, std::uint32_t along) const {
  const PlateValues::BySteps& rooms = rationed_.rooms;
  const auto column = static_cast<std::size_t>((across + kHalf) * rooms.columnsPer);
  const auto row = static_cast<std::size_t>((along + kHalf) * rooms.rowsPer);
  return std::min(column, rooms.columns - 1) * rooms.rows + std::min(row, rooms.rows - 1);
}

/// What lies beside a box makes it longer by a step at least.
bool PromisingBoxes::reckonRests(const std::function<bool()>& isEnough) {
  const PlateValues::BySteps& rooms = rationed_.rooms;
  const std::size_t columns = rooms.columns, rows = rooms.rows;
  if (rooms.worth[rows - 1] > 0 || rooms.worth[(columns - 1) * rows] > 0) return false;
  rests_.assign(columns * rows, 0);
  std::vector<PlateValues::Worth> back(rows);
  for (std::size_t c = columns; c-- > 0;) {
    if (isEnough()) return false;
    PlateValues::Worth* here = &rests_[c * rows];
    for (std::size_t d = 1; c + d < columns; ++d)
      raise(here, &rooms.worth[d * rows], here + d * rows, rows);
    std::reverse_copy(&rooms.worth[c * rows], &rooms.worth[c * rows] + rows, back.begin());
    // Of those in the same column, by rooms from the farthest to the next.
    for (std::size_t r = rows; r-- > 1;) raiseAbove(here, here[r], &back[rows - 1 - r], r);
  }
  return true;
}

void PromisingBoxes::begin() {
  for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind) {
    if (job_.counts[kind] < 1 || values_[kind] <= 0.0) continue;
    for (const LyingSize& size : job_.sizes[0][kind]) {
      Box box;
      box.across = static_cast<std::uint32_t>(size.across);
      box.along = static_cast<std::uint32_t>(size.along);
      box.low = static_cast<std::uint32_t>(kind);
      box.high = size.isTurned ? 1 : 0;
      box.value = values_[kind];
      box.worth = rationed_.worth[kind];
      box.taken.set(kind, 1);
      add(box);
    }
  }
}

/// One that holds the same and is no larger.
bool PromisingBoxes::isThere(const Box& box) const {
  for (std::uint32_t at = buckets_[box.hash % buckets_.size()]; at != kNone;) {
    const Box& other = boxes_[at];
    if (other.across <= box.across && other.along <= box.along && other.taken == box.taken)
      return true;
    at = other.next;
  }
  return false;
}

void PromisingBoxes::moreBuckets() {
  constexpr std::size_t kFewest = 4096, kTimes = 4;
  buckets_.assign(std::max(kFewest, kTimes * buckets_.size()), kNone);
  for (std::uint32_t i = 0; i < boxes_.size(); ++i) {
    std::uint32_t& last = buckets_[boxes_[i].hash % buckets_.size()];
    boxes_[i].next = last;
    last = i;
  }
}

void PromisingBoxes::add(Box& box) {
  const std::int64_t most = rationed_.allPrices + box.worth + rests_[at(box.across, box.along)];
  if (double(most) <= known_) return;
  box.hash = box.taken.hash(1);
  if (isThere(box)) return;
  const auto number = static_cast<std::uint32_t>(boxes_.size());
  if (number >= buckets_.size()) moreBuckets();
  std::uint32_t& last = buckets_[box.hash % buckets_.size()];
  box.next = last;
  last = number;
  boxes_.push_back(box);
  const auto larger = static_cast<std::int64_t>(eagerness_ * double(box.worth));
  open_.push({most + larger, most, number});
  if (box.value <= known_) return;
  known_ = box.value * (1.0 + kRounding);
  better_(layOut(number));
}

void PromisingBoxes::join(std::uint32_t low, std::uint32_t high, bool isBeside) {
  const Box &a = boxes_[low], &b = boxes_[high];
  const Box::Made made = isBeside ? Box::Made::Beside : Box::Made::Above;
  // What is joined so already stands in a row, to which its parts are joined one by one.
  if (a.made == made && b.made == made) return;
  Box box;
  box.across = isBeside ? a.across + b.across : std::max(a.across, b.across);
  box.along = isBeside ? std::max(a.along, b.along) : a.along + b.along;
  if (Micrometres(box.across) > usable_.across || Micrometres(box.along) > usable_.along) return;
  box.worth = a.worth + b.worth;
  if (double(rationed_.allPrices + box.worth + rests_[at(box.across, box.along)]) <= known_) return;
  if (!Taken::isThere(a.taken, b.taken, lacking_)) return;
  box.value = a.value + b.value;
  box.low = low;
  box.high = high;
  box.made = made;
  box.taken = a.taken + b.taken;
  add(box);
}

double PromisingBoxes::find(double known, double eagerness, std::uint64_t work,
                            const std::function<void(std::vector<SheetPart>)>& better,
                            const std::function<bool()>& isEnough) {
  known_ = known * rationed_.unit * (1.0 + kRounding);
  eagerness_ = eagerness;
  better_ = better;
  const double whole = double(rationed_.most) / rationed_.unit;
  if (rests_.empty() && !reckonRests(isEnough)) return whole;
  boxes_.clear();
  boxes_.reserve(kMostBoxes);  // of which little is used where there is little to try
  open_ = {};
  closed_.assign(kLosses + 1, {});
  buckets_.clear();
  moreBuckets();
  begin();
  // A box joined to another promises no more than that one, less what itself has lost.
  perLoss_ = double(kLosses) / std::max(1.0, double(rationed_.most) - known_);
  while (!open_.empty()) {
    const Promise promise = open_.top();
    open_.pop();
    if (isOpen(work, isEnough) &&
        (double(promise.most) <= known_ || joinToAll(promise, work, isEnough)))
      continue;
    return eagerness_ > 0.0 ? whole : std::max(double(promise.most), known_) / rationed_.unit;
  }
  return std::min(whole, known_ / (1.0 + kRounding) / rationed_.unit);
}

bool PromisingBoxes::isOpen(std::uint64_t& work, const std::function<bool()>& isEnough) const {
  constexpr std::uint64_t kLook = 1 << 16;  // it is asked after so many: a millisecond or two
  if (work == 0 || boxes_.size() + 2 > kMostBoxes) return false;
  return --work % kLook != 0 || !isEnough();
}

bool PromisingBoxes::joinToAll(const Promise& promise, std::uint64_t& work,
                               const std::function<bool()>& isEnough) {
  const Box box = boxes_[promise.box];
  const std::int64_t lost = rationed_.rooms.worth[at(box.across, box.along)] - box.worth;
  const auto stepOf = [&](std::int64_t much) {
    return std::min(static_cast<std::size_t>(double(std::max<std::int64_t>(much, 0)) * perLoss_),
                    kLosses);
  };
  closed_[stepOf(lost)].push_back({promise.box, box.across, box.along, lost});
  const std::int64_t mayLose = promise.most - static_cast<std::int64_t>(known_);
  for (std::size_t step = 0; step <= stepOf(mayLose); ++step)
    for (const Looked& other : closed_[step]) {
      if (!isOpen(work, isEnough)) return false;
      if (other.lost > mayLose) continue;
      if (other.across + box.across <= usable_.across) join(promise.box, other.box, true);
      if (other.along + box.along <= usable_.along) join(promise.box, other.box, false);
    }
  return true;
}

void PromisingBoxes::lay(std::uint32_t which, std::size_t at, Slab& slab) const {
  const Box& box = boxes_[which];
  if (box.made == Box::Made::Piece)
    return placeInSlab(slab, at, box.low, {box.across, box.along, box.high != 0});
  const bool isBeside = box.made == Box::Made::Beside;
  const Box& low = boxes_[box.low];
  splitPart(slab.parts, at, isBeside, isBeside ? low.across : low.along);
  const SheetPart part = slab.parts[at];
  lay(box.low, part.low, slab);
  lay(box.high, part.high, slab);
}

std::vector<SheetPart> PromisingBoxes::layOut(std::uint32_t box) const {
  Slab slab = emptySlab(usable_.across, usable_.along);
  lay(box, 0, slab);
  return std::move(slab.parts);
}

}  // namespace drapery
