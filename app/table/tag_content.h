// What a tag shows of a plan.
#pragma once

#include "app/document/document.h"
#include "app/table/tag.h"

namespace drapery {

/// Values that are no numbers of the method: "method", and the graduated rule's "units" and
/// "round".
bool isRuleValue(const std::string& value);

/// Nothing for a value that the method does not have or that could not be computed, and for a
/// choice of one.
std::optional<Tag::Kind> tagKind(const Plan& plan, const std::string& value);

/// Whether it is a length that the binder says, a reading's among them.
bool isMeasuredLength(const Plan& plan, const std::string& value);

/// Of a value that has a kind, by the plan alone: without materials and readings, and without a
/// message.
TagContent tagContent(const Plan& plan, const std::string& value);
/// Of a value that has a kind. Without a message.
TagContent tagContent(const Document& document, const std::string& value);

}  // namespace drapery
