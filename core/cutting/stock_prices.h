// What pieces are worth where there are several stocks: at such prices a box tells how much of its
// sheet is lost, as those of one roll do.
#pragma once

#include <functional>
#include <optional>

#include "core/cutting/box_worths.h"
#include "core/cutting/material_job.h"
#include "core/cutting/most_room.h"

namespace drapery {

/// So many of the prices, the last ones, are bounded by what lies across, the others along.
inline constexpr std::size_t kPricesAcross = 2;

/// Of many prices, at which nothing that lies end to end along one of the stocks, or side by side
/// across it, is worth more than one, those at which stock so cheap can be worth least more than
/// all pieces are. None where lengths are too fine, or there was no time.
/// @param alongs how far each stock is used, um, enlarged by its kerf; 0: not at all.
/// @param below what all of it costs less than. Of a job that has one roll at most.
std::optional<PiecePrices> stockPrices(const MaterialJob& job,
                                       const std::vector<Micrometres>& alongs, double below,
                                       const std::function<bool()>& isOver);

/// What each stock is worth at most at one of the prices.
StockWorths stockWorths(const MaterialJob& job, const std::vector<Micrometres>& alongs,
                        const PiecePrices& prices, std::size_t which);

}  // namespace drapery
