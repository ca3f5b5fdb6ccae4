// A roll of a lay-out made shorter: what lies on it is laid anew, also on what lies beside it.
#pragma once

#include <memory>
#include <optional>

#include "core/cutting/roll_boxes.h"
#include "core/cutting/roll_slabs.h"
#include "core/cutting/row_exchange.h"
#include "core/cutting/shorter_roll.h"
#include "core/cutting/slab_sheets.h"

namespace drapery {

class RollShortening {
 public:
  /// @param which of the bins it is: a roll without pins.
  RollShortening(const MaterialJob& job, std::vector<Bin> bins, std::size_t which,
                 std::mt19937_64& random, std::function<bool()> isEnough);
  RollShortening(const RollShortening&) = delete;
  RollShortening& operator=(const RollShortening&) = delete;

  /// Some tries; the bins with a shorter roll, where that comes of it: then it is done.
  std::optional<std::vector<Bin>> step();

 private:
  std::optional<std::vector<Bin>> stepAnyWay();
  std::optional<std::vector<Bin>> stepBoxes();
  std::optional<std::vector<Bin>> stepMerged();
  std::optional<std::vector<Bin>> stepFew();
  std::optional<std::vector<Bin>> stepMany();
  std::optional<std::vector<Bin>> stepRows();
  /// Some slabs that together hold no more than a few: of more those that lose most, more or less.
  void beginRows();
  [[nodiscard]] std::vector<Bin> withRoll(const std::vector<Slab>& slabs) const;
  /// Of the whole job.
  [[nodiscard]] Bin rollAsIn(const std::vector<Slab>& slabs) const;

  std::vector<Bin> bins_;
  std::size_t which_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  const MaterialJob& whole_;
  bool isMany_, isOfMore_;          // than there are tries for by boxes
  std::vector<std::size_t> kinds_;  // of the job, those on the roll
  MaterialJob job_;                 // what lies on the roll alone
  bool isOfFewKinds_;               // and of many pieces, but not very many
  RollBoxes boxes_;
  RollSlabs merged_;
  ShorterRoll shorter_;                 // of few
  std::unique_ptr<SlabSheets> sheets_;  // of many
  RowExchange rows_;                    // of many
  std::vector<Slab> kept_;              // beside those
  double leastLoose_ = 0.0;
  int inVain_ = 0;  // tries since less was loose than ever
};

}  // namespace drapery
