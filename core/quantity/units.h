// The unit a binder reads and writes in, and the unit a result is of.
#pragma once

namespace drapery {

enum class Units { Millimetres, Inches };

/// What a computed number is: millimetres, degrees, or a plain ratio.
enum class Unit { Millimetre, Degree, One };

/// A computed number with its unit: what a message or a note carries.
struct Amount {
  double value = 0.0;
  Unit unit = Unit::One;
  friend bool operator==(const Amount& a, const Amount& b) {
    return a.value == b.value && a.unit == b.unit;
  }
};

}  // namespace drapery
