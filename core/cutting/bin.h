// A sheet or roll while it is being filled.
#pragma once

#include <optional>
#include <vector>

#include "core/cutting/material_job.h"
#include "core/cutting/region_filler.h"
#include "core/cutting/sheet_part.h"

namespace drapery {

struct Bin {
  std::size_t stock = 0;              // of the job
  std::vector<SheetPart> parts;       // the first is the whole
  std::vector<std::size_t> free;      // of the parts
  std::vector<std::size_t> holds;     // kinds, each as often as it lies in it
  double area = 0.0;                  // of those
  Micrometres end = 0;                // of what lies in it
  std::optional<std::size_t> pinned;  // which of the pinned sheets it is
  bool isBare = false;                // that one, and nothing laid around its pins
};

Bin emptyBin(const MaterialJob& job, std::size_t stock);
/// With its pins alone.
Bin pinnedBin(const MaterialJob& job, std::size_t which);
/// The same sheet with nothing on it but its pins, if it has any.
Bin emptied(const MaterialJob& job, const Bin& bin);

/// Of one piece.
double areaOfKind(const MaterialJob& job, std::size_t kind);
double areaOf(const MaterialJob& job, const Counts& counts);
std::vector<double> areasOf(const MaterialJob& job, const std::vector<std::size_t>& kinds);
/// How much of it is used, 0 to 1.
double shareOf(const MaterialJob& job, const Bin& bin);
/// Of each kind of the job, how many lie in it.
Counts heldIn(const MaterialJob& job, const Bin& bin);
/// Whether a free part reaches to the end of a roll, which is not known yet.
bool isOpenEnded(const MaterialJob& job, const Bin& bin, const SheetPart& room);

/// One more piece, which is in `parts`.
void hold(const MaterialJob& job, Bin& bin, const SheetPart& piece);
/// A filling in the place of a free part.
void takeFilling(const MaterialJob& job, Bin& bin, const Filling& filling, std::size_t at);

/// A filling as wide as a free part at its beginning, as far as pieces lie in it.
/// @returns what is left free beyond it; none where nothing is.
std::optional<std::size_t> takeSlab(const MaterialJob& job, Bin& bin, Filling filling,
                                    std::size_t at);
/// The part of a roll, as wide as can be, that reaches to its end.
std::optional<std::size_t> openEnd(const MaterialJob& job, const Bin& bin);

CutSheet sheetOf(const MaterialJob& job, const Bin& bin);

}  // namespace drapery
