#include "core/cutting/roll_shortening.h"

#include <algorithm>
#include <utility>

#include "core/cutting/worst_slabs.h"

namespace drapery {

namespace {

constexpr std::size_t kMany = 40;     // pieces
constexpr std::size_t kFewKinds = 8;  // of which the same slabs come again

MaterialJob onRollAlone(const MaterialJob& job, const Bin& roll, std::vector<std::size_t>& kinds) {
  return onStockAlone(onlyWanted(job, heldIn(job, roll), kinds), roll.stock);
}

}  // namespace

RollShortening::RollShortening(const MaterialJob& job, std::vector<Bin> bins, std::size_t which,
                               std::mt19937_64& random, std::function<bool()> isEnough)
    : bins_(std::move(bins)),
      which_(which),
      random_(random),
      isEnough_(std::move(isEnough)),
      whole_(job),
      isMany_(bins_[which].holds.size() > kMany),
      isOfMore_(bins_[which].holds.size() > kFewOnARoll),
      job_(onRollAlone(job, bins_[which], kinds_)),
      isOfFewKinds_(isMany_ && !isOfMore_ && job_.kinds.size() <= kFewKinds),
      boxes_(job_, random, isEnough_),
      merged_(job_, random, isEnough_),
      shorter_(job_, random, isEnough_),
      rows_(job_, random, isEnough_) {
  std::vector<SheetPart> parts = bins_[which].parts;
  for (SheetPart& part : parts)
    if (part.kind == SheetPart::Kind::Piece)
      part.piece = static_cast<std::size_t>(
          std::lower_bound(kinds_.begin(), kinds_.end(), part.piece) - kinds_.begin());
  if (!isOfMore_) boxes_.begin(parts);
  merged_.begin(parts);
  shorter_.begin(merged_.shortest());
  if (isMany_) beginRows();
}

std::optional<std::vector<Bin>> RollShortening::step() {
  constexpr std::size_t kTen = 10, kOfFew = 5, kOfMore = 3, kBoxes = 6;  // of ten
  if (!isOfMore_ && random_() % kTen < kBoxes) return stepBoxes();
  if (isOfFewKinds_) return stepAnyWay();
  if (isMany_ && random_() % kTen < (isOfMore_ ? kOfMore : kOfFew)) return stepRows();
  const std::size_t kOneOf = isMany_ ? 8 : 2;
  if (random_() % kOneOf == 0)
    if (auto bins = stepMerged()) return bins;
  const std::size_t kAlone = bins_.size() > 1 ? 10 : 2;
  return isMany_ || random_() % kAlone > 0 ? stepMany() : stepFew();
}

std::optional<std::vector<Bin>> RollShortening::stepAnyWay() {
  constexpr std::size_t kWays = 4;
  switch (random_() % kWays) {
    case 0:
      return stepMerged();
    case 1:
      return stepFew();
    case 2:
      return stepRows();
    default:
      return stepMany();
  }
}

std::optional<std::vector<Bin>> RollShortening::stepBoxes() {
  constexpr int kTries = 4;
  const Micrometres before = boxes_.along();
  for (int i = 0; i < kTries && !isEnough_(); ++i) {
    boxes_.step();
    if (boxes_.along() < before) return withRoll(boxes_.shortest());
  }
  return std::nullopt;
}

std::optional<std::vector<Bin>> RollShortening::stepMerged() {
  const Micrometres before = merged_.along();
  merged_.step();
  if (merged_.along() < before) return withRoll(merged_.shortest());
  return std::nullopt;
}

std::optional<std::vector<Bin>> RollShortening::stepFew() {
  constexpr int kTries = 16;
  constexpr std::size_t kPatience = 3000;  // tries until another slab goes
  if (shorter_.tried() > kPatience) shorter_.begin(merged_.shortest());
  for (int i = 0; i < kTries && !isEnough_(); ++i)
    if (shorter_.step()) return withRoll(shorter_.slabs());
  return std::nullopt;
}

std::optional<std::vector<Bin>> RollShortening::stepMany() {
  constexpr int kTries = 200;
  constexpr int kPatience = 4000;  // tries without less being loose
  if (!sheets_ || inVain_ > kPatience) {
    sheets_ = std::make_unique<SlabSheets>(whole_, bins_, which_, random_, isEnough_);
    leastLoose_ = sheets_->looseArea();
    inVain_ = 0;
  }
  for (int i = 0; i < kTries && !isEnough_(); ++i)
    if (sheets_->step()) return sheets_->bins();
  inVain_ += kTries;
  if (sheets_->looseArea() < leastLoose_) inVain_ = 0;
  leastLoose_ = std::min(leastLoose_, sheets_->looseArea());
  return std::nullopt;
}

std::optional<std::vector<Bin>> RollShortening::stepRows() {
  constexpr int kTries = 10;
  constexpr int kPatience = 100;  // tries until it begins anew
  if (rows_.tried() > kPatience) beginRows();
  for (int i = 0; i < kTries && !isEnough_(); ++i) {
    if (!rows_.step()) continue;
    std::vector<Slab> slabs = kept_;
    slabs.insert(slabs.end(), rows_.slabs().begin(), rows_.slabs().end());
    return withRoll(slabs);
  }
  return std::nullopt;
}

void RollShortening::beginRows() {
  std::vector<std::pair<double, const Slab*>> order;
  for (const Slab& slab : merged_.shortest())
    order.emplace_back(-lostMoreOrLess(job_, slab.parts.front(), slab.holds, random_), &slab);
  std::sort(order.begin(), order.end());
  std::vector<Slab> some;
  kept_.clear();
  std::size_t pieces = 0;
  for (const auto& [lost, slab] : order) {
    const bool isKept = !some.empty() && pieces + slab->holds.size() > kFewOnARoll;
    if (!isKept) pieces += slab->holds.size();
    (isKept ? kept_ : some).push_back(*slab);
  }
  rows_.begin(some);
}

std::vector<Bin> RollShortening::withRoll(const std::vector<Slab>& slabs) const {
  std::vector<Bin> bins = bins_;
  bins[which_] = rollAsIn(slabs);
  return bins;
}

Bin RollShortening::rollAsIn(const std::vector<Slab>& slabs) const {
  Bin roll = binOf(job_, 0, slabs);
  roll.stock = bins_[which_].stock;
  for (SheetPart& part : roll.parts)
    if (part.kind == SheetPart::Kind::Piece) part.piece = kinds_[part.piece];
  for (std::size_t& kind : roll.holds) kind = kinds_[kind];
  return roll;
}

}  // namespace drapery
