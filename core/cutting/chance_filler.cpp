#include "core/cutting/chance_filler.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <limits>
#include <optional>

#include "core/cutting/bin.h"

namespace drapery {

namespace {

constexpr std::size_t kAtOnce = 8;  // ways of which is seen together whether they fit
constexpr std::size_t kNoRoom = std::numeric_limits<std::size_t>::max();

}  // namespace

void ChanceFiller::begin(std::size_t stock, const std::vector<std::size_t>& kinds,
                         const std::vector<double>& worth, const RoomLosses* losses) {
  losses_ = losses;
  isEnded_ = false;
  kinds_ = kinds;
  worth_ = worth;
  which_.assign(job_.kinds.size(), 0);
  for (std::size_t i = 0; i < kinds.size(); ++i) which_[kinds[i]] = i;
  ways_.clear();
  areas_.clear();
  dearest_ = 0.0;
  leastAcross_ = leastAlong_ = std::numeric_limits<Micrometres>::max();
  for (std::size_t i = 0; i < kinds.size(); ++i) {
    areas_.push_back(areaOfKind(job_, kinds[i]));
    for (const LyingSize& size : job_.sizes[stock][kinds[i]]) {
      ways_.push_back({size.across, size.along, worth[i], 0.0, i, size.isTurned, {}, {}});
      if (losses != nullptr) {
        ways_.back().wide = losses->acrossOf(size.across);
        ways_.back().high = losses->alongOf(size.along);
      }
      dearest_ = std::max(dearest_, worth[i] / ways_.back().area());
      leastAcross_ = std::min(leastAcross_, size.across);
      leastAlong_ = std::min(leastAlong_, size.along);
    }
  }
  for (Lying& way : ways_) way.lacks = way.area() - way.worth / dearest_;
  std::stable_sort(ways_.begin(), ways_.end(),
                   [](const Lying& a, const Lying& b) { return a.worth > b.worth; });
  sortByArea();
  Lying nowhere;
  nowhere.across = nowhere.along = std::numeric_limits<Micrometres>::max();
  while (ways_.size() % kAtOnce != 0) ways_.push_back(nowhere);
}

void ChanceFiller::sortByArea() {
  constexpr std::size_t kMany = 4 * kAtOnce, kParts = 256;
  constexpr double kRounding = 1e-9;
  firstByArea_.clear();
  const auto isSmaller = [](const Lying& a, const Lying& b) { return a.area() < b.area(); };
  if (ways_.size() < kMany || !std::is_sorted(ways_.rbegin(), ways_.rend(), isSmaller)) return;
  firstByArea_.resize(kParts);
  partsPerArea_ = kParts / ways_.front().area();
  std::size_t first = 0;
  for (std::size_t part = kParts; part-- > 0;) {
    const double most = (1 + kRounding) * double(part + 1) / partsPerArea_;
    while (part + 1 < kParts && first + 1 < ways_.size() && ways_[first].area() > most) ++first;
    firstByArea_[part] = static_cast<std::uint32_t>(first / kAtOnce * kAtOnce);
  }
}

std::pair<Filling, double> ChanceFiller::best(const SheetPart& region, int fills, Counts& pool,
                                              double least) {
  const double got = fillBest(region, fills, 0, least, pool);
  if (got <= 0.0) return {};
  takeBest(pool);
  return {bestOn(region), got};
}

double ChanceFiller::better(Filling& filling, int times, Counts& pool) {
  constexpr int kFills = 2, kChanges = 16;
  constexpr double kSlack = 0.1;  // of what it is worth less than it might be
  const SheetPart& all = filling.parts.front();
  double lost = dearest_ * double(all.across) * double(all.along);
  std::vector<std::size_t> pieces;
  addPieces(filling.parts, 0, pieces);
  for (const std::size_t piece : pieces) lost -= worth_[which_[piece]];
  double now = 0.0, most = 0.0;  // more than at the beginning
  Filling present = filling;
  Counts left = pool;
  for (int i = 0; i < times && !isEnded_; ++i) {
    const auto at = std::min(static_cast<std::size_t>(part() * double(present.parts.size())),
                             present.parts.size() - 1);
    pieces.clear();
    addPieces(present.parts, at, pieces);
    SheetPart region = present.parts[at];
    region.kind = SheetPart::Kind::Free;
    double worth = 0.0, room = double(region.across) * double(region.along);
    for (const std::size_t piece : pieces) {
      worth += worth_[which_[piece]];
      room -= areas_[which_[piece]];
    }
    if (room <= 0.0) continue;
    for (const std::size_t piece : pieces) ++left[which_[piece]];
    const double slack =
        kSlack * std::max(0.0, lost - now) * part() * part() * (1.0 - double(i) / times);
    const double got = fillBest(region, kFills, kChanges, std::max(0.0, worth - slack), left);
    if (got <= 0.0 || got == worth) {  // most often the same again
      for (const std::size_t piece : pieces) --left[which_[piece]];
      continue;
    }
    takeBest(left);
    present.parts = withInstead(present.parts, at, bestOn(region).parts);
    now += got - worth;
    if (now <= most) continue;
    most = now;
    filling = present;
    pool = left;
  }
  return most;
}

double ChanceFiller::fillBest(const SheetPart& region, int fills, int changes, double least,
                              const Counts& pool) {
  if (dearest_ <= 0.0) return 0.0;
  constexpr double kLeast = 0.05, kMost = 0.65;
  constexpr double kLeastChanged = 0.3, kMostChanged = 1.0;  // what comes out badly is changed
  const double blurLeast = changes > 0 ? kLeastChanged : kLeast;
  const double blurMost = changes > 0 ? kMostChanged : kMost;
  const double area = double(region.across) * double(region.along);
  const double known = knownIn(region.across, region.along);
  double most = 0.0;
  left_ = pool;
  best_.clear();
  for (int i = 0; i < fills && !isEnded_; ++i) {
    // Where more is lost, not even pieces of the dearest kind would make it worth more.
    mayLose_ = area - known - std::max(most, least) / dearest_;
    if (mayLose_ <= 0.0) break;
    blur_ = blurLeast + (blurMost - blurLeast) * part();
    const bool isFilled = fill(region.across, region.along, known, changes);
    for (const Laid& laid : fill_)
      if (laid.piece != nullptr) ++left_[laid.piece->which];
    if (!isFilled || got_ <= std::max(most, least)) continue;
    most = got_;
    std::swap(best_, fill_);
  }
  return most;
}

bool ChanceFiller::fill(Micrometres across, Micrometres along, double known, int changes) {
  rooms_.assign(1, {across, along, known, kNoRoom});
  steps_.clear();
  fill_.clear();
  got_ = 0.0;
  for (std::size_t at = 0; at != kNoRoom;) {
    if (isEnded()) return false;
    auto [choice, other] = chosen(rooms_[at]);
    steps_.push_back({at, mayLose_, got_, other});
    if (choice.laid.piece == nullptr && rooms_[at].area() - rooms_[at].known > mayLose_) {
      const auto instead = changes-- > 0 ? goBack() : std::nullopt;
      if (!instead) return false;
      at = steps_.back().room;
      choice = *instead;
    }
    fill_.push_back(choice.laid);
    at = lay(choice, at);
  }
  return true;
}

bool ChanceFiller::isEnded() {
  constexpr std::size_t kMuch = 20'000;  // choices, and ways that were looked at for them
  if (looked_ < kMuch) return isEnded_;
  looked_ = 0;
  isEnded_ = isEnded_ || isEnough_();
  return isEnded_;
}

std::optional<ChanceFiller::Choice> ChanceFiller::goBack() {
  auto at = static_cast<std::size_t>(part() * double(steps_.size()));
  while (steps_[at].other.laid.piece == nullptr)
    if (at-- == 0) return std::nullopt;
  for (std::size_t i = at; i < fill_.size(); ++i)
    if (fill_[i].piece != nullptr) ++left_[fill_[i].piece->which];
  fill_.resize(at);
  steps_.resize(at + 1);
  Step& step = steps_.back();
  mayLose_ = step.mayLose;
  got_ = step.got;
  return std::exchange(step.other, {});
}

std::size_t ChanceFiller::lay(const Choice& choice, std::size_t at) {
  const auto [across, along, known, next] = rooms_[at];
  const auto [piece, isBeside] = choice.laid;
  if (piece == nullptr) {
    mayLose_ -= double(across) * double(along) - known;
    return next;
  }
  mayLose_ -= choice.lost.more + piece->lacks;
  --left_[piece->which];
  got_ += piece->worth;
  const Micrometres beside = across - piece->across, above = along - piece->along;
  const Room rest{isBeside ? beside : across, isBeside ? along : above, choice.lost.rest, next};
  const Room within{isBeside ? piece->across : beside, isBeside ? above : piece->along,
                    choice.lost.within, 0};
  std::size_t first = next;
  for (Room room : {rest, within}) {
    if (room.across == 0 || room.along == 0) continue;
    room.next = first;
    first = rooms_.size();
    rooms_.push_back(room);
  }
  return first;
}

/// What is worth much, less what is lost beside it; blurred.
std::pair<ChanceFiller::Choice, ChanceFiller::Choice> ChanceFiller::chosen(const Room& room) {
  constexpr double kHeed = 4.0;  // times: what is lost now is lost for good
  ++looked_;
  const Micrometres across = room.across, along = room.along;
  if (across < leastAcross_ || along < leastAlong_) return {};
  const InLosses in = losses_ == nullptr
                          ? InLosses{}
                          : InLosses{losses_->acrossOf(across), losses_->alongOf(along)};
  struct Seen {
    const Lying* way = nullptr;
    LostEither lost;
    double merit = -std::numeric_limits<double>::infinity();
  };
  Seen best, second;
  std::size_t from = firstIn(room.area());
  for (; from < ways_.size() && ways_[from].worth * (1 + blur_) > second.merit; from += kAtOnce) {
    looked_ += kAtOnce;
    for (unsigned fit = fitting(from, across, along); fit != 0; fit &= fit - 1) {
      const Lying& way = ways_[from + static_cast<std::size_t>(std::countr_zero(fit))];
      if (way.worth * (1 + blur_) <= second.merit) break;  // the others are worth less
      const double strips = lostInStrips(way, across, along);
      if (strips + way.lacks > mayLose_ + room.known) continue;
      const double blur = blur_ * (2 * part() - 1);
      LostEither lost;
      double less = strips;
      if (losses_ != nullptr) {
        if (way.worth * (1 + blur) <= second.merit) continue;
        lost = lostWith(way, room, in);
        if (lost.least() + way.lacks > mayLose_) continue;
        less = kHeed * lost.least();
      }
      double merit = way.worth - less;
      merit *= merit > 0 ? 1 + blur : 1 - blur;
      if (merit <= second.merit) continue;
      second = {&way, lost, merit};
      if (second.merit > best.merit) std::swap(best, second);
    }
  }
  const auto choice = [&](const Seen& seen) -> Choice {
    if (seen.way == nullptr) return {};
    const bool isBeside = isCutBeside(*seen.way, seen.lost, across, along);
    return {{seen.way, isBeside}, isBeside ? seen.lost.besideWhole : seen.lost.aboveWhole};
  };
  return {choice(best), choice(second)};
}

std::size_t ChanceFiller::firstIn(double area) const {
  if (firstByArea_.empty()) return 0;
  const auto part = static_cast<std::size_t>(area * partsPerArea_);
  return firstByArea_[std::min(part, firstByArea_.size() - 1)];
}

unsigned ChanceFiller::fitting(std::size_t from, Micrometres across, Micrometres along) const {
  unsigned fit = 0;
  for (std::size_t i = 0; i < kAtOnce; ++i) {
    const Lying& way = ways_[from + i];
    const bool isFit = (way.across <= across) & (way.along <= along) & (left_[way.which] > 0);
    fit |= static_cast<unsigned>(isFit) << i;
  }
  return fit;
}

double ChanceFiller::knownIn(Micrometres across, Micrometres along) const {
  return losses_ == nullptr ? 0.0 : losses_->in(across, along);
}

double ChanceFiller::lostInStrips(const Lying& way, Micrometres across, Micrometres along) const {
  const Micrometres beside = across - way.across, above = along - way.along;
  const bool isLostBeside = beside < leastAcross_;
  double lost = isLostBeside ? double(beside) * double(along) : 0.0;
  if (above < leastAlong_) lost += double(above) * double(isLostBeside ? way.across : across);
  return lost;
}

ChanceFiller::LostEither ChanceFiller::lostWith(const Lying& way, const Room& room,
                                                const InLosses& in) const {
  const RoomLosses::Length beside = losses_->acrossOf(room.across - way.across);
  const RoomLosses::Length above = losses_->alongOf(room.along - way.along);
  const double most = mayLose_ - way.lacks;
  LostEither lost;
  // Most lose too much already in the first part.
  lost.besideWhole.rest = losses_->in(beside, in.along);
  lost.besideWhole.more = lost.besideWhole.rest - room.known;
  if (lost.besideWhole.more <= most) {
    lost.besideWhole.within = losses_->in(way.wide, above);
    lost.besideWhole.more += lost.besideWhole.within;
  }
  lost.aboveWhole.rest = losses_->in(in.across, above);
  lost.aboveWhole.more = lost.aboveWhole.rest - room.known;
  if (lost.aboveWhole.more <= most) {
    lost.aboveWhole.within = losses_->in(beside, way.high);
    lost.aboveWhole.more += lost.aboveWhole.within;
  }
  return lost;
}

bool ChanceFiller::isCutBeside(const Lying& way, const LostEither& either, Micrometres across,
                               Micrometres along) {
  constexpr double kMostly = 0.9, kAlike = 0.02;  // of the piece
  if (way.across == across) return false;
  if (way.along == along) return true;
  if (losses_ == nullptr) return isBesideWhole(across, along, way);
  const double beside = either.besideWhole.more, above = either.aboveWhole.more;
  const bool isBesideLess = beside < above;
  if (std::max(beside, above) + way.lacks > mayLose_) return isBesideLess;
  if (std::abs(beside - above) <= kAlike * way.area()) return isBesideWhole(across, along, way);
  return (part() < kMostly) == isBesideLess;
}

bool ChanceFiller::isBesideWhole(Micrometres across, Micrometres along, const Lying& piece) {
  constexpr double kLarger = 0.7;
  const Micrometres beside = across - piece.across, above = along - piece.along;
  if (beside < leastAcross_) return false;
  if (above < leastAlong_) return true;
  const bool isLarger = double(beside) * double(along) >= double(above) * double(across);
  return (part() < kLarger) == isLarger;
}

void ChanceFiller::takeBest(Counts& pool) const {
  for (const Laid& laid : best_)
    if (laid.piece != nullptr) --pool[laid.piece->which];
}

Filling ChanceFiller::bestOn(const SheetPart& region) const {
  Filling filling{0.0, {region}};
  auto next = best_.begin();
  layBest(next, 0, filling.parts);
  return filling;
}

void ChanceFiller::layBest(Fill::const_iterator& next, std::size_t at,
                           std::vector<SheetPart>& parts) const {
  while (true) {
    const auto [piece, isBeside] = *next++;
    if (piece == nullptr) return;
    const bool isWide = parts[at].across > piece->across, isHigh = parts[at].along > piece->along;
    std::size_t place = at;
    std::optional<std::size_t> outer, inner;
    const auto cut = [&, piece = piece](bool beside, std::optional<std::size_t>& rest) {
      splitPart(parts, place, beside, beside ? piece->across : piece->along);
      rest = parts[place].high;
      place = parts[place].low;
    };
    if (isWide && isBeside) cut(true, outer);
    if (isHigh) cut(false, isBeside ? inner : outer);
    if (isWide && !isBeside) cut(true, inner);
    parts[place].kind = SheetPart::Kind::Piece;
    parts[place].piece = kinds_[piece->which];
    parts[place].isTurned = piece->isTurned;
    if (inner) layBest(next, *inner, parts);
    if (!outer) return;
    at = *outer;
  }
}

}  // namespace drapery
