// The file of an open book: what somebody else left there is never covered unasked.
#include "store/job_keeper.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <sys/stat.h>

#include <filesystem>

#include "store/json_node.h"
#include "tests/support/command.h"

namespace drapery {
namespace {

using test::readFile;
using test::TemporaryFolder;
using ::testing::ElementsAre;

JobKeeper opened(const std::string& path) {
  auto kept = JobKeeper::open(path);
  EXPECT_TRUE(std::holds_alternative<JobKeeper>(kept)) << path;
  return std::get<JobKeeper>(std::move(kept));
}

std::string idOf(const std::optional<Issue>& issue) {
  return issue ? std::string(issue->id.text()) : "written";
}

TEST(JobKeeper, writesWhatItAloneHasWritten) {
  const TemporaryFolder folder;
  const std::string path = folder.write("a.json", "one");
  JobKeeper keeper = opened(path);
  EXPECT_EQ(idOf(keeper.write("two")), "written");
  EXPECT_EQ(idOf(keeper.write("three")), "written");
  EXPECT_EQ(readFile(path), "three");
  EXPECT_THAT(folder.names(), ElementsAre("a.json"));
}

// Each of these was written over without a word before.
TEST(JobKeeper, refusesWhatItDoesNotKnow) {
  const TemporaryFolder folder;
  const std::string path = folder.write("a.json", "one");
  JobKeeper keeper = opened(path);
  const auto refuses = [&](const char* id) {
    EXPECT_EQ(idOf(keeper.write("mine")), id);
    EXPECT_EQ(keeper.text(), "one");
  };
  folder.write("a.json", "other");
  refuses("file-changed");
  folder.write("a.json", std::string(kLargestJsonFile + 1, ' '));
  refuses("file-changed");
  std::filesystem::remove(path);
  refuses("file-gone");
  EXPECT_FALSE(std::filesystem::exists(path));
  // What cannot be read at the moment: as root only a thing that is no file.
  std::filesystem::create_directory(path);
  refuses("file-unsure");
  std::filesystem::remove(path);
  folder.write("a.json", "one");
  ::chmod(path.c_str(), 0444);
  refuses("file-read-only");
  EXPECT_EQ(readFile(path), "one");
  EXPECT_EQ(idOf(keeper.writeOver("mine")), "written");
  EXPECT_EQ(readFile(path), "mine");
}

TEST(JobKeeper, aFolderThatMovedIsNotMadeAnewUnasked) {
  const TemporaryFolder folder;
  std::filesystem::create_directory(folder.path() + "/books");
  const std::string path = folder.write("books/a.json", "one");
  JobKeeper keeper = opened(path);
  std::filesystem::rename(folder.path() + "/books", folder.path() + "/moved");
  EXPECT_EQ(idOf(keeper.write("two")), "file-gone");
  EXPECT_FALSE(std::filesystem::exists(folder.path() + "/books"));
  EXPECT_EQ(idOf(keeper.writeOver("two")), "written");
  EXPECT_EQ(readFile(path), "two");
}

TEST(JobKeeper, aNewBookTakesTheFirstFreeName) {
  const TemporaryFolder folder;
  const std::string jobs = folder.path() + "/jobs";
  JobKeeper first = JobKeeper::fresh(jobs), second = JobKeeper::fresh(jobs);
  EXPECT_FALSE(std::filesystem::exists(jobs));  // nothing before something is kept
  EXPECT_EQ(idOf(first.write("one")), "written");
  EXPECT_EQ(idOf(second.write("two")), "written");
  EXPECT_EQ(first.path(), jobs + "/new-book.json");
  EXPECT_EQ(second.path(), jobs + "/new-book-2.json");
  EXPECT_EQ(readFile(first.path()), "one");
  EXPECT_EQ(idOf(second.write("three")), "written");
}

TEST(JobKeeper, newFilesFollowTheMask) {
  const TemporaryFolder folder;
  struct stat file {};
  JobKeeper keeper = JobKeeper::fresh(folder.path());
  EXPECT_EQ(idOf(keeper.write("one")), "written");
  ASSERT_EQ(::stat(keeper.path().c_str(), &file), 0);
  const mode_t mask = ::umask(0);
  ::umask(mask);
  EXPECT_EQ(file.st_mode & 0777U, 0666U & ~mask);
}

}  // namespace
}  // namespace drapery
