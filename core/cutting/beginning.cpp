#include "core/cutting/beginning.h"

#include <algorithm>

#include "core/cutting/joined_row.h"
#include "core/cutting/room_losses.h"

namespace drapery {

std::vector<Beginning> quickBeginnings(std::size_t pieces) {
  using Habit = PlacingHabit;
  constexpr std::size_t kMany = 300;
  std::vector<Beginning> all(1);
  if (pieces > kMany) {
    all.push_back({.fills = 10});
    return all;
  }
  all.push_back({.tries = 1});
  all.push_back({.tries = 4});
  for (const Habit::Fit fit : Habit::kFits)
    for (const bool isLarge : {true, false})
      for (const Habit::Order order : Habit::kOrders)
        all.push_back({.habit = {fit, isLarge, order, 0.0}});
  return all;
}

Beginning patientBeginning(const MaterialJob& job, double effort, std::mt19937_64& random) {
  constexpr double kWays = 1e8, kMostLooked = 400;              // ways looked at; for one fill
  constexpr double kLongerTold = 3.0;                           // where losses are told before
  constexpr double kLeast = 30, kMost = 3'000, kMostEach = 25;  // times; for each piece
  constexpr int kFills = 60, kOften = 3;  // one in so many leans as far as it may
  constexpr double kGrowth = 10.0, kLeanest = 0.01, kLean = 0.04, kMostLean = 0.1;
  constexpr double kLeanestOfRows = 0.005, kLeanOfRows = 0.02;  // the last is little worse
  double pieces = 0.0;
  for (const int count : job.counts) pieces += count;
  const double kinds = double(job.kinds.size());
  const double longer = areLossesTold(job.kinds.size(), job) ? kLongerTold : 1.0;
  const double times = effort * kWays / (pieces * std::min(2.0 * kinds, kMostLooked));
  const double often = std::max(kLeast, std::min(kMost, kMostEach * pieces));
  Beginning how;
  how.fills = kFills;
  how.again = static_cast<int>(std::max(kLeast, std::min(times, often) / longer));
  how.growth = kGrowth;
  const bool isByRows = isOfManyKinds(job) &&
                        std::any_of(job.stocks.begin(), job.stocks.end(), [&](std::size_t stock) {
                          return job.problem->stocks[stock].form == StockForm::Roll;
                        });
  const double most = isByRows ? kLeanOfRows : random() % kOften == 0 ? kMostLean : kLean;
  how.lean =
      std::uniform_real_distribution<double>(isByRows ? kLeanestOfRows : kLeanest, most)(random);
  return how;
}

}  // namespace drapery
