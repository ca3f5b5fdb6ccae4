// The program drapery itself: its arguments and its pictures.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <QImage>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;

const std::string kProgram = std::string(DRAPERY_BIN_DIR) + "/drapery";
const std::string kJob = std::string(DRAPERY_SOURCE_DIR) + "/demo/tide-ledger.json";

class Program : public ::testing::Test {
 protected:
  Finished drapery(std::vector<std::string> arguments) {
    arguments.insert(arguments.begin(), {"env", "XDG_DATA_HOME=" + folder_.path(),
                                         "QT_QPA_PLATFORM=offscreen", kProgram});
    return run(arguments);
  }
  TemporaryFolder folder_;
};

TEST_F(Program, takesItsPicture) {
  const std::string picture = folder_.path() + "/case.png";
  const Finished done =
      drapery({kJob, "--screenshot", picture, "--stage", "case", "--size", "1024x700", "--units",
               "in", "--font-scale", "1.5", "--theme", "bench", "--select", "board_width"});
  ASSERT_EQ(done.code, 0) << done.err;
  const QImage image(QString::fromStdString(picture));
  EXPECT_EQ(image.size(), QSize(1024, 700));
  EXPECT_LT(image.pixelColor(600, 5).lightness(), 80);  // the dark theme
}

TEST_F(Program, opensTheDemoInAFolderOfTheBindersOwn) {
  const std::string picture = folder_.path() + "/demo.png";
  ASSERT_EQ(drapery({"--demo", "--screenshot", picture}).code, 0);
  EXPECT_EQ(readFile(folder_.path() + "/drapery/demo/tide-ledger.json"),
            projectFile("demo/tide-ledger.json"));
}

TEST_F(Program, refusesWhatItDoesNotKnow) {
  const std::vector<std::vector<std::string>> wrong{
      {"--stage", "binding"},
      {"--size", "big"},
      {"--size", "10x10"},
      {"--units", "cm"},
      {"--font-scale", "3.01"},
      {"--font-scale", "1.8"},
      {"--font-scale", "x"},
      {"--theme", "pink"},
      {"--colour"},
      {kJob, kJob},
      {"/no/such.json", "--screenshot", folder_.path() + "/x.png"},
      {std::string(DRAPERY_SOURCE_DIR) + "/demo/chart-folder.json", "--stage", "cover",
       "--screenshot", folder_.path() + "/x.png"},
      {kJob, "--screenshot", folder_.path() + "/no/such/folder.png"}};
  for (const auto& arguments : wrong) {
    const Finished done = drapery(arguments);
    EXPECT_EQ(done.code, 2) << ::testing::PrintToString(arguments);
    EXPECT_THAT(done.err, HasSubstr("drapery: ")) << ::testing::PrintToString(arguments);
  }
}

TEST_F(Program, tellsEachMistakeOfAFileOnALineOfItsOwn) {
  const std::string file = folder_.write("wrong.json", R"({"schema": "drapery-job/1"})");
  EXPECT_THAT(drapery({file, "--screenshot", folder_.path() + "/x.png"}).err,
              HasSubstr("Not opened.\ndrapery: " + file + ":1:1: \"given\" is missing\n"));
}

TEST_F(Program, keepsItsFigureUnderACommaLocale) {
  const CommaLocale comma;
  const std::string picture = folder_.path() + "/comma.png";
  const std::string other = folder_.path() + "/point.png";
  std::vector<std::string> command{"env", "XDG_DATA_HOME=" + folder_.path(),
                                   "QT_QPA_PLATFORM=offscreen"};
  std::vector<std::string> rest{kProgram, kJob, "--stage", "case", "--screenshot"};
  for (const std::string& variable : comma.environment()) rest.insert(rest.begin(), variable);
  command.insert(command.end(), rest.begin(), rest.end());
  command.push_back(picture);
  ASSERT_EQ(run(command).code, 0);
  ASSERT_EQ(drapery({kJob, "--stage", "case", "--screenshot", other}).code, 0);
  // The same drawing; only the decimal signs differ.
  const QImage a(QString::fromStdString(picture)), b(QString::fromStdString(other));
  ASSERT_EQ(a.size(), b.size());
  int different = 0;
  for (int y = 0; y < a.height(); ++y)
    for (int x = 0; x < a.width(); ++x) different += a.pixel(x, y) != b.pixel(x, y) ? 1 : 0;
  EXPECT_GT(different, 0);
  EXPECT_LT(different, a.width() * a.height() / 100);
}

TEST_F(Program, saysItsVersion) {
  EXPECT_THAT(drapery({"--version"}).out, HasSubstr("drapery 0."));
}

}  // namespace
}  // namespace drapery::test
