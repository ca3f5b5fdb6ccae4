// A rectangle filled with as much as goes in: a few pieces are tried in its corner, each with the
// two ways of cutting beside it, and what is left is filled alike.
#pragma once

#include <array>
#include <random>

#include "core/cutting/chance.h"
#include "core/cutting/material_job.h"
#include "core/cutting/sheet_part.h"

namespace drapery {

struct Filling {
  double area = 0.0;             // of the pieces in it
  std::vector<SheetPart> parts;  // the first is the whole
};

class RegionFiller {
 public:
  RegionFiller(const MaterialJob& job, std::mt19937_64& random) : job_(job), random_(random) {}

  /// Of these kinds, so many of each: what it places is taken out of `pool`.
  Filling fill(std::size_t stock, const SheetPart& region, const std::vector<std::size_t>& kinds,
               Counts& pool);

 private:
  struct Candidate {
    double merit = 0.0;
    std::size_t which = 0;  // of the kinds
    LyingSize size;
  };
  Filling fill(const SheetPart& region, Counts& pool, int depth);
  [[nodiscard]] std::vector<Candidate> candidates(const SheetPart& region, const Counts& pool,
                                                  std::size_t most);
  Filling place(const SheetPart& region, const Candidate& candidate, bool isBesideFirst,
                Counts& pool, int depth);
  double part() { return drawnPart(random_); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::size_t stock_ = 0;
  const std::vector<std::size_t>* kinds_ = nullptr;
  Micrometres leastAcross_ = 0, leastAlong_ = 0;  // of what there was: less is lost
};

}  // namespace drapery
