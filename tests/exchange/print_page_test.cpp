// The words on printed templates, as poppler reads them: each thing once, each part by its name.
#include <gmock/gmock.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <regex>

#include "exchange/template_pdf.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

class PrintPages : public ::testing::Test {
 protected:
  PrintPages() { job_.title = "Tide ledger"; }
  void print(const PrintChoice& choice = {}, const char* paper = "a4",
             const PrinterError& error = {}) {
    auto made = makePrintJob(job_, std::make_shared<const Plan>(planOf(job_).plan), choice,
                             *paperNamed(paper), {"hall", error});
    ASSERT_TRUE(std::holds_alternative<PrintJob>(made));
    print_ = std::get<PrintJob>(std::move(made));
    pdf_ = folder_.write("t.pdf", templatePdf(print_).toStdString());
  }
  [[nodiscard]] std::string words(std::size_t page) const {
    const std::string number = std::to_string(page + 1);
    return run({"pdftotext", "-layout", "-f", number, "-l", number, pdf_, "-"}).out;
  }
  [[nodiscard]] std::string allWords() const { return run({"pdftotext", pdf_, "-"}).out; }
  static int countOf(const std::string& text, const std::string& what) {
    int count = 0;
    for (std::size_t at = text.find(what); at != std::string::npos; at = text.find(what, at + 1))
      ++count;
    return count;
  }

  const TemporaryFolder folder_;
  Job job_ = plainJob();
  PrintJob print_;
  std::string pdf_;
};

TEST_F(PrintPages, everySheetTellsBookDateAndBars) {
  print();
  for (std::size_t sheet = 0; sheet < print_.sheets.size(); ++sheet) {
    const std::string text = words(sheet);
    EXPECT_THAT(text, AllOf(HasSubstr("Tide ledger"), HasSubstr(print_.date.toStdString()),
                            HasSubstr("100 mm: hold a rule against it"), HasSubstr("4 in"),
                            HasSubstr("sheet " + std::to_string(sheet + 1) + " of " +
                                      std::to_string(print_.sheets.size()))));
  }
}

TEST_F(PrintPages, whatIsNotSaidOfAGaugeIsOnIt) {
  print({{"gap-spacer", "square-gauge"}});
  const std::string text = allWords();
  EXPECT_EQ(countOf(text, "Gap spacer 10 mm"), 2);   // over it, and on the strip
  EXPECT_EQ(countOf(text, "Square gauge 3 mm"), 1);  // too narrow for words
  EXPECT_THAT(text, HasSubstr("so that the gaps are equal"));
}

TEST_F(PrintPages, partsHaveNamesNeighboursAndAMap) {
  job_.fixed["board_width"] = {420.0, {}};
  job_.fixed["board_height"] = {600.0, {}};
  print({{"piece/board"}});
  ASSERT_EQ(print_.sheets.size(), 8U);  // on its side
  for (std::size_t sheet = 0; sheet < print_.sheets.size(); ++sheet) {
    const PrintTile& tile = *print_.sheets[sheet].tile;
    const auto name = [](int row, int column) {
      return std::string(1, static_cast<char>('A' + row)) + std::to_string(column + 1);
    };
    const std::string text = words(sheet);
    EXPECT_THAT(text, HasSubstr("part " + name(tile.row, tile.column)));
    if (tile.column + 1 < tile.columns) {
      EXPECT_THAT(text, HasSubstr(name(tile.row, tile.column + 1)));
    }
    if (tile.row > 0) {
      EXPECT_THAT(text, HasSubstr(name(tile.row - 1, tile.column)));
    }
    EXPECT_THAT(text, HasSubstr("Lay the parts over one another"));
  }
}

TEST_F(PrintPages, labelsAreOneForEachPiece) {
  print();
  std::vector<std::string> ids;
  for (const TrueSize& thing : print_.things) ids.push_back(thing.id);
  EXPECT_THAT(ids, ::testing::IsSupersetOf({"label/board/1", "label/board/2", "label/covering/1"}));
  EXPECT_THAT(ids, Not(::testing::Contains("piece/board")));
  EXPECT_THAT(allWords(), HasSubstr("2 of board, grain head to tail."));
}

TEST_F(PrintPages, figuresAreInTheBooksUnit) {
  job_.units = Units::Inches;
  print({}, "letter");
  EXPECT_THAT(allWords(),
              AllOf(HasSubstr("Margin gauge 3/4 in"), Not(HasSubstr("Margin gauge 18"))));
}

TEST_F(PrintPages, aCorrectedSheetSaysSo) {
  print({{"gap-spacer"}}, "a4", {0.99, 1.0});
  EXPECT_THAT(allWords(), HasSubstr("Corrected for hall alone."));
}

TEST_F(PrintPages, whatCannotBePrintedIsTold) {
  const auto plan = std::make_shared<const Plan>(planOf(job_).plan);
  const auto unknown = makePrintJob(job_, plan, {{"corner-gide"}}, *paperNamed("a4"));
  EXPECT_EQ(std::get<Issue>(unknown).id, IssueId("template-unknown"));
  Job empty;
  empty.method = "case-sunk-joint";
  const auto nothing = makePrintJob(empty, std::make_shared<const Plan>(planOf(empty).plan),
                                    {{"piece/board"}}, *paperNamed("a4"));
  EXPECT_TRUE(std::holds_alternative<Issue>(nothing));
}

// Any book on any paper: each thing once, whole or in parts, and each has words.
RC_GTEST_PROP(PrintJobs, ofAnyBookAreWhole, ()) {
  const Job job = *anyJob(*rc::gen::elementOf(kSchools));
  const auto plan = std::make_shared<const Plan>(planOf(job).plan);
  const Paper paper =
      *paperNamed(*rc::gen::element<std::string>("a4", "a3", "letter", "legal", "roll:914"));
  const auto made = makePrintJob(job, plan, {}, paper);
  if (const auto* issue = std::get_if<Issue>(&made)) {
    const bool isTold =
        issue->id == IssueId("print-nothing") || issue->id == IssueId("print-no-room");
    RC_ASSERT(isTold);
    return;
  }
  const PrintJob& print = std::get<PrintJob>(made);
  std::vector<int> seen(print.things.size());
  for (const PrintSheet& sheet : print.sheets) {
    for (const PrintPlace& place : sheet.places) ++seen[place.thing];
    const bool isFirst = sheet.tile && sheet.tile->row == 0 && sheet.tile->column == 0;
    if (isFirst) ++seen[sheet.tile->thing];
  }
  RC_ASSERT(std::all_of(seen.begin(), seen.end(), [](int count) { return count == 1; }));
  RC_ASSERT(print.words.size() == print.things.size());
  for (const TrueSizeWords& words : print.words) {
    RC_ASSERT(!words.title.isEmpty());
    RC_ASSERT(!words.figures.isEmpty());
    // Nothing of a rule's own writing shows through.
    RC_ASSERT(!words.says.contains('{') && !words.says.contains('['));
    RC_ASSERT(!words.block.contains('{') && !words.block.contains('['));
    RC_ASSERT(!words.block.contains(" 0 mm") && !words.block.contains(" 0 in"));
  }
}

// A roll is as long as what lies on it, with its edges and its foot.
TEST_F(PrintPages, aRollIsCutToLength) {
  print({{"gap-spacer"}}, "roll:610");
  ASSERT_EQ(print_.sheets.size(), 1U);
  // No shorter than the bars that stand on it.
  EXPECT_NEAR(print_.sheets[0].length, 126.0 + 27.0 + 2 * 8.0, 1e-9);
  EXPECT_THAT(allWords(), HasSubstr("100 mm, 4 in"));
  print({{"case-lay-out"}}, "roll:610");
  const double high = std::min(print_.things[0].width.mm(), print_.things[0].height.mm());
  EXPECT_GT(print_.sheets[0].length, high + 27.0 + 2 * 8.0);
  EXPECT_LT(print_.sheets[0].length, high + 27.0 + 2 * 8.0 + 25.0);
  const std::string info = run({"pdfinfo", pdf_}).out;
  std::smatch found;
  ASSERT_TRUE(std::regex_search(info, found, std::regex(R"(Page size:\s+([\d.]+) x ([\d.]+))")));
  EXPECT_NEAR(std::stod(found[2]) * 25.4 / 72, print_.sheets[0].length, 0.4);
}

}  // namespace
}  // namespace drapery::test
