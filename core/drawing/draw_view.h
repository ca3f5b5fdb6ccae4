// A view of a rule set drawn for one book.
#pragma once

#include <optional>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/plan.h"

namespace drapery {

/// The view's figure with the numbers bound to it, its own lines, and its tags. What is not known
/// yet is drawn dashed at a usual size, or left out.
Drawing drawView(const ViewRule& view, const Plan& plan, const Pose& pose = {});

/// A view's drawing again, of another plan or turned otherwise; none where the plan's rules have no
/// such view.
std::optional<Drawing> drawAgain(const Drawing& drawing, const Plan& plan, const Pose& pose);

/// The rule set's views of a stage that have a place on this book, in the order of the file.
/// Without the details, which are seen when they are asked for.
std::vector<const ViewRule*> viewsOf(const Plan& plan, std::string_view stage);
/// The closer looks that a view offers on this book.
std::vector<const ViewRule*> detailsOf(const Plan& plan, std::string_view view);

}  // namespace drapery
