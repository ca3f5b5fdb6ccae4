#include "store/whole_file.h"
#include "core/file/read_file.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <sys/resource.h>
#include <sys/stat.h>

#include <csignal>
#include <filesystem>

#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;

/// While it lives no file may grow over `bytes`: a full disk.
class FullDisk {
 public:
  explicit FullDisk(rlim_t bytes) {
    ::getrlimit(RLIMIT_FSIZE, &before_);
    rlimit limit = before_;
    limit.rlim_cur = bytes;
    ::setrlimit(RLIMIT_FSIZE, &limit);
    handler_ = std::signal(SIGXFSZ, SIG_IGN);
  }
  FullDisk(const FullDisk&) = delete;
  FullDisk& operator=(const FullDisk&) = delete;
  ~FullDisk() {
    ::setrlimit(RLIMIT_FSIZE, &before_);
    std::signal(SIGXFSZ, handler_);
  }

 private:
  rlimit before_{};
  void (*handler_)(int) = SIG_DFL;
};

TEST(WholeFile, writesAndReads) {
  const test::TemporaryFolder folder;
  const std::string path = folder.path() + "/job.json";
  EXPECT_FALSE(writeWhole(path, "one"));
  EXPECT_FALSE(writeWhole(path, "two"));
  EXPECT_EQ(std::get<std::string>(readWhole(path, 100)), "two");
  EXPECT_THAT(folder.names(), ElementsAre("job.json"));
}

TEST(WholeFile, aFullDiskLeavesTheOldFileAndNothingBeside) {
  const test::TemporaryFolder folder;
  const std::string path = folder.write("job.json", "the old one");
  {
    const FullDisk full(4096);
    const auto issue = writeWhole(path, std::string(100'000, 'x'));
    ASSERT_TRUE(issue);
    EXPECT_THAT(placedWords(*issue, {}), HasSubstr("cannot be written"));
  }
  EXPECT_EQ(test::readFile(path), "the old one");
  EXPECT_THAT(folder.names(), ElementsAre("job.json"));
}

TEST(WholeFile, aFolderInTheFilesPlaceIsRefused) {
  const test::TemporaryFolder folder;
  std::filesystem::create_directory(folder.path() + "/job.json");
  EXPECT_EQ(writeWhole(folder.path() + "/job.json", "x")->id.text(), "file-unwritable");
  EXPECT_EQ(writeWhole(folder.path() + "/no/such/folder.json", "x")->id.text(), "file-unwritable");
  EXPECT_EQ(std::get<Issue>(readWhole(folder.path() + "/none", 10)).id.text(), "file-unreadable");
  EXPECT_EQ(std::get<Issue>(readWhole(folder.path(), 10)).id.text(), "file-unreadable");
  EXPECT_THAT(folder.names(), ElementsAre("job.json"));
}

TEST(WholeFile, refusesMoreThanItsLimit) {
  const test::TemporaryFolder folder;
  const std::string path = folder.write("large", std::string(1000, 'x'));
  EXPECT_EQ(std::get<Issue>(readWhole(path, 999)).id.text(), "file-too-large");
  EXPECT_TRUE(std::holds_alternative<std::string>(readWhole(path, 1000)));
}

TEST(WholeFile, keepsTheModeAndFollowsALink) {
  const test::TemporaryFolder folder;
  const std::string path = folder.write("real.json", "old");
  ::chmod(path.c_str(), 0640);
  const std::string link = folder.path() + "/link.json";
  std::filesystem::create_symlink(path, link);
  EXPECT_FALSE(writeWhole(link, "new"));
  EXPECT_EQ(test::readFile(path), "new");
  EXPECT_TRUE(std::filesystem::is_symlink(link));
  struct stat now {};
  ::stat(path.c_str(), &now);
  EXPECT_EQ(now.st_mode & 0777U, 0640U);
}

}  // namespace
}  // namespace drapery
