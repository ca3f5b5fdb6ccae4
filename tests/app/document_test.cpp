// The open book: random edits, and back.
#include "app/document/document.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>
#include <sys/stat.h>

#include <filesystem>

#include "store/job_file.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery::test {
namespace {

/// An open book whose new ones are kept in the folder.
struct Bench {
  explicit Bench(const TemporaryFolder& folder) : jobs(makeJsonJobs(folder.path())) {}
  std::unique_ptr<JobRepository> jobs;
  Document document{std::make_shared<const RuleLibrary>(), *jobs, Units::Millimetres};
};

/// What the file holds once everything is written.
std::string fileOf(Document& document, const std::string& path) {
  document.save();
  return readFile(path);
}

std::string textOf(const Document& document) { return writeJob(document.job()); }

/// An edit as a binder might make one: mostly sound, sometimes not.
std::pair<std::string, FieldValue> anyEdit() {
  static const std::vector<std::pair<std::string, std::vector<std::string>>> kEdits{
      {"given/text_height", {"210 mm", "8 1/4 in", "199,5 mm", "40 m", "high"}},
      {"given/text_width", {"144 mm", "5 5/8 in", "0"}},
      {"given/board_thickness", {"2.4 mm", "3/32 in", "99"}},
      {"allowances/margin", {"15 mm", "3/4 in", ""}},
      {"allowances/stiffener_school", {"flush", "spine", "none"}},
      {"fixed/board_width", {"139.5 mm", "5 1/2 in", "0", ""}},
      {"as_cut/board/height", {"214", "8 1/2 in", "tall", ""}},
      {"copies", {"3", "0", "two", ""}},
      {"title", {"Seed list", "Choir book", ""}},
      {"units", {"mm", "in"}},
      {"round", {"0.5 mm", "1/16 in", "0"}},
      {"method", {"case-sunk-joint", "case-fixed-gap", "case-card"}}};
  const auto& [field, values] = *rc::gen::elementOf(kEdits);
  const std::string value = *rc::gen::elementOf(values);
  const bool forgets = value.empty() && field != "title";
  return {field, forgets ? FieldValue() : FieldValue(Entry{value, {}})};
}

// After each kept edit the file holds the job; undone to the beginning it is the book that was
// opened; redone to the end it is the edited one.
RC_GTEST_PROP(AnyEdits, areInTheFileAndCanBeUndone, ()) {
  const TemporaryFolder folder;
  const std::string path = folder.write("job.json", writeJob(plainJob()));
  Bench bench(folder);
  Document& document = bench.document;
  RC_ASSERT(document.open(QString::fromStdString(path)).empty());
  const std::string before = textOf(document);
  const int edits = *rc::gen::inRange(1, 12);
  for (int i = 0; i < edits; ++i) {
    const auto [field, value] = anyEdit();
    const std::string held = textOf(document);
    const auto issue = document.keep(field, value);
    if (issue) RC_ASSERT(textOf(document) == held);
    if (document.undoStack()->count() > 0) RC_ASSERT(fileOf(document, path) == textOf(document));
  }
  const std::string edited = textOf(document);
  while (document.undoStack()->canUndo()) document.undoStack()->undo();
  RC_ASSERT(textOf(document) == before);
  while (document.undoStack()->canRedo()) document.undoStack()->redo();
  RC_ASSERT(textOf(document) == edited);
  RC_ASSERT(fileOf(document, path) == edited);
  RC_ASSERT(folder.names() == std::vector<std::string>{"job.json"});
}

// Rules that lack what was said of the book would refuse its file.
TEST(Document, takesNoRulesThatLackWhatWasSaid) {
  const TemporaryFolder folder;
  folder.write("leaf.toml",
               "schema = \"drapery-method/1\"\nid = \"leaf\"\ntitle = \"Leaf\"\n[[given]]\nid = "
               "\"text_height\"\ntitle = \"Height\"\nrange = [\"20 mm\", \"1200 mm\"]\n");
  const auto jobs = makeJsonJobs(folder.path());
  Document document{std::make_shared<const RuleLibrary>(folder.path()), *jobs, Units::Millimetres};
  const Entry leaf{std::string("leaf"), {}};
  for (const char* field : {"given/text_width", "fixed/board_width", "as_cut/board/width"}) {
    EXPECT_FALSE(document.keep(field, Entry{140.0, {}})) << field;
    const auto issue = document.keep("method", leaf);
    ASSERT_TRUE(issue) << field;
    EXPECT_EQ(issue->id.text(), "method-lacks") << field;
    EXPECT_FALSE(document.keep(field, std::nullopt)) << field;
  }
  EXPECT_FALSE(document.keep("method", leaf));
  EXPECT_EQ(document.job().method, "leaf");
}

TEST(Document, aPreviewIsSeenAndNotKept) {
  const TemporaryFolder folder;
  Bench bench(folder);
  Document& document = bench.document;
  const std::string path = folder.write("job.json", writeJob(plainJob()));
  ASSERT_TRUE(document.open(QString::fromStdString(path)).empty());
  EXPECT_FALSE(document.preview("given/text_width", Entry{std::string("160"), {}}));
  EXPECT_DOUBLE_EQ(valueOf(document.plan(), "text_width"), 160);
  EXPECT_EQ(document.preview("given/text_width", Entry{std::string("x"), {}})->id.text(),
            "length-not-one");
  document.endPreview();
  EXPECT_DOUBLE_EQ(valueOf(document.plan(), "text_width"), 144);
  EXPECT_EQ(readFile(path), writeJob(plainJob()));
}

// Switching the unit moves no size: what was supposed is said as it was, in one undo step; an empty
// book takes the round figures of its new unit.
TEST(Document, switchesItsUnitWithoutMovingASize) {
  const TemporaryFolder folder;
  Bench bench(folder);
  Document& document = bench.document;
  document.keepUnits("in");
  EXPECT_TRUE(document.job().allowances.empty());
  EXPECT_DOUBLE_EQ(valueOf(document.plan(), "square_head"), 3.175);
  const std::string path = folder.write("job.json", writeJob(plainJob()));
  ASSERT_TRUE(document.open(QString::fromStdString(path)).empty());
  const Plan before = document.plan();
  ASSERT_FALSE(document.preview("units", Entry{std::string("in"), {}}));
  EXPECT_EQ(valueOf(document.plan(), "board_width"), valueOf(before, "board_width"));
  document.keepUnits("in");
  EXPECT_EQ(document.undoStack()->count(), 1);
  EXPECT_EQ(document.plan().units, Units::Inches);
  for (const char* value : {"board_width", "board_height", "covering_width", "joint_gap"})
    EXPECT_EQ(valueOf(document.plan(), value), valueOf(before, value)) << value;
  document.undoStack()->undo();
  EXPECT_EQ(textOf(document), writeJob(plainJob()));
}

TEST(Document, anotherUnitBringsItsRuleInOneStep) {
  const TemporaryFolder folder;
  Job job = plainJob();
  job.round = std::string("0.5 mm");
  const std::string path = folder.write("job.json", writeJob(job));
  Bench bench(folder);
  Document& document = bench.document;
  ASSERT_TRUE(document.open(QString::fromStdString(path)).empty());
  document.keepUnits("in");
  EXPECT_DOUBLE_EQ(document.plan().resolution.mm(), 25.4 / 32);
  EXPECT_EQ(document.undoStack()->count(), 1);
  document.undoStack()->undo();
  EXPECT_EQ(document.job().round, job.round);
  EXPECT_EQ(document.job().units, Units::Millimetres);
}

TEST(Document, aHalfMeasuredBookCanBeOpened) {
  const TemporaryFolder folder;
  Job job = plainJob();
  job.given.erase("text_width");
  job.given.erase("board_thickness");
  Bench bench(folder);
  Document& document = bench.document;
  const std::string path = folder.write("job.json", writeJob(job));
  EXPECT_TRUE(document.open(QString::fromStdString(path)).empty());
  EXPECT_EQ(document.missing(), (std::vector<std::string>{"text_width", "board_thickness"}));
}

// Whatever another program puts in the file's place: it is neither waited for nor written over.
TEST(Document, whatIsNoFileInItsPlaceIsLeftAlone) {
  const TemporaryFolder folder;
  const std::string path = folder.path() + "/job.json";
  const auto expectLeft = [&](const std::function<void()>& put, const char* reason) {
    std::filesystem::remove_all(path);
    folder.write("job.json", writeJob(plainJob()));
    Bench bench(folder);
    ASSERT_TRUE(bench.document.open(QString::fromStdString(path)).empty());
    std::filesystem::remove(path);
    put();
    bench.document.keep("title", Entry{std::string("Again"), {}});
    EXPECT_EQ(bench.document.save()->id.text(), "file-unsure");
    const auto over = bench.document.saveOver();
    ASSERT_TRUE(over);
    EXPECT_EQ(std::get<std::string>(over->arguments.back().value), reason);
    EXPECT_FALSE(std::filesystem::is_regular_file(path));
    EXPECT_FALSE(bench.document.isSaved());
    // And it is not opened either.
    EXPECT_EQ(bench.document.open(QString::fromStdString(path)).front().id.text(),
              "file-unreadable");
  };
  expectLeft([&] { ::mkfifo(path.c_str(), 0600); }, "it is a pipe");
  expectLeft([&] { std::filesystem::create_directory(path); }, "it is a folder");
  expectLeft([&] { std::filesystem::create_symlink("/dev/zero", path); }, "it is a device");
}

// The keys of a method are those of the file: one that could not be opened again is not kept.
TEST(Document, anUnknownFieldIsNotKept) {
  const TemporaryFolder folder;
  Bench bench(folder);
  const auto issue = bench.document.keep("allowances/nonsense", Entry{std::string("1"), {}});
  ASSERT_TRUE(issue);
  EXPECT_EQ(issue->id.text(), "key-unknown");
  EXPECT_EQ(bench.document.undoStack()->count(), 0);
}

TEST(Document, aFileThatWentAwayIsNotWrittenAnewUnasked) {
  const TemporaryFolder folder;
  const std::string path = folder.write("job.json", writeJob(plainJob()));
  Bench bench(folder);
  Document& document = bench.document;
  ASSERT_TRUE(document.open(QString::fromStdString(path)).empty());
  std::remove(path.c_str());
  EXPECT_FALSE(document.keep("title", Entry{std::string("Again"), {}}));
  EXPECT_EQ(document.save()->id.text(), "file-gone");
  EXPECT_FALSE(document.isSaved());
  EXPECT_TRUE(folder.names().empty());
  EXPECT_FALSE(document.saveOver());
  EXPECT_TRUE(document.isSaved());
  EXPECT_EQ(readFile(path), writeJob(document.job()));
}

TEST(Document, twoNewBooksDoNotQuarrelOverOneName) {
  const TemporaryFolder folder;
  Bench first(folder), second(folder);
  Document &one = first.document, &two = second.document;
  EXPECT_EQ(one.path(), two.path());
  EXPECT_FALSE(one.keep("title", Entry{std::string("One"), {}}));
  EXPECT_FALSE(two.keep("title", Entry{std::string("Two"), {}}));
  EXPECT_FALSE(one.save() || two.save());
  EXPECT_TRUE(one.isSaved() && two.isSaved());
  EXPECT_NE(one.path(), two.path());
  EXPECT_EQ(readFile(one.path().toStdString()), writeJob(one.job()));
  EXPECT_EQ(readFile(two.path().toStdString()), writeJob(two.job()));
}

}  // namespace
}  // namespace drapery::test
