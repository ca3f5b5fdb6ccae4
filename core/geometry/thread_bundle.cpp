#include "core/geometry/thread_bundle.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numbers>

namespace drapery {

namespace {

constexpr int kMost = 10;
constexpr int kHalvings = 60;

/// With so wide a hole: whether the threads, along the wall as far round as they reach, leave the
/// needle its place at the wall across from their middle.
bool leavesRoom(double hole, int threads, double thread, double needle) {
  const double needleOff = (hole - needle) / 2, threadOff = (hole - thread) / 2;
  if (needleOff < 0.0 || threadOff < 0.0) return false;
  if (threads == 1) return needleOff + threadOff >= (thread + needle) / 2;
  if (threadOff <= thread / 2) return false;
  const double turn = (threads - 1) * std::asin(thread / (hole - thread));
  if (turn > std::numbers::pi) return false;  // they would go all the way round
  const double apart =
      needleOff * needleOff + threadOff * threadOff + 2 * needleOff * threadOff * std::cos(turn);
  return apart >= std::pow((thread + needle) / 2, 2);
}

double alongTheWall(int threads, double thread, double needle, double enough) {
  double least = thread + needle, most = std::max(enough, least);
  if (leavesRoom(least, threads, thread, needle)) return least;
  if (!leavesRoom(most, threads, thread, needle)) return enough;
  for (int i = 0; i < kHalvings; ++i) {
    const double middle = (least + most) / 2;
    (leavesRoom(middle, threads, thread, needle) ? most : least) = middle;
  }
  return most;
}

}  // namespace

double bundleRatio(int n) {
  using std::numbers::pi;
  static const std::array<double, kMost> kRatios{1.0,
                                                 2.0,
                                                 1 + 2 / std::sqrt(3.0),
                                                 1 + std::sqrt(2.0),
                                                 1 + std::sqrt(2 + 2 / std::sqrt(5.0)),
                                                 3.0,
                                                 3.0,
                                                 1 + 1 / std::sin(pi / 7),
                                                 1 + 1 / std::sin(pi / 8),
                                                 3.813025631};
  if (n < 1 || n > kMost) return std::numeric_limits<double>::quiet_NaN();
  return kRatios[static_cast<std::size_t>(n - 1)];
}

Length needleHole(int threads, Length thread, Length needle) {
  const double t = thread.mm(), m = needle.mm();
  if (threads <= 0) return needle;
  double enough = bundleRatio(threads) * t + m;
  if (std::isnan(enough)) return Length::fromMm(enough);
  if (threads <= std::numbers::pi / std::asin(t / (m + t))) enough = std::min(enough, m + 2 * t);
  return Length::fromMm(alongTheWall(threads, t, m, enough));
}

}  // namespace drapery
