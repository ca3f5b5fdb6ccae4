// What can be printed on, and how a printer is off.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace drapery {

/// mm, upright. ISO 216 for A sizes; ANSI/ASME Y14.1 and US practice for the others: letter
/// 8 1/2 x 11 in, legal 8 1/2 x 14 in.
struct Paper {
  std::string id;     // "a4"; "roll"
  std::string title;  // "A4"
  double width = 0.0, height = 0.0;
  bool isRoll = false;  // as long as it has to be
};

inline constexpr double kNarrowestRoll = 180.0, kWidestRoll = 2000.0, kLongestRoll = 10'000.0;

/// Without rolls.
const std::vector<Paper>& allPapers();
/// "a4", "A3", "letter", "legal", "roll:610" (mm); none for any other.
std::optional<Paper> paperNamed(std::string_view name);

/// What a printer makes of a length, each way: a bar of 100 that measures 99.2 comes out 0.992 of
/// what it should be. Everything is then drawn larger by as much.
struct PrinterError {
  static constexpr double kLeast = 0.9, kMost = 1.1;  // further off it is a setting that scales
  double across = 1.0, along = 1.0;
  [[nodiscard]] bool isSound() const {
    return across >= kLeast && across <= kMost && along >= kLeast && along <= kMost;
  }
  friend bool operator==(const PrinterError& a, const PrinterError& b) {
    return a.across == b.across && a.along == b.along;
  }
};

}  // namespace drapery
