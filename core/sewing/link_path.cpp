#include "core/sewing/link_path.h"

#include <algorithm>
#include <numeric>

namespace drapery {

namespace {

LinkStep pass(int section, bool isIn) { return {LinkStep::Do::Pass, section, isIn, 0, 0}; }
LinkStep loop(int section, bool isIn) { return {LinkStep::Do::Loop, section, isIn, 0, 0}; }
LinkStep knot(int section) { return {LinkStep::Do::Knot, section, false, 0, 0}; }

std::vector<LinkStep> stepsOf(const std::vector<int>& order) {
  const int first = order.front();
  std::vector<LinkStep> steps{pass(first, false), loop(first, true), knot(first),
                              pass(first, false)};
  for (std::size_t i = 1; i < order.size(); ++i) {
    const int before = order[i - 1], x = order[i];
    steps.push_back({LinkStep::Do::Bridge, x, false, before, x});
    steps.push_back(pass(x, true));
    steps.push_back(loop(x, false));
    steps.push_back({LinkStep::Do::Link, x, false, std::min(before, x), std::max(before, x)});
  }
  steps.push_back(pass(order.back(), true));
  steps.push_back(knot(order.back()));
  return steps;
}

}  // namespace

std::vector<LinkRow> linkRows(int sections, Hand hand) {
  std::vector<int> forth(static_cast<std::size_t>(sections));
  std::iota(forth.begin(), forth.end(), 1);
  std::vector<int> back(forth.rbegin(), forth.rend());
  const bool isRight = hand == Hand::Right;
  return {{1, isRight ? Round::Head : Round::Tail, forth, stepsOf(forth)},
          {2, isRight ? Round::Tail : Round::Head, back, stepsOf(back)}};
}

}  // namespace drapery
