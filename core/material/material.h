// A material on the shelf: what a binder buys, as far as sizes follow from it.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/diag/issue.h"
#include "core/quantity/length.h"

namespace drapery {

/// A sheet as it is sold: width across, height along the grain.
struct SheetSize {
  Length width;
  Length height;
};

struct Material {
  std::string id;
  std::string kind;  // "board", "card", "cloth", "paper"
  std::string title;
  std::optional<Length> thickness;  // measured or told by the maker
  std::optional<double> grammage;   // g/m2, ISO 536
  std::optional<double> bulk;       // cm3/g, ISO 534
  std::vector<SheetSize> sheets;
  std::string practice;  // where the figures come from

  /// The thickness, or else the caliper that follows from grammage and bulk.
  [[nodiscard]] std::optional<Length> caliper() const;
  /// "thickness" (mm), "grammage" or "bulk"; nothing when it is not known.
  [[nodiscard]] std::optional<double> property(std::string_view name) const;
};

}  // namespace drapery
