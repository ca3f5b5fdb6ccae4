#include "core/expr/dimension.h"

namespace drapery {

namespace {
constexpr std::array<std::string_view, 6> kNames{"mm", "deg", "g/m2", "cm3/g", "min", "money"};
}

Dimension Dimension::times(const Dimension& other) const {
  Dimension product = *this;
  for (std::size_t i = 0; i < kThings; ++i)
    product.halves_[i] = static_cast<std::int8_t>(product.halves_[i] + other.halves_[i]);
  return product;
}

Dimension Dimension::over(const Dimension& other) const { return times(other.power(-1)); }

Dimension Dimension::root() const {
  Dimension root = *this;
  for (auto& half : root.halves_) half = static_cast<std::int8_t>(half / 2);
  return root;
}

Dimension Dimension::power(int exponent) const {
  Dimension power = *this;
  for (auto& half : power.halves_) half = static_cast<std::int8_t>(half * exponent);
  return power;
}

std::string Dimension::name() const {
  std::string name;
  for (std::size_t i = 0; i < kThings; ++i) {
    if (halves_[i] == 0) continue;
    name += (name.empty() ? "" : " ") + std::string(kNames[i]);
    if (halves_[i] != 2)
      name += "^" + (halves_[i] % 2 == 0 ? std::to_string(halves_[i] / 2)
                                         : std::to_string(halves_[i]) + "/2");
  }
  return name.empty() ? "1" : name;
}

}  // namespace drapery
