// A job for a book of another size: what its rule file says goes along (`scales`) does.
#pragma once

#include <map>
#include <string>

#include "core/plan/planner.h"

namespace drapery {

/// The same book with `id` (a measure that scales, as "text_height") at `value`: every other
/// measure that scales follows in proportion, readings too. What follows from others by itself is
/// left to. Nothing when `id` does not scale or has no value above 0.
std::optional<Job> rescaled(const Job& job, const Planner& planner, const std::string& id,
                            double value);

/// As large in `id` as said, and in the proportions of a model: its measures by id, in mm. Measures
/// of the model that do not scale are not looked at. Nothing when the model lacks `id`.
std::optional<Job> likeModel(const Job& job, const Planner& planner,
                             const std::map<std::string, double>& model, const std::string& id,
                             double value);

}  // namespace drapery
