// What to cut by, read back from its PDF.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <nlohmann/json.hpp>
#include <sstream>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

const std::string kCli = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";

class CutPagesTest : public ::testing::Test {
 protected:
  Finished write(const nlohmann::json& job, const std::string& shelf) {
    const std::string path = folder_.write("job.json", job.dump());
    return run({kCli, "export", path, "--what", "cut", "--as", "pdf", "--stock",
                folder_.write("stock.json", shelf), "-o", pdf_});
  }
  std::string words() { return run({"pdftotext", "-layout", pdf_, "-"}).out; }

  const TemporaryFolder folder_;
  const std::string pdf_ = folder_.path() + "/cut.pdf";
  const std::string shelf_ = projectFile("demo/stock/shelf.json");
  nlohmann::json job_ = nlohmann::json::parse(projectFile("demo/tide-ledger.json"));
};

TEST_F(CutPagesTest, tellWhatToTakeHowToCutAndWhatToLabel) {
  ASSERT_EQ(write(job_, shelf_).code, 0);
  const std::string text = words();
  for (const char* told :
       {"From the shelf", "grey board, off-cut 1", "off-cut box", "252.5 mm of book cloth, roll",
        "grain not tested", "set to 216.5 mm, 1 cut", "set to 140 mm, 2 cuts", "After lining",
        "Off-cuts to keep", "Labels for pieces and off-cuts", "2 × Board", "140 × 216.5 mm",
        "grey board, off-cut 2", "Knife: stand"})
    EXPECT_THAT(text, HasSubstr(told));
  EXPECT_THAT(text, Not(HasSubstr("To buy")));
  EXPECT_THAT(text, Not(HasSubstr("Numbers run through")));  // one sheet of each
  EXPECT_THAT(run({"pdfinfo", pdf_}).out, HasSubstr("(A4)"));
}

TEST_F(CutPagesTest, holdBooksThatAreCutTogether) {
  nlohmann::json other = job_;
  other["title"] = "The other book";
  folder_.write("other.json", other.dump());
  job_["cutting"]["with"] = {"other.json"};
  nlohmann::json shelf = nlohmann::json::parse(shelf_);
  for (nlohmann::json& stock : shelf["stocks"])
    if (stock["material"] == "paper") stock["pattern"] = "L";
  const Finished done = write(job_, shelf.dump());
  ASSERT_EQ(done.code, 0) << done.err;
  EXPECT_THAT(words(), HasSubstr("The other book"));
  EXPECT_THAT(words(), HasSubstr("pattern's top is at the far end"));
}

TEST_F(CutPagesTest, anEditionTellsWhatIsToBeBought) {
  job_["copies"] = 700;
  job_["units"] = "in";
  const Finished done = write(job_, shelf_);
  EXPECT_EQ(done.code, 1) << done.err;  // not all of it finds room
  const std::string text = words();
  EXPECT_THAT(text, HasSubstr("To buy"));
  EXPECT_THAT(text, HasSubstr("more of grey board 700 x 1000"));
  EXPECT_THAT(text, HasSubstr("more of book cloth, roll"));
  EXPECT_THAT(text, HasSubstr("Numbers run through"));
  EXPECT_THAT(run({"pdfinfo", pdf_}).out, HasSubstr("(letter)"));
}

TEST_F(CutPagesTest, tellWhichRectanglesAreCutInTwo) {
  job_["allowances"]["covering_style"] = "half";
  ASSERT_EQ(write(job_, shelf_).code, 0);
  EXPECT_THAT(words(), HasSubstr("2 rectangles for 4 × Corner are cut in two, from corner to"));
  // With a pattern each lies by itself, its head upwards.
  nlohmann::json shelf = nlohmann::json::parse(shelf_);
  for (nlohmann::json& stock : shelf["stocks"])
    if (stock["material"] == "cloth") stock["pattern"] = "L";
  run({"rm", pdf_});
  ASSERT_EQ(write(job_, shelf.dump()).code, 0);
  EXPECT_THAT(words(), HasSubstr("4 × Corner"));
  EXPECT_THAT(words(), Not(HasSubstr("cut in two")));
}

TEST_F(CutPagesTest, nameEachPieceOnItsSheetOrBelowIt) {
  nlohmann::json other = job_;
  other["title"] = "Soundings of the outer bar in the year of the two floods";
  folder_.write("other.json", other.dump());
  job_["cutting"]["with"] = {"other.json"};
  ASSERT_EQ(write(job_, shelf_).code, 0);
  const std::string text = words();
  for (const char* told : {"a: Stiffener, 23", "b: Stiffener · Soundings of the outer bar"})
    EXPECT_THAT(text, HasSubstr(told));
  // Where a mark stands.
  EXPECT_THAT(run({"pdftotext", pdf_, "-"}).out, HasSubstr("\na\n"));
}

TEST_F(CutPagesTest, drawSheetsAsLargeAsTheirPageAllows) {
  ASSERT_EQ(write(job_, shelf_).code, 0);
  // The list of settings ends low on each page with sheets (outside check: poppler).
  std::istringstream lines(run({"pdftotext", "-bbox", pdf_, "-"}).out);
  const auto numberIn = [](const std::string& line, const std::string& name) {
    return std::stod(line.substr(line.find(name + "=\"") + name.size() + 2));
  };
  double height = 0.0, lowest = 0.0;
  int pages = 0;
  for (std::string line; std::getline(lines, line);) {
    if (line.find("<page ") != std::string::npos) height = numberIn(line, "height");
    if (line.find(">Off-cuts<") != std::string::npos) lowest = numberIn(line, "yMax");
    if (line.find("</page>") == std::string::npos || lowest == 0.0) continue;
    ++pages;
    EXPECT_GT(lowest, 0.7 * height) << "page " << pages;
    lowest = 0.0;
  }
  EXPECT_GT(pages, 1);
}

TEST_F(CutPagesTest, refuseWhatIsNoStock) {
  EXPECT_EQ(write(job_, "{").code, 2);
  EXPECT_EQ(write(job_, R"({"schema": "drapery-stock/2", "stocks": []})").code, 2);
  EXPECT_THAT(folder_.names(), Not(::testing::Contains("cut.pdf")));
}

}  // namespace
}  // namespace drapery::test
