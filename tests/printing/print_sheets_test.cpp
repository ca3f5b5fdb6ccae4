// Things on sheets of paper: each once, none over another, parts that cover the whole.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <set>

#include "core/printing/print_sheets.h"
#include "core/printing/shop.h"

namespace drapery::test {
namespace {

PrintThing anyThing() {
  const double width = *rc::gen::inRange(3, 1500), height = *rc::gen::inRange(3, 900);
  return {width, height, static_cast<double>(*rc::gen::inRange(0, 30)), 92.0,
          *rc::gen::arbitrary<bool>()};
}

Box boxOf(const PrintThing& thing, const PrintPlace& place) {
  const double width = place.isTurned ? thing.height : thing.width;
  const double height = place.isTurned ? thing.width : thing.height;
  return {place.at.x, place.at.y, place.at.x + std::max(width, thing.leastWide),
          place.at.y + height + thing.above};
}

RC_GTEST_PROP(PrintSheets, everyThingLiesOnceAndOverNoOther, ()) {
  std::vector<PrintThing> things;
  for (int count = *rc::gen::inRange(1, 20); count > 0; --count) things.push_back(anyThing());
  const Paper paper =
      *paperNamed(*rc::gen::element<std::string>("a4", "a3", "letter", "legal", "roll:610"));
  const PrinterError error{1.0 + *rc::gen::inRange(-20, 20) / 1000.0,
                           1.0 + *rc::gen::inRange(-20, 20) / 1000.0};
  const PrintLayout layout;
  const auto sheets = printSheets(things, paper, layout, error);
  RC_ASSERT(!sheets.empty());
  const Box room = printRoom(paper, layout, error);
  std::multiset<std::size_t> whole;
  std::map<std::size_t, double> shown;  // by thing: area of its parts without what they share
  for (const PrintSheet& sheet : sheets) {
    RC_ASSERT(sheet.places.empty() == sheet.tile.has_value());
    std::vector<Box> boxes;
    for (const PrintPlace& place : sheet.places) {
      whole.insert(place.thing);
      const Box box = boxOf(things[place.thing], place);
      RC_ASSERT(box.left >= -1e-6 && box.right <= room.right + 1e-6);
      RC_ASSERT(box.bottom >= -1e-6 && box.top <= room.top + 1e-6);
      for (const Box& other : boxes)
        RC_ASSERT(box.left >= other.right || box.right <= other.left ||
                  box.bottom >= other.top - 1e-6 || box.top <= other.bottom + 1e-6);
      boxes.push_back(box);
    }
    if (!sheet.tile) continue;
    const PrintTile& tile = *sheet.tile;
    RC_ASSERT(tile.part.width() <= room.width() + 1e-6);
    RC_ASSERT(tile.part.height() <= room.height() + 1e-6);
    const double own = tile.part.width() - (tile.column > 0 ? layout.overlap : 0.0);
    const double high = tile.part.height() - (tile.row > 0 ? layout.overlap : 0.0);
    shown[tile.thing] += own * high;
  }
  for (std::size_t i = 0; i < things.size(); ++i) {
    RC_ASSERT(whole.count(i) + shown.count(i) == 1U);
    if (shown.count(i) > 0)
      RC_ASSERT(std::abs(shown[i] - things[i].width * things[i].height) < 1e-3);
  }
}

TEST(PrintSheets, smallPaperAndHugeThingsAreRefused) {
  EXPECT_TRUE(printSheets({{9000.0, 9000.0}}, *paperNamed("a4")).empty());
  EXPECT_FALSE(paperNamed("a5").has_value());
  EXPECT_FALSE(paperNamed("roll:100").has_value());
  EXPECT_FALSE(paperNamed("roll:2001").has_value());
  EXPECT_FALSE(paperNamed("roll:610mm").has_value());
  EXPECT_FALSE(paperNamed("roll:nan").has_value());
  EXPECT_DOUBLE_EQ(paperNamed("Letter")->width, 215.9);  // 8 1/2 in
}

TEST(Shop, tellsWhichGaugeGivesALength) {
  Shop shop;
  shop.keep(ShopGauge{"steel rule", Length::fromMm(30.0)});
  shop.keep(ShopGauge{"block", Length::fromMm(10.0)});
  shop.keep(ShopGauge{"dowel", Length::fromMm(4.0)});
  const Length mark = Length::fromMm(0.5);
  const auto gauge = gaugesFor(Length::fromMm(10.2), mark, shop);
  ASSERT_EQ(gauge.size(), 1U);
  EXPECT_EQ(gauge[0].first->name, "block");
  EXPECT_NEAR(gauge[0].offBy(Length::fromMm(10.2)), -0.2, 1e-9);
  const auto pair = gaugesFor(Length::fromMm(34.0), mark, shop);
  ASSERT_EQ(pair.size(), 1U);
  EXPECT_EQ(pair[0].first->name, "steel rule");
  EXPECT_EQ(pair[0].second->name, "dowel");
  // None gives 20: the nearest alone, and a pair that is nearer.
  const auto none = gaugesFor(Length::fromMm(20.0), mark, shop);
  ASSERT_EQ(none.size(), 2U);
  EXPECT_EQ(none[0].second->name, "dowel");
  EXPECT_EQ(none[1].second, nullptr);
  EXPECT_TRUE(gaugesFor(Length::fromMm(20.0), mark, Shop()).empty());
  shop.keep(ShopGauge{"block", Length::fromMm(20.0)});
  EXPECT_EQ(gaugesFor(Length::fromMm(20.0), mark, shop)[0].first->name, "block");
  EXPECT_EQ(shop.gauges.size(), 3U);
}

// Against trying every gauge and every pair of two.
RC_GTEST_PROP(Shop, tellsTheNearestThereIs, ()) {
  Shop shop;
  for (int i = *rc::gen::inRange(1, 9); i > 0; --i)
    shop.keep(ShopGauge{std::to_string(i), Length::fromMm(*rc::gen::inRange(5, 400) / 10.0)});
  const double wanted = *rc::gen::inRange(5, 900) / 10.0;
  double best = 1e9;
  const std::size_t count = shop.gauges.size();
  for (std::size_t i = 0; i < count; ++i) {
    best = std::min(best, std::abs(shop.gauges[i].wide.mm() - wanted));
    for (std::size_t j = i + 1; j < count; ++j)
      best = std::min(best, std::abs(shop.gauges[i].wide.mm() + shop.gauges[j].wide.mm() - wanted));
  }
  const Length length = Length::fromMm(wanted), mark = Length::fromMm(0.5);
  const auto found = gaugesFor(length, mark, shop);
  RC_ASSERT(!found.empty() && found.size() <= 3U);
  const double first = std::abs(found.front().offBy(length));
  constexpr double kDust = 1e-5;
  // The nearest, or one alone that is near enough.
  const bool isNear = first <= 0.25 + kDust;
  RC_ASSERT(isNear == (best <= 0.25 + kDust));
  if (!isNear) RC_ASSERT(first <= best + kDust);
  for (const GaugeMatch& match : found)
    if (isNear) RC_ASSERT(std::abs(match.offBy(length)) <= 0.25 + kDust);
}

}  // namespace
}  // namespace drapery::test
