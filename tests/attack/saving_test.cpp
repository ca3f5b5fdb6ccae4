// Writes that are killed or find no room.
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>
#include <utime.h>

#include <csignal>
#include <fstream>

#include "store/whole_file.h"
#include "tests/attack/attack.h"

namespace drapery::test {
namespace {

using ::testing::ElementsAre;
using ::testing::UnorderedElementsAre;

const std::string& first() {
  static const std::string kText(300'000, 'a');
  return kText;
}
const std::string& second() {
  static const std::string kText(200'000, 'b');
  return kText;
}

/// Writes the one and the other in turn until it is killed.
[[noreturn]] void writeForEver(const std::string& path) {
  while (true) {
    writeWhole(path, second());
    writeWhole(path, first());
  }
}

TEST_F(Attack, aKilledWriteLeavesTheFileWhole) {
  const std::string path = folder_.write("job.json", first());
  const int kills = isLong() ? 1000 : 40;
  int leftovers = 0;
  for (int i = 0; i < kills || (leftovers == 0 && i < 10 * kills); ++i) {
    const pid_t child = ::fork();
    if (child == 0) writeForEver(path);
    ::usleep(static_cast<useconds_t>(500 + 137 * (i % 60)));
    ::kill(child, SIGKILL);
    ::waitpid(child, nullptr, 0);
    const std::string now = readFile(path);
    ASSERT_TRUE(now == first() || now == second()) << now.size() << " bytes";
    for (const std::string& name : folder_.names())
      if (name != "job.json") {
        ++leftovers;
        EXPECT_TRUE(name.starts_with(".drapery-")) << name;
      }
  }
  EXPECT_GT(leftovers, 0) << "no kill came in the middle of a write";
  // Today's stay: somebody may be writing. Old ones of ours go, and nothing else does.
  const std::string mine = folder_.write(".drapery-AbCdEf", "half");
  const std::string others = folder_.write(".drapery-notes", "a binder's");
  removeLeftovers(folder_.path());
  EXPECT_TRUE(std::filesystem::exists(mine));
  const utimbuf twoDaysAgo{std::time(nullptr) - 2 * 86400, std::time(nullptr) - 2 * 86400};
  for (const std::string& name : folder_.names())
    ::utime((folder_.path() + "/" + name).c_str(), &twoDaysAgo);
  std::filesystem::create_symlink(path, folder_.path() + "/.drapery-aaaaaa");
  std::filesystem::create_directory(folder_.path() + "/.drapery-bbbbbb");
  removeLeftovers(folder_.path());
  EXPECT_THAT(folder_.names(), UnorderedElementsAre("job.json", ".drapery-notes", ".drapery-aaaaaa",
                                                    ".drapery-bbbbbb"));
  removeLeftovers("/nowhere");
}

// A limit on the size of files is a full disk that needs no disk.
TEST_F(Attack, aFullDiskLeavesTheFileWhole) {
  const std::string path = folder_.write("job.json", second());
  const pid_t child = ::fork();
  if (child == 0) {
    ::signal(SIGXFSZ, SIG_IGN);
    const rlimit limit{250'000, 250'000};
    ::setrlimit(RLIMIT_FSIZE, &limit);
    const auto issue = writeWhole(path, first());
    ::_exit(issue ? 0 : 1);
  }
  int status = 0;
  ::waitpid(child, &status, 0);
  EXPECT_EQ(status, 0);
  EXPECT_EQ(readFile(path), second());
  EXPECT_THAT(folder_.names(), ElementsAre("job.json"));
}

TEST_F(Attack, aLinkToNothingIsNotReplaced) {
  const std::string path = folder_.path() + "/job.json";
  std::filesystem::create_symlink("/nowhere/at/all", path);
  const auto issue = writeWhole(path, "x");
  ASSERT_TRUE(issue);
  EXPECT_EQ(issue->id.text(), "file-unwritable");
  EXPECT_TRUE(std::filesystem::is_symlink(path));
  // A link to a file is a name of that file.
  const std::string file = folder_.write("file.json", "old");
  const std::string link = folder_.path() + "/link.json";
  std::filesystem::create_symlink(file, link);
  EXPECT_FALSE(writeWhole(link, "new"));
  EXPECT_TRUE(std::filesystem::is_symlink(link));
  EXPECT_EQ(readFile(file), "new");
}

}  // namespace
}  // namespace drapery::test
