// `cmake --install` as a packager calls it. Outside check: desktop-file-validate.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

TEST(Install, putsProgramsDesktopFileAndIconInTheirPlaces) {
  const TemporaryFolder folder;
  const std::string build = std::filesystem::path(DRAPERY_BIN_DIR).parent_path().string();
  const Finished done = run({"cmake", "--install", build, "--prefix", folder.path()});
  ASSERT_EQ(done.code, 0) << done.err;
  const std::string share = folder.path() + "/share";
  EXPECT_TRUE(std::filesystem::exists(share + "/icons/hicolor/scalable/apps/drapery.svg"));
  const Finished checked = run({"desktop-file-validate", share + "/applications/drapery.desktop"});
  EXPECT_EQ(checked.code, 0) << checked.out << checked.err;
  EXPECT_EQ(run({folder.path() + "/bin/drapery-cli", "--version"}).code, 0);
  EXPECT_EQ(run({folder.path() + "/bin/drapery", "--version"}).code, 0);
  EXPECT_EQ(run({folder.path() + "/bin/drapery-caliper-sim", "--help"}).code, 0);
  // The helper stands beside the command that calls it.
  const std::string pdf = folder.path() + "/slip.pdf";
  EXPECT_EQ(run({folder.path() + "/bin/drapery-cli", "export",
                 std::string(DRAPERY_SOURCE_DIR) + "/demo/tide-ledger.json", "--what", "slip",
                 "--as", "pdf", "-o", pdf})
                .code,
            0);
  EXPECT_TRUE(std::filesystem::exists(pdf));
}

}  // namespace
}  // namespace drapery::test
