#include "core/cutting/roll_boxes.h"

#include <algorithm>
#include <array>

namespace drapery {

RollBoxes::RollBoxes(const MaterialJob& job, std::mt19937_64& random,
                     std::function<bool()> isEnough)
    : job_(job), random_(random), isEnough_(std::move(isEnough)) {}

void RollBoxes::begin(const std::vector<SheetPart>& parts) {
  best_ = whole_ = boxOf(parts, 0);
  inVain_ = 0;
}

Micrometres RollBoxes::along() const { return best_->along; }

RollBoxes::BoxPtr RollBoxes::joined(bool isBeside, const std::vector<BoxPtr>& of) {
  if (of.size() == 1) return of.front();
  auto box = std::make_shared<Box>();
  box->isBeside = isBeside;
  box->pieces = 0;
  for (const BoxPtr& each : of) {
    if (!each->of.empty() && each->isBeside == isBeside)
      box->of.insert(box->of.end(), each->of.begin(), each->of.end());
    else
      box->of.push_back(each);
    box->across = isBeside ? box->across + each->across : std::max(box->across, each->across);
    box->along = isBeside ? std::max(box->along, each->along) : box->along + each->along;
    box->pieces += each->pieces;
  }
  return box;
}

RollBoxes::BoxPtr RollBoxes::boxOf(const std::vector<SheetPart>& parts, std::size_t at) {
  const SheetPart& part = parts[at];
  if (part.kind == SheetPart::Kind::Free) return nullptr;
  if (part.kind == SheetPart::Kind::Piece) {
    Box piece;
    piece.across = part.across;
    piece.along = part.along;
    piece.kind = part.piece;
    piece.isTurned = part.isTurned;
    return std::make_shared<Box>(piece);
  }
  BoxPtr low = boxOf(parts, part.low), high = boxOf(parts, part.high);
  if (!low) return high;
  return high ? joined(part.isBeside, {low, high}) : low;
}

void RollBoxes::lay(const Box& box, std::size_t at, Slab& slab) {
  if (box.of.empty()) return placeInSlab(slab, at, box.kind, {box.across, box.along, box.isTurned});
  for (const BoxPtr& each : box.of) {
    if (each == box.of.back()) return lay(*each, at, slab);
    splitPart(slab.parts, at, box.isBeside, box.isBeside ? each->across : each->along);
    const std::size_t rest = slab.parts[at].high;
    lay(*each, slab.parts[at].low, slab);
    at = rest;
  }
}

/// What is cut across the roll anyway is a slab of its own.
std::vector<Slab> RollBoxes::shortest() const {
  std::vector<BoxPtr> each{best_};
  if (!best_->of.empty() && !best_->isBeside) each = best_->of;
  std::vector<Slab> slabs;
  for (const BoxPtr& box : each) {
    slabs.push_back(emptySlab(usableOf(job_.stock(0)).across, box->along));
    lay(*box, 0, slabs.back());
  }
  return slabs;
}

/// As chance has it one by one, those that hold more more often; or mostly what was opened last, so
/// that all but a corner of it stays together.
std::vector<RollBoxes::BoxPtr> RollBoxes::opened() {
  constexpr std::size_t kFewest = 8, kMore = 5;  // so many boxes, or up to four more
  constexpr std::size_t kTen = 10;
  constexpr std::array<std::size_t, 3> kLast{0, 4, 9};  // of ten
  const std::size_t most = kFewest + below(kMore);
  const std::size_t lastOfTen = kLast[below(kLast.size())];
  std::vector<BoxPtr> boxes{whole_};
  while (boxes.size() < most) {
    // Those opened last lie at the end.
    std::size_t which = boxes.size();
    if (below(kTen) < lastOfTen) {
      while (which > 0 && boxes[which - 1]->of.empty()) --which;
      if (which == 0) break;
      --which;
    } else {
      std::size_t pieces = 0;
      for (const BoxPtr& box : boxes)
        if (!box->of.empty()) pieces += box->pieces;
      if (pieces == 0) break;
      std::size_t at = below(pieces);
      for (which = 0; boxes[which]->of.empty() || at >= boxes[which]->pieces; ++which)
        if (!boxes[which]->of.empty()) at -= boxes[which]->pieces;
    }
    open(boxes, which);
  }
  return boxes;
}

/// Into two, each of some of what it is joined of.
void RollBoxes::open(std::vector<BoxPtr>& boxes, std::size_t which) {
  const BoxPtr box = boxes[which];
  boxes.erase(boxes.begin() + static_cast<std::ptrdiff_t>(which));
  std::vector<BoxPtr> some, others;
  // One is for each of them, so that neither is empty.
  const std::size_t one = below(box->of.size());
  const std::size_t other = (one + 1 + below(box->of.size() - 1)) % box->of.size();
  for (std::size_t i = 0; i < box->of.size(); ++i)
    (i == one || (i != other && below(2) == 0) ? some : others).push_back(box->of[i]);
  boxes.push_back(joined(box->isBeside, some));
  boxes.push_back(joined(box->isBeside, others));
}

std::vector<RollBoxes::Alike> RollBoxes::alikeOf(const std::vector<BoxPtr>& boxes) const {
  std::vector<Alike> all;
  for (const BoxPtr& box : boxes) {
    const auto isAlike = [&](const Alike& as) {
      const Box& first = *as.boxes.front();
      if (first.of.empty() != box->of.empty()) return false;
      return box->of.empty() ? first.kind == box->kind
                             : first.across == box->across && first.along == box->along;
    };
    auto found = std::find_if(all.begin(), all.end(), isAlike);
    if (found == all.end()) {
      // A piece may lie in any of its ways again; what is joined as it is.
      std::vector<LyingSize> ways = {{box->across, box->along, false}};
      if (box->of.empty()) ways = job_.sizes[0][box->kind];
      found = all.insert(all.end(), {std::move(ways), {}});
    }
    found->boxes.push_back(box);
  }
  return all;
}

RollBoxes::BoxPtr RollBoxes::made(const BoxFronts& fronts, std::size_t set, std::size_t which,
                                  std::vector<Alike>& from) {
  const CutBox& laid = fronts.of(set)[which];
  if (laid.low != 0)
    return joined(laid.isBeside, {made(fronts, laid.low, laid.lowBox, from),
                                  made(fronts, laid.high, laid.highBox, from)});
  BoxPtr box = from[laid.kind].boxes.back();
  from[laid.kind].boxes.pop_back();
  if (!box->of.empty()) return box;
  auto piece = std::make_shared<Box>(*box);
  piece->across = laid.across;
  piece->along = laid.along;
  piece->isTurned = laid.isTurned;
  return piece;
}

void RollBoxes::step() {
  constexpr std::uint64_t kMostJoins = 10'000'000;
  constexpr double kLonger = 1.02;
  constexpr std::size_t kTen = 10, kLongerOfTen = 3;
  constexpr std::size_t kPatience = 500;
  if (inVain_++ > kPatience) {
    whole_ = best_;
    inVain_ = 0;
  }
  // Now and then any that is a little longer, or just one that is shorter; else one as long that
  // lies otherwise will do.
  const bool isLonger = below(kTen) < kLongerOfTen;
  const Micrometres along = isLonger ? static_cast<Micrometres>(kLonger * double(best_->along))
                                     : whole_->along - static_cast<Micrometres>(below(2));
  std::vector<Alike> from = alikeOf(opened());
  MaterialJob few{job_.problem, job_.stocks, {}, {}, {{}}, {}, {}};
  double area = 0.0;
  for (const Alike& each : from) {
    few.counts.push_back(static_cast<int>(each.boxes.size()));
    few.sizes.front().push_back(each.ways);
    area += few.counts.back() * double(each.ways.front().across) * double(each.ways.front().along);
  }
  const double room = double(usableOf(job_.stock(0)).across) * double(along);
  const CountIndex index(few.counts);
  std::uint64_t work = kMostJoins;
  const BoxFronts fronts(few, 0, index, work, isEnough_,
                         {.along = along, .waste = room - area, .isForAll = true});
  const std::size_t found = fronts.isWhole() ? fronts.of(index.all()).size() : 0;
  if (found == 0) return;
  // The widest is the shortest.
  whole_ = made(fronts, index.all(), isLonger ? below(found) : found - 1, from);
  if (whole_->along >= best_->along) return;
  best_ = whole_;
  inVain_ = 0;
}

}  // namespace drapery
