// What no lay-out can cost less than, from the worth that pieces can have: if no sheet
// holds pieces worth more than it costs, all of them cost what all of them are worth. And the
// sheets that come out of it, each as often as it would be used if it could be used in part.
#pragma once

#include <functional>
#include <vector>

#include "core/cutting/least_sum.h"

namespace drapery {

/// A sheet filled so, and how often; of the kinds there may be more than are wanted.
struct PatternUse {
  std::size_t stock = 0;  // of the job
  double often = 0.0;
  std::vector<SheetPart> parts;
};

struct Patterns {
  double bound = 0.0;
  double cost = 0.0;               // of the uses, and of what they do not hold by itself
  std::vector<StockCover> covers;  // by the worths that bounded best
  std::vector<PatternUse> uses;
  std::vector<PatternUse> known;  // those and others that would cost little more
};

/// Worths are found by generating patterns (Gilmore and Gomory 1961, "A linear programming approach
/// to the cutting-stock problem", Operations Research 9), in whole numbers at the end, so that no
/// rounding makes the bound too much. No bound for a roll alone; nothing where there are very many
/// kinds.
/// @param known a bound. @param enough one that proves what is laid already: there is no use in a
/// better one.
/// @param effort of the usual work, 0 to 1: so much is done, whatever time it takes.
Patterns findPatterns(const MaterialJob& job, double known, double enough, double effort,
                      const std::function<bool()>& isOver);

/// Of sheets that hold no more of anything than is wanted those that would cost least if they could
/// be used in part; no bound comes of it.
/// @param used sheets of each stock that are gone. @param known to begin with, such as were found
/// for more.
Patterns properPatterns(const MaterialJob& job, const std::vector<int>& used,
                        std::vector<PatternUse> known, double effort,
                        const std::function<bool()>& isOver);

}  // namespace drapery
