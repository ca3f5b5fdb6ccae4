#include "core/cutting/roll_shortening.h"

#include <algorithm>

namespace drapery {

namespace {

MaterialJob onRollAlone(const MaterialJob& job, const Bin& roll, std::vector<std::size_t>& kinds) {
  Counts counts(job.kinds.size(), 0);
  for (const std::size_t kind : roll.holds) ++counts[kind];
  MaterialJob alone = onlyWanted(job, counts, kinds);
  alone.stocks = {job.stocks[roll.stock]};
  alone.sizes = {std::move(alone.sizes[roll.stock])};
  return alone;
}

}  // namespace

RollShortening::RollShortening(const MaterialJob& job, std::vector<Bin> bins, std::size_t which,
                               std::mt19937_64& random, std::function<bool()> isEnough)
    : bins_(std::move(bins)),
      which_(which),
      random_(random),
      isEnough_(std::move(isEnough)),
      job_(onRollAlone(job, bins_[which], kinds_)),
      merged_(job_, random, isEnough_),
      shorter_(job_, random) {
  std::vector<SheetPart> parts = bins_[which].parts;
  for (SheetPart& part : parts)
    if (part.kind == SheetPart::Kind::Piece)
      part.piece = static_cast<std::size_t>(
          std::lower_bound(kinds_.begin(), kinds_.end(), part.piece) - kinds_.begin());
  merged_.begin(parts);
  shorter_.begin(merged_.shortest());
}

std::optional<std::vector<Bin>> RollShortening::step() {
  constexpr int kTries = 16;
  constexpr std::size_t kPatience = 3000;  // tries until another slab goes
  if (shorter_.tried() > kPatience) shorter_.begin(merged_.shortest());
  const std::vector<Slab>* found = nullptr;
  if (random_() % 2 == 0) {
    const Micrometres before = merged_.along();
    merged_.step();
    if (merged_.along() < before) found = &merged_.shortest();
  }
  for (int i = 0; i < kTries && found == nullptr && !isEnough_(); ++i)
    if (shorter_.step()) found = &shorter_.slabs();
  if (found == nullptr) return std::nullopt;
  bins_[which_] = rollAsIn(*found);
  const std::vector<Slab> slabs = *found;
  if (alongOf(slabs) < merged_.along()) merged_.begin(rollOf(job_, slabs).parts);
  shorter_.begin(slabs);
  return bins_;
}

Bin RollShortening::rollAsIn(const std::vector<Slab>& slabs) const {
  Bin roll = rollOf(job_, slabs);
  roll.stock = bins_[which_].stock;
  for (SheetPart& part : roll.parts)
    if (part.kind == SheetPart::Kind::Piece) part.piece = kinds_[part.piece];
  for (std::size_t& kind : roll.holds) kind = kinds_[kind];
  return roll;
}

}  // namespace drapery
