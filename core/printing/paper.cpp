#include "core/printing/paper.h"

#include <algorithm>
#include <cctype>
#include <charconv>

namespace drapery {

const std::vector<Paper>& allPapers() {
  static const std::vector<Paper> kPapers{{"a4", "A4", 210.0, 297.0},
                                          {"a3", "A3", 297.0, 420.0},
                                          {"letter", "Letter", 215.9, 279.4},
                                          {"legal", "Legal", 215.9, 355.6}};
  return kPapers;
}

std::optional<Paper> paperNamed(std::string_view name) {
  std::string small(name);
  std::transform(small.begin(), small.end(), small.begin(),
                 [](unsigned char letter) { return static_cast<char>(std::tolower(letter)); });
  for (const Paper& paper : allPapers())
    if (paper.id == small) return paper;
  constexpr std::string_view kRoll = "roll:";
  if (small.rfind(kRoll, 0) != 0) return std::nullopt;
  double width = 0.0;
  const char* end = small.data() + small.size();
  const auto [stopped, error] = std::from_chars(small.data() + kRoll.size(), end, width);
  const bool isSound =
      error == std::errc() && stopped == end && width >= kNarrowestRoll && width <= kWidestRoll;
  if (!isSound) return std::nullopt;
  return Paper{small, "roll", width, kLongestRoll, true};
}

}  // namespace drapery
