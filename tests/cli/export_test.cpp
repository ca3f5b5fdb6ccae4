// Export from the command line: every format, what is refused, and that nothing is left behind.
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <sys/stat.h>

#include <filesystem>
#include <nlohmann/json.hpp>
#include <sstream>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

const std::string kCli = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";

class Export : public ::testing::Test {
 protected:
  Export() {
    job_["allowances"]["with_jacket"] = "with";
    write();
  }
  void write() { path_ = folder_.write("tide.json", job_.dump()); }
  Finished exported(std::vector<std::string> arguments) {
    std::vector<std::string> command{kCli, "export", path_};
    command.insert(command.end(), arguments.begin(), arguments.end());
    return run(command);
  }
  [[nodiscard]] std::string in(const std::string& name) const {
    return folder_.path() + "/" + name;
  }

  const TemporaryFolder folder_;
  nlohmann::json job_ = nlohmann::json::parse(projectFile("demo/tide-ledger.json"));
  std::string path_;
};

TEST_F(Export, allWritesEveryFormatUnderBookAndDate) {
  const Finished done = exported({"--what", "all", "-o", in("out")});
  ASSERT_EQ(done.code, 0) << done.err;
  std::vector<std::string> kinds;
  for (const auto& file : std::filesystem::directory_iterator(in("out"))) {
    const std::string name = file.path().filename().string();
    EXPECT_THAT(name, ::testing::MatchesRegex("tide-20..-..-..-[a-z]+\\.[a-z]+"));
    EXPECT_GT(file.file_size(), 400U) << name;
    kinds.push_back(name.substr(16));
  }
  EXPECT_THAT(kinds, ::testing::UnorderedElementsAre("slip.pdf", "slip.csv", "templates.pdf",
                                                     "templates.svg", "templates.dxf", "jacket.pdf",
                                                     "jacket.svg", "jacket.dxf"));
  // A second time nothing is written over, unless that is said.
  EXPECT_EQ(exported({"--what", "all", "-o", in("out")}).code, 2);
  EXPECT_EQ(exported({"--what", "all", "-o", in("out"), "--replace"}).code, 0);
  EXPECT_EQ(exported({"--what", "all", "--as", "pdf", "-o", in("pages")}).code, 0);
  EXPECT_EQ(std::distance(std::filesystem::directory_iterator(in("pages")), {}), 3);
}

// One that is in the way keeps all others from being written.
TEST_F(Export, allIsWrittenWholeOrNotAtAll) {
  ASSERT_EQ(exported({"--what", "all", "-o", in("out")}).code, 0);
  std::vector<std::filesystem::path> all;
  for (const auto& file : std::filesystem::directory_iterator(in("out")))
    all.push_back(file.path());
  for (const auto& file : all)
    if (file.extension() != ".dxf" || file.string().find("jacket") == std::string::npos)
      std::filesystem::remove(file);
  const Finished refused = exported({"--what", "all", "-o", in("out")});
  EXPECT_EQ(refused.code, 2);
  EXPECT_THAT(refused.err, AllOf(HasSubstr("jacket.dxf"), HasSubstr("is there already")));
  EXPECT_EQ(std::distance(std::filesystem::directory_iterator(in("out")), {}), 1);
  // One that is in nobody's place to take, even when others may be replaced.
  const std::string first = all.front().string();
  for (const auto& file : std::filesystem::directory_iterator(in("out")))
    std::filesystem::remove(file.path());
  for (const auto& file : all) folder_.write("out/" + file.filename().string(), "mine");
  std::filesystem::remove(first);
  std::filesystem::create_directory(first);
  EXPECT_EQ(exported({"--what", "all", "-o", in("out"), "--replace"}).code, 2);
  for (const auto& file : all) {
    if (file.string() == first) continue;
    EXPECT_EQ(readFile(file.string()), "mine") << file;
  }
  EXPECT_EQ(std::distance(std::filesystem::directory_iterator(in("out")), {}),
            static_cast<std::ptrdiff_t>(all.size()));
  folder_.write("file", "no folder");
  EXPECT_EQ(exported({"--what", "all", "-o", in("file")}).code, 2);
  EXPECT_EQ(exported({"--what", "all", "-o", in("none/there")}).code, 2);
  EXPECT_FALSE(std::filesystem::exists(in("none")));
}

TEST_F(Export, mistakesInTheArgumentsAreTold) {
  const auto refused = [&](std::vector<std::string> arguments, const char* told) {
    const Finished done = exported(std::move(arguments));
    EXPECT_EQ(done.code, 2) << told;
    EXPECT_THAT(done.err, HasSubstr(told));
    EXPECT_FALSE(std::filesystem::exists(in("o.pdf")));
  };
  refused({"--what", "templates", "--as", "pdf", "--paper", "A9", "-o", in("o.pdf")}, "A9");
  refused({"--what", "templates", "--as", "pdf", "--paper", "roll:20", "-o", in("o.pdf")},
          "roll:180");
  refused({"--what", "templates", "--as", "pdf", "--only", "gap-spacr", "-o", in("o.pdf")},
          "did you mean \"gap-spacer\"?");
  refused({"--what", "templates", "--as", "pdf", "--printer", "hall", "-o", in("o.pdf")}, "hall");
  refused({"--what", "templates", "--as", "svg", "--only", "label/board/1", "-o", in("o.pdf")},
          "no outline to print");
  refused({"--what", "jacket", "--as", "csv", "-o", in("o.pdf")}, "pdf, svg, dxf");
  refused({"--what", "jacket", "-o", in("o.pdf")}, "--as");
  job_["allowances"].erase("with_jacket");
  write();
  refused({"--what", "jacket", "--as", "pdf", "-o", in("o.pdf")}, "no jacket to print");
}

TEST_F(Export, oneTemplateAloneOnARoll) {
  const Finished done = exported({"--what", "templates", "--as", "pdf", "--paper", "roll:610",
                                  "--only", "case-lay-out", "-o", in("o.pdf")});
  ASSERT_EQ(done.code, 0) << done.err;
  const std::string info = run({"pdfinfo", in("o.pdf")}).out;
  EXPECT_THAT(info, HasSubstr("Pages:           1"));
  EXPECT_THAT(info, HasSubstr("Page size:       1729"));  // 610 mm are 1729.1 points
  EXPECT_THAT(run({"pdftotext", in("o.pdf"), "-"}).out,
              AllOf(HasSubstr("Case, laid out"), HasSubstr("Tide ledger, east quay"),
                    HasSubstr("Print at 100 %"), Not(HasSubstr("Gap spacer"))));
}

TEST_F(Export, pinsDownInchBooksOnLetter) {
  job_["units"] = "in";
  write();
  ASSERT_EQ(exported({"--what", "templates", "--as", "pdf", "-o", in("o.pdf")}).code, 0);
  EXPECT_THAT(run({"pdfinfo", in("o.pdf")}).out, HasSubstr("(letter)"));
}

// Pictures that cannot be printed are told, and no page is written.
TEST_F(Export, picturesAreReadWithCare) {
  const auto refused = [&](const std::string& name, const char* told) {
    job_["art"]["jacket"]["front"]["picture"] = name;
    write();
    const Finished done = exported({"--what", "jacket", "--as", "pdf", "-o", in("o.pdf")});
    EXPECT_EQ(done.code, 2) << name;
    EXPECT_THAT(done.err, HasSubstr(told));
    EXPECT_FALSE(std::filesystem::exists(in("o.pdf"))) << name;
  };
  refused("none.png", "no such file");
  folder_.write("words.png", "no picture");
  refused("words.png", "no picture that can be read");
  // The beginning of a picture that says that it has 30,000 x 30,000 points.
  const std::string header(
      "\211\120\116\107\015\012\032\012\000\000\000\015\111\110\104\122\000\000\165\060\000\000\165"
      "\060\001\000\000\000\000\116\134\305\027"
      "\000\000\000\000\111\104\101\124\065\257\006\036",
      45);
  folder_.write("huge.png", header);
  refused("huge.png", "has 30000 × 30000 points; at most 20000 × 20000");
  const std::string svg =
      "<svg xmlns='http://www.w3.org/2000/svg' "
      "xmlns:xlink='http://www.w3.org/1999/xlink' width='9' height='9'>";
  folder_.write("link.svg", svg + "<image xlink:href='file:///etc/hostname'/></svg>");
  refused("link.svg", "file:///etc/hostname");
  folder_.write("style.svg",
                svg + "<rect width='9' height='9' style='fill:url(http://a/b#c)'/></svg>");
  refused("style.svg", "http://a/b#c");
  folder_.write("entity.svg", "<!DOCTYPE svg [<!ENTITY x SYSTEM \"/etc/hostname\">]>" + svg +
                                  "<text>&x;</text></svg>");
  refused("entity.svg", "entity.svg");
  folder_.write("open.svg", svg + "<rect");
  refused("open.svg", "open.svg");
  std::filesystem::create_directory(in("folder.png"));
  refused("folder.png", "folder.png");
  ::mkfifo(in("pipe.png").c_str(), 0600);
  refused("pipe.png", "pipe.png");
}

TEST_F(Export, oddTitlesArePrintedAndTold) {
  job_["art"]["jacket"] = {
      {"front", {{"title", "Tide \xF0\x9F\x8C\x8A ledger"}}},
      {"spine", {{"title", std::string(500, 'W')}, {"runs", "down"}}},
      {"back", {{"title", "\xD7\xA1\xD7\xA4\xD7\xA8 \xD7\x92\xD7\x90\xD7\x95\xD7\xAA"}}},
      {"frnot", {{"title", "nowhere"}}}};
  write();
  const Finished done = exported({"--what", "jacket", "--as", "pdf", "-o", in("o.pdf")});
  ASSERT_EQ(done.code, 0) << done.err;
  EXPECT_THAT(done.err, AllOf(HasSubstr("no letters for"), HasSubstr("\"frnot\" is no panel"),
                              HasSubstr("did you mean \"front\"?")));
  EXPECT_THAT(run({"pdfinfo", in("o.pdf")}).out, HasSubstr("Pages:           1"));
  job_["art"]["jacket"]["front"] = {{"titel", "x"}};
  job_["art"]["jacket"]["back"] = {{"letters", 900}};
  job_["art"]["jacket"]["spine"] = {{"runs", "sideways"}};
  write();
  const Finished wrong = exported({"--what", "jacket", "--as", "pdf", "-o", in("p.pdf")});
  EXPECT_EQ(wrong.code, 2);
  EXPECT_THAT(wrong.err, AllOf(HasSubstr("titel"), HasSubstr("900"), HasSubstr("sideways")));
}

// A flap of nothing and a spine wider than its sheet: told as the findings that they are, and as
// nothing to print.
TEST_F(Export, aJacketWithoutFlapsIsNone) {
  job_["given"]["jacket_sheet"] = 100;
  write();
  const Finished done = exported({"--what", "jacket", "--as", "pdf", "-o", in("o.pdf")});
  EXPECT_EQ(done.code, 2);
  EXPECT_THAT(done.err, HasSubstr("its back flap has no size above 0"));
  EXPECT_THAT(folder_.names(), Not(::testing::Contains("o.pdf")));
  const Finished templates = exported({"--what", "templates", "--as", "pdf", "-o", in("t.pdf")});
  EXPECT_EQ(templates.code, 1) << templates.err;  // a stop, and written all the same
}

// A printer that was measured in the window is put right here too, by its name.
TEST_F(Export, aPrintersErrorIsPutRight) {
  std::filesystem::create_directories(in("data/drapery"));
  folder_.write("data/drapery/shop.json", R"({"schema": "drapery-shop/1",
    "printers": [{"name": "hall", "across": 0.99, "along": 1.002}]})");
  const auto exportedThere = [&](const char* printer) {
    return run({"env", "XDG_DATA_HOME=" + in("data"), kCli, "export", path_, "--what", "templates",
                "--as", "pdf", "--only", "gap-spacer", "--printer", printer, "--replace", "-o",
                in("o.pdf")});
  };
  ASSERT_EQ(exportedThere("hall").code, 0);
  EXPECT_THAT(run({"pdftotext", in("o.pdf"), "-"}).out, HasSubstr("Corrected for hall alone."));
  const Finished unknown = exportedThere("attic");
  EXPECT_EQ(unknown.code, 2);
  EXPECT_THAT(unknown.err, AllOf(HasSubstr("attic"), HasSubstr("hall")));
  folder_.write("data/drapery/shop.json", "{");
  EXPECT_EQ(exportedThere("hall").code, 2);
}

TEST_F(Export, theCutListIsATable) {
  ASSERT_EQ(exported({"--what", "slip", "--as", "csv", "-o", in("list.csv")}).code, 0);
  const std::string table = readFile(in("list.csv"));
  EXPECT_THAT(table, AllOf(HasSubstr("title,method,part"), HasSubstr("board"), HasSubstr("\r\n")));
  const std::string script = folder_.write("read.py", R"(
import csv, sys
rows = list(csv.reader(open(sys.argv[1], newline="")))
assert len({len(row) for row in rows}) == 1, rows
print(len(rows))
)");
  const Finished read = run({"/usr/bin/python3", script, in("list.csv")});
  EXPECT_EQ(read.code, 0) << read.err;
  EXPECT_GE(std::stoi(read.out), 6);
}

// Where a sheet finds room on a page its settings do too: none of them waits for the next sheet.
TEST_F(Export, aSheetStandsTogetherWithItsSettings) {
  job_ = nlohmann::json::parse(projectFile("demo/lantern-log.json"));
  job_["copies"] = 24;
  write();
  auto stock = nlohmann::json::parse(projectFile("demo/stock/shelf.json"));
  for (auto& each : stock["stocks"])
    if (each["form"] == "sheet") each["count"] = nullptr;
  const std::string shelf = folder_.write("shelf.json", stock.dump());
  const Finished done =
      exported({"--what", "cut", "--as", "pdf", "--stock", shelf, "-o", in("cut.pdf")});
  ASSERT_EQ(done.code, 0) << done.err;
  std::istringstream pages(run({"pdftotext", "-layout", in("cut.pdf"), "-"}).out);
  int sheets = 0;
  for (std::string page; std::getline(pages, page, '\f');)
    if (page.find("From the shelf") == std::string::npos &&
        page.find("mull, roll") != std::string::npos) {
      ++sheets;
      EXPECT_THAT(page, AllOf(HasSubstr("set to 162 mm"), HasSubstr("set to 217.5 mm")));
    }
  EXPECT_EQ(sheets, 1);
}

}  // namespace
}  // namespace drapery::test
