// What a number in a rule measures: a length, an angle, a count; and what a sum of two of them
// would be.
#pragma once

#include <array>
#include <cstdint>
#include <string>
#include <string_view>

namespace drapery {

/// Powers of the things that binders measure. Grammage and bulk stand for themselves, since their
/// product is a length only after a factor of 1000: `caliper` does that. A plain number (a count, a
/// ratio, a yes or no) has no power of any.
class Dimension {
 public:
  constexpr Dimension() = default;
  static constexpr Dimension number() { return {}; }
  static constexpr Dimension length() { return Dimension(0); }    // mm
  static constexpr Dimension angle() { return Dimension(1); }     // degrees
  static constexpr Dimension grammage() { return Dimension(2); }  // g/m2
  static constexpr Dimension bulk() { return Dimension(3); }      // cm3/g
  static constexpr Dimension time() { return Dimension(4); }      // minutes
  static constexpr Dimension money() { return Dimension(5); }     // of the binder's own kind

  [[nodiscard]] constexpr bool isNumber() const { return *this == Dimension(); }
  [[nodiscard]] Dimension times(const Dimension& other) const;
  [[nodiscard]] Dimension over(const Dimension& other) const;
  [[nodiscard]] Dimension root() const;  // of an area: a length
  [[nodiscard]] Dimension power(int exponent) const;

  /// "mm", "1", "deg", "g/m2", "mm^2": as rule files write it.
  [[nodiscard]] std::string name() const;

  friend constexpr bool operator==(const Dimension&, const Dimension&) = default;

 private:
  static constexpr std::size_t kThings = 6;
  constexpr explicit Dimension(std::size_t thing) { halves_[thing] = 2; }
  std::array<std::int8_t, kThings> halves_{};  // half powers, so that roots can be told
};

/// What an expression is, as far as can be told.
struct Quantity {
  enum class Kind {
    Known,   // of the dimension
    Any,     // 0, which fits anything
    Open,    // a name that only another file supplies
    Choice,  // what was chosen of a choice
    Option   // one of the things to choose from
  };
  Kind kind = Kind::Open;
  Dimension dimension = {};
  std::string_view id = {};  // of the choice or the option

  static Quantity of(const Dimension& dimension) { return {Kind::Known, dimension, {}}; }
  static Quantity any() { return {Kind::Any, {}, {}}; }
  static Quantity choice(std::string_view id) { return {Kind::Choice, {}, id}; }
  static Quantity option(std::string_view id) { return {Kind::Option, {}, id}; }
};

}  // namespace drapery
