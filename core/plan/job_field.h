// The fields of a job by name, so that an edit is a field and a value: "title", "units", "round",
// "method", "copies", "given/text_height", "allowances/setback", "fixed/board_width",
// "as_cut/board/width".
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>

#include "core/plan/job.h"

namespace drapery {

using FieldValue = std::optional<Entry>;

/// Nothing for a field that was not said. Title, units and method always have a value.
FieldValue fieldValue(const Job& job, std::string_view field);

/// Whether an allowance is sound under the method that the job changes to.
using TakesAllowance = std::function<bool(const std::string& key, const Entry& entry)>;

/// Another method puts this method's allowances away in `otherAllowances` and takes out those of
/// its own that are sound; the first time it starts from those that it shares. What it does not
/// take stays where it is.
void setMethod(Job& job, const std::string& method, const TakesAllowance& takes);

/// Sets or, with nothing, forgets a field. Unknown fields are ignored. A method takes all that
/// waits for it; see setMethod.
void setField(Job& job, std::string_view field, const FieldValue& value);

}  // namespace drapery
