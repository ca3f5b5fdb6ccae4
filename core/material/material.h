// A material of the catalogue: what a binder buys, as far as sizes follow from it.
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

/// How a kind of material is sold.
struct MaterialKind {
  struct Sheet : SheetSize {
    std::string name;                  // that its size goes by: "A4"; may be empty
    Units units = Units::Millimetres;  // in which it was said
  };
  struct Roll {
    Length width;
    Units units = Units::Millimetres;
  };
  std::string id;  // "board"
  std::vector<Sheet> sheets;
  std::vector<Roll> rolls;
  bool isByLength = false;  // asked for by length alone: tape, cord
  std::string instead;      // what else does; may be empty
  int layers = 1;           // as many thinner ones, pasted together, do for one
  std::string practice;     // where the figures come from
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
