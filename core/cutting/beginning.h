// The ways in which a first lay-out is made, what is quick first.
#pragma once

#include <random>
#include <vector>

#include "core/cutting/material_job.h"
#include "core/cutting/placing.h"

namespace drapery {

/// Each sheet the fullest of so many tries, or of so many quick fills, of which parts are filled
/// again so often; then the rest where there is room.
struct Beginning {
  PlacingHabit habit = {};
  int tries = 0, fills = 0, again = 0;
  double growth = 0.0;  // so many times as often more, the nearer the last sheets are
  double lean = 0.0;    // toward large pieces: small ones find room on the last sheets
  [[nodiscard]] bool isFilling() const { return tries > 0 || fills > 0; }
  /// Whether each sheet takes its time.
  [[nodiscard]] bool isPatient() const { return again > 0; }
};

/// Of very many pieces few of them, since each takes its time.
std::vector<Beginning> quickBeginnings(std::size_t pieces);

/// One whose sheets are worked on for long: sheet after sheet so full that the last ones have room
/// to spare.
/// @param effort about so many tenths of a second, whatever the job.
Beginning patientBeginning(const MaterialJob& job, double effort, std::mt19937_64& random);

}  // namespace drapery
