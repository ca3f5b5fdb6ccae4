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
  /// @param counts by stock of the job, no more than there are; of a roll one at most. @param along
  /// of that, which is taken as a sheet, um. The job outlives it.
  GivenSheets(const MaterialJob& job, const Counts& counts, std::mt19937_64& random,
              std::function<bool()> isEnough, Micrometres along = 0);
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
  /// What is left of it on the sheets that hold nothing yet, or on no more than that part of their
  /// room; false where it was left undone.
  bool fill(LaidInPart& laid, double effort, double part = 1.0);
  /// What is left of it on the sheets that hold nothing yet, a few times as long as next to nothing
  /// stays loose: then that gets further than to begin anew.
  /// @param best what leaves least; with what was there before, if anything.
  /// @returns false where it was left undone.
  bool fillWhileNear(const LaidInPart& begun, double effort, std::optional<LaidInPart>& best);
  /// @returns what is loose.
  double goOnFrom(LaidInPart laid);

  /// A roll as a sheet of that length.
  void takeAsSheet(std::size_t roll, Micrometres along);

  const MaterialJob& whole_;
  const Counts counts_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  CutProblem problem_;
  MaterialJob job_;  // with no more sheets than those
  SheetFilling filling_;
  OneFewer fewer_;
};

}  // namespace drapery
