#include "exchange/page_flow.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace drapery::test {

namespace {

double roomOf(int page) { return page == 0 ? 80.0 : 100.0; }

std::vector<FlowBlock> randomBlocks() {
  std::vector<FlowBlock> blocks;
  const int count = *rc::gen::inRange(1, 60);
  for (int i = 0; i < count; ++i)
    blocks.push_back({double(*rc::gen::inRange(1, 60)),
                      double(*rc::gen::inRange(0, 8)),
                      *rc::gen::inRange(0, 3) == 0,
                      {}});
  return blocks;
}

/// From the first block of those that keep together to the end of the last.
double runHeight(const std::vector<FlowBlock>& blocks, std::size_t first) {
  double height = blocks[first].height;
  for (std::size_t i = first; blocks[i].keepsWithNext && i + 1 < blocks.size(); ++i)
    height += blocks[i + 1].before + blocks[i + 1].height;
  return height;
}

}  // namespace

RC_GTEST_PROP(PageFlow, everyBlockLiesWholeOnItsPageBelowTheOneBefore, ()) {
  const auto blocks = randomBlocks();
  const auto places = flowOverPages(blocks, roomOf);
  RC_ASSERT(places.size() == blocks.size());
  RC_ASSERT(places.front().page == 0 && places.front().top == 0.0);
  for (std::size_t i = 0; i < blocks.size(); ++i) {
    RC_ASSERT(places[i].top + blocks[i].height <= roomOf(places[i].page) + 1e-9);
    if (i == 0) continue;
    if (places[i].page == places[i - 1].page) {
      RC_ASSERT(places[i].top >=
                places[i - 1].top + blocks[i - 1].height + blocks[i].before - 1e-9);
    } else {  // the very next page, and at its top
      RC_ASSERT(places[i].page == places[i - 1].page + 1);
      RC_ASSERT(places[i].top == 0.0);
    }
  }
}

RC_GTEST_PROP(PageFlow, whatKeepsTogetherIsPartedOnlyWhenAPageIsNotEnough, ()) {
  const auto blocks = randomBlocks();
  const auto places = flowOverPages(blocks, roomOf);
  for (std::size_t first = 0; first < blocks.size(); ++first) {
    const bool isInside = first > 0 && blocks[first - 1].keepsWithNext;
    if (isInside || runHeight(blocks, first) > 80.0) continue;
    for (std::size_t i = first; blocks[i].keepsWithNext && i + 1 < blocks.size(); ++i)
      RC_ASSERT(places[i].page == places[i + 1].page);
  }
}

// However their heights were added up, as pictures that take what is left of a page are.
RC_GTEST_PROP(PageFlow, whatFillsAPageJustToItsEndIsNotParted, ()) {
  auto blocks = randomBlocks();
  double room = 0.0;
  for (FlowBlock& block : blocks) {
    block.height /= 7;
    block.before /= 7;
  }
  for (std::size_t i = blocks.size(); i-- > 0;)
    room += (i > 0 ? blocks[i].before : 0.0) + blocks[i].height;
  for (const FlowPlace& place : flowOverPages(blocks, [room](int) { return room; }))
    RC_ASSERT(place.page == 0);
}

TEST(PageFlow, aBlockLargerThanAPageHasOneOfItsOwn) {
  const auto places =
      flowOverPages({{10, 0, false, {}}, {300, 0, false, {}}, {10, 0, false, {}}}, roomOf);
  EXPECT_EQ(places[0].page, 0);
  EXPECT_EQ(places[1].page, 1);
  EXPECT_EQ(places[2].page, 2);
}

}  // namespace drapery::test
