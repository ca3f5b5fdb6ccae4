// A length typed into an entry of its own, beside the tags.
#pragma once

#include <variant>

#include "core/diag/issue.h"
#include "core/quantity/units.h"

class QLineEdit;

namespace drapery {

/// What may stand there.
struct LengthRange {
  Units units = Units::Millimetres;  // of a bare figure
  double least = 0.0, most = 0.0;    // mm
};

/// In mm; or what is wrong with it, told by the entry's accessible name.
std::variant<double, Issue> lengthTyped(const QLineEdit& entry, const LengthRange& range);

}  // namespace drapery
