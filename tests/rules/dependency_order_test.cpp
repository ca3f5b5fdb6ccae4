#include "core/rules/dependency_order.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace drapery {
namespace {

TEST(DependencyOrder, eachAfterAllThatItUses) {
  const auto result = orderByDependence({{1, 2}, {3}, {3}, {}});
  EXPECT_EQ(result.order, (std::vector<std::size_t>{3, 1, 2, 0}));
  EXPECT_TRUE(result.circle.empty());
}

TEST(DependencyOrder, aCircleIsShownAsAChain) {
  const auto result = orderByDependence({{1}, {2}, {3}, {1}});
  EXPECT_EQ(result.circle, (std::vector<std::size_t>{1, 2, 3, 1}));
  EXPECT_EQ(orderByDependence({{0}}).circle, (std::vector<std::size_t>{0, 0}));
}

TEST(DependencyOrder, aLongChainNeedsNoDeepStack) {
  std::vector<std::vector<std::size_t>> uses(200'000);
  for (std::size_t i = 0; i + 1 < uses.size(); ++i) uses[i].push_back(i + 1);
  EXPECT_EQ(orderByDependence(uses).order.front(), uses.size() - 1);
}

RC_GTEST_PROP(DependencyOrderProperty, holdsForAnyGraph, ()) {
  const auto count = static_cast<std::size_t>(*rc::gen::inRange(1, 30));
  std::vector<std::vector<std::size_t>> uses(count);
  for (auto& list : uses)
    list = *rc::gen::container<std::vector<std::size_t>>(
        static_cast<std::size_t>(*rc::gen::inRange(0, 3)), rc::gen::inRange<std::size_t>(0, count));
  const auto result = orderByDependence(uses);
  if (result.circle.empty()) {
    std::vector<std::size_t> place(count);
    RC_ASSERT(result.order.size() == count);
    for (std::size_t i = 0; i < count; ++i) place[result.order[i]] = i;
    for (std::size_t i = 0; i < count; ++i)
      for (const std::size_t used : uses[i]) RC_ASSERT(place[used] < place[i]);
  } else {
    RC_ASSERT(result.circle.front() == result.circle.back());
    for (std::size_t i = 0; i + 1 < result.circle.size(); ++i) {
      const auto& list = uses[result.circle[i]];
      RC_ASSERT(std::find(list.begin(), list.end(), result.circle[i + 1]) != list.end());
    }
  }
}

}  // namespace
}  // namespace drapery
