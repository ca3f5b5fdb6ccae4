// Slips of more than a page, as poppler reads them.
#include <gmock/gmock.h>

#include <regex>

#include "core/plan/planner.h"
#include "core/rules/rule_library.h"
#include "exchange/slip_pdf.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/plan_text.h"

namespace drapery::test {

namespace {

using ::testing::HasSubstr;
using ::testing::Not;

class SlipPages : public ::testing::Test {
 protected:
  void write(const Job& job, const Plan& plan) {
    ASSERT_FALSE(writeSlipPdf(job, plan, pdf_).has_value());
    const std::string info = run({"pdfinfo", pdf_}).out;
    std::smatch found;
    ASSERT_TRUE(std::regex_search(info, found, std::regex(R"(Pages:\s+(\d+))")));
    pages_ = std::stoi(found[1]);
  }
  [[nodiscard]] std::string words(int page) const {
    const std::string number = std::to_string(page);
    return run({"pdftotext", "-layout", "-f", number, "-l", number, pdf_, "-"}).out;
  }
  /// The slip of a concertina with a mark at each fold.
  void writeFolds(int pictures) {
    Job job;
    job.method = "concertina";
    job.title = "Tide table";
    job.given = {{"page_height", {140.0, {}}},
                 {"page_width", {100.0, {}}},
                 {"board_thickness", {2.0, {}}},
                 {"pictures", {double(pictures), {}}}};
    write(job, planOf(job).plan);
  }

  TemporaryFolder folder_;
  std::string pdf_ = folder_.path() + "/slip.pdf";
  int pages_ = 0;
};

}  // namespace

// What a paper for it weighs stands with the piece, on the slip and in text.
TEST_F(SlipPages, tellWhatAPaperWeighs) {
  const Job job = plainJob();
  const Plan plan = planOf(job).plan;
  write(job, plan);
  EXPECT_THAT(words(1), HasSubstr("paper, 120 to 160 g/m²"));
  EXPECT_THAT(planText(job, plan), HasSubstr(", 120 to 160 g/m²"));
}

// Every fold is there once and in order, on pages that say which they are; none is empty, nothing
// runs over an edge, and no heading ends a page.
TEST_F(SlipPages, aLongSlipHasEveryLineOnce) {
  writeFolds(200);
  ASSERT_GE(pages_, 3);
  std::string all;
  for (int page = 1; page <= pages_; ++page) {
    const std::string text = words(page);
    EXPECT_THAT(text, HasSubstr("page " + std::to_string(page) + " of " + std::to_string(pages_)));
    EXPECT_THAT(text, HasSubstr("Tide table"));
    EXPECT_GT(text.size(), 60U) << "page " << page;
    all += text;
  }
  EXPECT_THAT(words(1), HasSubstr("Knife: stand"));
  EXPECT_THAT(words(2), Not(HasSubstr("Knife: stand")));
  std::size_t from = 0;
  for (int fold = 1; fold <= 100; ++fold) {
    const std::string line = "Fold " + std::to_string(fold) + ": ";
    const std::size_t at = all.find(line);
    ASSERT_NE(at, std::string::npos) << line;
    EXPECT_GE(at, from) << line;
    EXPECT_EQ(all.find(line, at + 1), std::string::npos) << line;
    from = at;
  }
  // A4 is 595 by 842 points; 20 mm are 56.7. The foot stands below, at 15 mm from the edge.
  const std::string boxes = run({"pdftotext", "-bbox", pdf_, "-"}).out;
  const std::regex word(
      R"re(xMin="([0-9.]+)" yMin="([0-9.]+)" xMax="([0-9.]+)" yMax="([0-9.]+)")re");
  for (std::sregex_iterator box(boxes.begin(), boxes.end(), word), end; box != end; ++box) {
    EXPECT_GE(std::stod((*box)[1]), 56.0);
    EXPECT_GE(std::stod((*box)[2]), 54.0);
    EXPECT_LE(std::stod((*box)[3]), 595 - 56.0);
    EXPECT_LE(std::stod((*box)[4]), 842 - 25.0);
  }
}

// Pieces stand by the moment at which they are cut, counted for all copies; a card for the bench
// comes first where a book is backed; a plain flat book takes one page.
TEST_F(SlipPages, followTheWork) {
  Job job = plainJob();
  job.copies = 3.0;
  write(job, planOf(job).plan);
  EXPECT_EQ(pages_, 1);
  const std::string flat = words(1);
  EXPECT_THAT(flat, HasSubstr("computed, 20"));  // the method and the date
  for (const char* line : {"All counts are for 3 books", "6 Board", "Marks across",
                           "Squares on the book", "Set-back 7 mm, supposed."})
    EXPECT_THAT(flat, HasSubstr(line));
  EXPECT_THAT(flat, Not(HasSubstr("First, at the bench")));
  EXPECT_LT(flat.find("Before trimming"), flat.find("Endpaper"));
  EXPECT_LT(flat.find("After trimming"), flat.find("Board"));
  EXPECT_LT(flat.find("After lining"), flat.find("Covering"));
  EXPECT_THAT(flat, Not(HasSubstr("Already cut")));
  job.given["spine_shape"] = {std::string("backed"), {}};
  job.given["spine_thickness"] = {30.0, {}};
  job.asCut["board"]["width"] = {139.0, {}};
  write(job, planOf(job).plan);
  std::string backed;
  for (int page = 1; page <= pages_; ++page) backed += words(page);
  EXPECT_LT(backed.find("First, at the bench"), backed.find("Endpaper"));
  EXPECT_THAT(backed, HasSubstr("set the backing boards 3.5 mm from the spine edge"));
  EXPECT_LT(backed.find("After backing"), backed.find("Kraft"));
  EXPECT_THAT(backed, HasSubstr("Already cut"));
}

TEST_F(SlipPages, everyLengthOfSlipEndsWithoutAnEmptyPage) {
  for (int pictures = 20; pictures <= 90; pictures += 10) {
    writeFolds(pictures);
    EXPECT_GT(words(pages_).size(), 60U) << pictures;
    const std::string foot = pages_ == 1 ? "page" : "page 1 of";
    EXPECT_EQ(words(1).find(foot) == std::string::npos, pages_ == 1) << pictures;
  }
}

// 200 characters, with and without blanks, are shown whole and smaller.
TEST_F(SlipPages, aLongTitleBreaksAndShrinks) {
  Job job = plainJob();
  const Plan plan = planOf(job).plan;
  const auto titleHeight = [this](const std::string& begin) {
    const std::string boxes = run({"pdftotext", "-bbox", pdf_, "-"}).out;
    const std::regex word(R"re(yMin="([0-9.]+)" xMax="[0-9.]+" yMax="([0-9.]+)">)re" + begin);
    std::smatch found;
    EXPECT_TRUE(std::regex_search(boxes, found, word)) << boxes;
    return found.empty() ? 0.0 : std::stod(found[2]) - std::stod(found[1]);
  };
  job.title = "Kelp";
  write(job, plan);
  const double usual = titleHeight("Kelp");
  std::string blanks, solid;
  for (int i = 0; i < 40; ++i) blanks += "kelp ";
  for (int i = 0; i < 50; ++i) solid += "kelp";
  for (const std::string& title : {blanks, solid}) {
    job.title = title;
    write(job, plan);
    EXPECT_EQ(pages_, 1);
    std::string text = words(1);
    text.erase(
        std::remove_if(text.begin(), text.end(), [](char c) { return c == ' ' || c == '\n'; }),
        text.end());
    std::string all;
    for (int i = 0; i < (title == blanks ? 40 : 50); ++i) all += "kelp";
    EXPECT_THAT(text, HasSubstr(all));
    EXPECT_LT(titleHeight("kelp"), 0.8 * usual);
  }
}

}  // namespace drapery::test
