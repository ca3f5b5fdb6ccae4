// The fields of a job by name, so that an edit is a field and a value: "title", "units", "round",
// "method", "why", "copies", "given/text_height", "given/text_height@head", "allowances/setback",
// "fixed/board_width", "as_cut/board/width", "sewing/allowances/near".
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>

#include "core/plan/job.h"

namespace drapery {

using FieldValue = std::optional<Entry>;

/// The readings' names in a field, one for each: its place, or where it has none, or one that was
/// read before, its number from 1.
std::vector<std::string> readingNames(const Entry& entry);

/// "given/text_height" and "head" of "given/text_height@head"; an empty name for no reading.
std::pair<std::string_view, std::string_view> splitReading(std::string_view field);

/// One reading as a field's value.
Entry readingEntry(Written value, std::string by);

/// Nothing for a field that was not said. Title, units and method always have a value. A reading's
/// is an entry with that one alone.
FieldValue fieldValue(const Job& job, std::string_view field);

/// Whether an allowance is sound under the method that the job changes to.
using TakesAllowance = std::function<bool(const std::string& key, const Entry& entry)>;

/// Another method puts this method's allowances away in `otherAllowances` and takes out those of
/// its own that are sound; the first time it starts from those that it shares. What it does not
/// take stays where it is.
void setMethod(Job& job, const std::string& method, const TakesAllowance& takes);

/// Sets or, with nothing, forgets a field. Unknown fields are ignored. A method takes all that
/// waits for it; see setMethod. A reading beside a plain figure makes that one a reading too, of no
/// place; the last one that is forgotten takes the measure with it.
void setField(Job& job, std::string_view field, const FieldValue& value);

}  // namespace drapery
