// The fields of a job by name, so that an edit is a field and a value: "title", "units", "round",
// "method", "given/text_height", "allowances/setback".
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "core/plan/job.h"

namespace drapery {

using FieldValue = std::optional<Entry>;

/// Nothing for a field that was not said. Title, units and method always have a value.
FieldValue fieldValue(const Job& job, std::string_view field);

/// Sets or, with nothing, forgets a field. Another method puts this method's allowances away in
/// `otherAllowances` and takes out its own; the first time it starts from those that it shares
/// (`known` lists the allowances that the new method knows). Unknown fields are ignored.
void setField(Job& job, std::string_view field, const FieldValue& value,
              const std::vector<std::string>& known = {});

}  // namespace drapery
