#include "core/material/material.h"

#include "core/geometry/sheet.h"

namespace drapery {

std::optional<Length> Material::caliper() const {
  if (thickness) return thickness;
  if (grammage && bulk) return caliperOf(*grammage, *bulk);
  return std::nullopt;
}

std::optional<double> Material::property(std::string_view name) const {
  if (name == "grammage") return grammage;
  if (name == "bulk") return bulk;
  const auto length = caliper();
  return length ? std::optional(length->mm()) : std::nullopt;
}

}  // namespace drapery
