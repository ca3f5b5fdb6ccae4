// All that is wanted laid on so many sheets of each stock, and on no others: by patterns, or sheet
// after sheet; what is loose then is to find room there, as where one sheet fewer is looked for.
#pragma once

#include <functional>
#include <optional>
#include <random>

#include "core/cutting/one_fewer.h"
#include "core/cutting/pattern_dive.h"
#include "core/cutting/sheet_filling.h"

namespace drapery {

class GivenSheets {
 public:
  /// @param counts by stock of the job, of sheets alone, no more than there are. The job outlives
  /// it.
  GivenSheets(const MaterialJob& job, const Counts& counts, std::mt19937_64& random,
              std::function<bool()> isEnough);
  GivenSheets(const GivenSheets&) = delete;
  GivenSheets& operator=(const GivenSheets&) = delete;

  /// From nothing.
  /// @param effort as of a patient beginning.
  /// @returns what is loose then, um2; none where it was left undone.
  std::optional<double> beginBySheets(double effort);
  /// @param known of the job.
  std::optional<double> beginByPatterns(const Patterns& known);
  /// One try; true once all lies somewhere.
  bool step() { return fewer_.step(); }
  [[nodiscard]] double looseArea() const { return fewer_.looseArea(); }
  /// Of the job, what holds something.
  [[nodiscard]] std::vector<Bin> bins() const;

 private:
  /// What is left of it on the sheets that hold nothing yet, or on so much of their room; false
  /// where it was left undone.
  bool fill(LaidInPart& laid, double effort, double part = 1.0);
  /// What is left of what has begun, so often as next to nothing is loose but some tries: better
  /// than to begin anew. What leaves least is in `best`.
  bool fillWhileNear(const LaidInPart& begun, double effort, std::optional<LaidInPart>& best);
  /// @returns what is loose.
  double goOnFrom(LaidInPart laid);

  const Counts counts_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  CutProblem problem_;
  MaterialJob job_;  // with no more sheets than those
  SheetFilling filling_;
  OneFewer fewer_;
};

}  // namespace drapery
