// The shop's file and a job's art: written, read again, and every mistake told with its place.
#include <gmock/gmock.h>

#include "store/job_file.h"
#include "store/shop_json.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;

template <class Read>
std::string told(const Read& read) {
  std::string words;
  if (const auto* issues = std::get_if<Issues>(&read))
    for (const Issue& issue : *issues) words += placedWords(issue, {}) + "\n";
  return words;
}

TEST(ShopFile, isReadAsItWasWritten) {
  const TemporaryFolder folder;
  const std::string path = folder.path() + "/new/shop.json";
  EXPECT_TRUE(std::get<Shop>(shopIn(path)).gauges.empty());
  Shop shop;
  shop.keep(ShopGauge{"brass \"rule\"", Length::fromInches(1.25)});
  shop.keep(ShopPrinter{"hall", {0.992, 1.003}});
  ASSERT_FALSE(keepShop(shop, path).has_value());
  const Shop read = std::get<Shop>(shopIn(path));
  ASSERT_EQ(read.gauges.size(), 1U);
  EXPECT_EQ(read.gauges[0].name, "brass \"rule\"");
  EXPECT_DOUBLE_EQ(read.gauges[0].wide.mm(), 31.75);
  EXPECT_TRUE(read.errorOf("hall") == (PrinterError{0.992, 1.003}));
  EXPECT_TRUE(read.errorOf("other") == PrinterError());
}

TEST(ShopFile, everyMistakeIsTold) {
  EXPECT_THAT(told(readShop("[]", "s.json")), HasSubstr("s.json:1:1"));
  const std::string all = told(readShop(R"({"schema": "drapery-shop/2",
 "gauges": [{"name": "rule", "wide": 0}, {"wide": 3}, 7],
 "printers": [{"name": "hall", "across": 1.5, "along": "x"}], "rules": []})",
                                        "s.json"));
  EXPECT_THAT(all, AllOf(HasSubstr("s.json:1:12"), HasSubstr("drapery-shop/1"),
                         HasSubstr("from 0.1 to 1000"), HasSubstr("gauges[1].name"),
                         HasSubstr("gauges[2]")));
  EXPECT_THAT(all, AllOf(HasSubstr("from 0.9 to 1.1"), HasSubstr("printers[0].along"),
                         HasSubstr("\"rules\"")));
}

TEST(JobArt, isReadAsItWasWritten) {
  Job job;
  job.title = "Tide ledger";
  job.art["jacket"]["front"] = {"sea.png", PictureFit::Whole, "Tide",
                                9.5,       TitleRuns::Up,     TitleInk::Light};
  job.art["jacket"]["spine"].title = "Tide";
  const JobDocument again = readJob(writeJob(job), "job.json");
  ASSERT_TRUE(again.issues.empty());
  EXPECT_EQ(again.job->art, job.art);
  EXPECT_EQ(writeJob(*again.job), writeJob(job));
}

}  // namespace
}  // namespace drapery::test
