#include "core/diag/nearest_name.h"

#include <algorithm>

namespace drapery {

namespace {

constexpr std::size_t kLongest = 64;

std::size_t editDistance(std::string_view a, std::string_view b) {
  std::vector<std::size_t> before(b.size() + 1), last(b.size() + 1), row(b.size() + 1);
  for (std::size_t j = 0; j <= b.size(); ++j) last[j] = j;
  for (std::size_t i = 1; i <= a.size(); ++i) {
    row[0] = i;
    for (std::size_t j = 1; j <= b.size(); ++j) {
      const std::size_t change = a[i - 1] == b[j - 1] ? 0 : 1;
      row[j] = std::min({last[j] + 1, row[j - 1] + 1, last[j - 1] + change});
      const bool swapped = i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1];
      if (swapped) row[j] = std::min(row[j], before[j - 2] + 1);
    }
    before.swap(last);
    last.swap(row);
  }
  return last[b.size()];
}

}  // namespace

std::string nearestName(std::string_view wrong, const std::vector<std::string>& known,
                        std::size_t most) {
  if (wrong.size() > kLongest) return {};
  std::string best;
  std::size_t least = std::min(most, std::max<std::size_t>(2, wrong.size() / 3)) + 1;
  for (const std::string& name : known) {
    const std::size_t longer = std::max(wrong.size(), name.size());
    const std::size_t shorter = std::min(wrong.size(), name.size());
    if (longer - shorter >= least || name == wrong) continue;  // too far off, or no help
    const std::size_t distance = editDistance(wrong, name);
    if (distance >= least) continue;
    least = distance;
    best = name;
  }
  return best;
}

}  // namespace drapery
