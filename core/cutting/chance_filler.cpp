#include "core/cutting/chance_filler.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>

#include "core/cutting/bin.h"

namespace drapery {

void ChanceFiller::begin(std::size_t stock, const std::vector<std::size_t>& kinds,
                         const std::vector<double>& worth, const RoomLosses* losses) {
  losses_ = losses;
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
      ways_.push_back({size.across, size.along, worth[i], i, size.isTurned});
      dearest_ = std::max(dearest_, worth[i] / ways_.back().area());
      leastAcross_ = std::min(leastAcross_, size.across);
      leastAlong_ = std::min(leastAlong_, size.along);
    }
  }
  std::stable_sort(ways_.begin(), ways_.end(),
                   [](const Lying& a, const Lying& b) { return a.worth > b.worth; });
  const auto isSmaller = [](const Lying& a, const Lying& b) { return a.area() < b.area(); };
  isByArea_ = std::is_sorted(ways_.rbegin(), ways_.rend(), isSmaller);
}

std::pair<Filling, double> ChanceFiller::best(const SheetPart& region, int fills, Counts& pool) {
  const double got = fillBest(region, fills, 0.0, pool);
  if (got <= 0.0) return {};
  takeBest(pool);
  return {bestOn(region), got};
}

double ChanceFiller::better(Filling& filling, int times, Counts& pool) {
  constexpr int kFills = 8;
  constexpr std::size_t kMostPieces = 40;
  constexpr double kSlack = 0.01;  // of the whole
  const double whole = double(filling.parts.front().across) * double(filling.parts.front().along);
  double now = 0.0, most = 0.0;  // more than at the beginning
  Filling present = filling;
  Counts left = pool;
  std::vector<std::size_t> pieces;
  for (int i = 0; i < times; ++i) {
    const auto at = std::min(static_cast<std::size_t>(part() * double(present.parts.size())),
                             present.parts.size() - 1);
    pieces.clear();
    addPieces(present.parts, at, pieces);
    if (pieces.size() > kMostPieces) continue;
    SheetPart region = present.parts[at];
    region.kind = SheetPart::Kind::Free;
    double worth = 0.0, lost = double(region.across) * double(region.along);
    for (const std::size_t piece : pieces) {
      worth += worth_[which_[piece]];
      lost -= areas_[which_[piece]];
    }
    if (lost <= 0.0) continue;
    for (const std::size_t piece : pieces) ++left[which_[piece]];
    const double slack = kSlack * whole * part() * part() * (1.0 - double(i) / times);
    const double got = fillBest(region, kFills, std::max(0.0, worth - slack), left);
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

double ChanceFiller::fillBest(const SheetPart& region, int fills, double least,
                              const Counts& pool) {
  constexpr double kLeast = 0.05, kMost = 0.65;
  const double area = double(region.across) * double(region.along);
  const double known = knownIn(region.across, region.along);
  double most = 0.0;
  left_ = pool;
  best_.clear();
  for (int i = 0; i < fills; ++i) {
    // Where more is lost, not even pieces of the dearest kind would make it worth more.
    mayLose_ = area - known - std::max(most, least) / dearest_;
    if (mayLose_ <= 0.0) break;
    blur_ = kLeast + (kMost - kLeast) * part();
    fill_.clear();
    got_ = 0.0;
    const bool isFilled = fill(region.across, region.along, known);
    for (const Laid& laid : fill_)
      if (laid.piece != nullptr) ++left_[laid.piece->which];
    if (!isFilled || got_ <= std::max(most, least)) continue;
    most = got_;
    std::swap(best_, fill_);
  }
  return most;
}

bool ChanceFiller::fill(Micrometres across, Micrometres along, double known) {
  while (true) {
    const auto [laid, lost] = chosen(across, along, known);
    const auto [piece, isBeside] = laid;
    fill_.push_back(laid);
    if (piece == nullptr) {
      mayLose_ -= double(across) * double(along) - known;
      return mayLose_ >= 0.0;
    }
    mayLose_ -= lost;
    --left_[piece->which];
    got_ += piece->worth;
    const Micrometres beside = across - piece->across, above = along - piece->along;
    if (isBeside) {
      if (above > 0 && !fill(piece->across, above, knownIn(piece->across, above))) return false;
      across = beside;
    } else {
      if (beside > 0 && !fill(beside, piece->along, knownIn(beside, piece->along))) return false;
      if (above == 0) return true;
      along = above;
    }
    known = knownIn(across, along);
  }
}

/// What is worth much, less what is lost beside it; blurred.
ChanceFiller::Choice ChanceFiller::chosen(Micrometres across, Micrometres along, double known) {
  constexpr double kHeed = 4.0;  // times: what is lost now is lost for good
  if (across < leastAcross_ || along < leastAlong_) return {};
  const Lying* best = nullptr;
  Lost bestLost;
  double most = -std::numeric_limits<double>::infinity();
  auto first = ways_.begin();
  if (isByArea_) {  // what is larger than the room need not be looked at
    const double area = double(across) * double(along);
    first = std::partition_point(ways_.begin(), ways_.end(),
                                 [&](const Lying& way) { return way.area() > area; });
  }
  for (auto each = first; each != ways_.end(); ++each) {
    const Lying& way = *each;
    if (way.worth * (1 + blur_) <= most) break;  // the others are worth less
    if (way.across > across || way.along > along || left_[way.which] == 0) continue;
    const double strips = lostInStrips(way, across, along);
    if (strips > mayLose_ + known) continue;
    const double blur = blur_ * (2 * part() - 1);
    Lost lost;
    double less = strips;
    if (losses_ != nullptr) {
      if (way.worth * (1 + blur) <= most) continue;
      lost = lostWith(way, across, along, known);
      const double least = std::min(lost.besideWhole, lost.aboveWhole);
      if (least > mayLose_) continue;
      less = kHeed * least;
    }
    double merit = way.worth - less;
    merit *= merit > 0 ? 1 + blur : 1 - blur;
    if (merit <= most) continue;
    most = merit;
    best = &way;
    bestLost = lost;
  }
  if (best == nullptr) return {};
  const bool isBeside = isCutBeside(*best, bestLost, across, along);
  return {{best, isBeside}, isBeside ? bestLost.besideWhole : bestLost.aboveWhole};
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

ChanceFiller::Lost ChanceFiller::lostWith(const Lying& way, Micrometres across, Micrometres along,
                                          double known) const {
  const Micrometres beside = across - way.across, above = along - way.along;
  // Most lose too much already in the first part.
  Lost lost{losses_->in(beside, along) - known, losses_->in(across, above) - known};
  if (lost.besideWhole <= mayLose_) lost.besideWhole += losses_->in(way.across, above);
  if (lost.aboveWhole <= mayLose_) lost.aboveWhole += losses_->in(beside, way.along);
  return lost;
}

bool ChanceFiller::isCutBeside(const Lying& way, const Lost& lost, Micrometres across,
                               Micrometres along) {
  constexpr double kMostly = 0.9, kAlike = 0.02;  // of the piece
  if (way.across == across) return false;
  if (way.along == along) return true;
  if (losses_ == nullptr) return isBesideWhole(across, along, way);
  const bool isBesideLess = lost.besideWhole < lost.aboveWhole;
  if (std::max(lost.besideWhole, lost.aboveWhole) > mayLose_) return isBesideLess;
  if (std::abs(lost.besideWhole - lost.aboveWhole) <= kAlike * way.area())
    return isBesideWhole(across, along, way);
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
