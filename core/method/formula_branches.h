// The ways that a formula can go.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace drapery {

/// "spine_shape == flat ? spine_thickness : spine_arc" goes two ways.
struct FormulaBranch {
  std::string when;  // empty: in all other cases
  std::string result;
};

/// In the order in which they are asked; the last one's `when` is empty. A formula without a
/// question of its own, or with one that is not sound, is a single branch. A question within a sum
/// or a branch's result stays there.
std::vector<FormulaBranch> branchesOf(std::string_view formula);

}  // namespace drapery
