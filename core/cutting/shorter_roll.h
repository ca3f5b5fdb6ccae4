// A roll that is to be shorter: slabs across it are filled anew, a few at a time, of what lies on
// them and what lies nowhere, until all of it does.
#pragma once

#include <array>
#include <functional>
#include <random>

#include "core/cutting/chance_filler.h"
#include "core/cutting/slab.h"

namespace drapery {

class ShorterRoll {
 public:
  /// Of a job whose one stock is the roll.
  ShorterRoll(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough);

  /// From a lay-out: a little of its length goes, and a slab, mostly one that is used least.
  void begin(const std::vector<Slab>& slabs);
  /// One try; true once all lies somewhere.
  bool step();
  [[nodiscard]] const std::vector<Slab>& slabs() const { return slabs_; }
  /// Tries since it began.
  [[nodiscard]] std::size_t tried() const { return tried_; }

 private:
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }
  [[nodiscard]] double worthOf(const std::vector<std::size_t>& kinds) const;

  const MaterialJob& job_;
  std::mt19937_64& random_;
  ChanceFiller filler_;
  std::vector<double> areas_;  // by kind
  std::vector<Slab> slabs_;
  std::vector<std::size_t> loose_;  // kinds
  Micrometres slack_ = 0;           // of the length, taken by none
  double looseWorth_ = 0.0;
  /// As in one_fewer.
  std::array<double, 50> before_{};
  std::size_t tried_ = 0;
};

}  // namespace drapery
