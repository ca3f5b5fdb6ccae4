// Pipes, devices, folders and endless files where files are looked for, and output that goes
// nowhere.
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>

#include "tests/attack/attack.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::IsEmpty;
using ::testing::Not;
using ::testing::StartsWith;

/// All that can lie in a folder under the name of a file, and is none or no good one.
std::vector<std::string> fillWithTraps(const std::string& folder, const std::string& suffix) {
  const auto at = [&](const char* name) { return folder + "/" + name + suffix; };
  std::filesystem::create_directory(at("a-folder"));
  ::mkfifo(at("b-pipe").c_str(), 0600);
  std::filesystem::create_symlink("/dev/zero", at("c-endless"));
  std::ofstream(at("d-large")) << "x";
  std::filesystem::resize_file(at("d-large"), 200U << 20U);
  std::filesystem::create_symlink("/nowhere/at/all", at("e-nowhere"));
  return {at("a-folder") + ": cannot be read: it is a folder",
          at("b-pipe") + ": cannot be read: it is a pipe",
          at("c-endless") + ": cannot be read: it is a device",
          at("d-large") + ":1:1: the file is larger than 4 MB, the most that is allowed",
          at("e-nowhere") + ": cannot be read: No such file or directory"};
}

TEST_F(Attack, whatIsNoRuleFileIsToldInOneLineAndTheRestWorks) {
  const auto told = fillWithTraps(house("methods"), ".toml");
  data_.write("drapery/methods/f-ours.toml", method("f-ours"));
  const Finished listed = cli({"methods"});
  EXPECT_THAT(listed.out, AllOf(HasSubstr("case-sunk-joint"), HasSubstr("f-ours")));
  for (const std::string& line : told) EXPECT_THAT(listed.err, HasSubstr(line + "\n"));
  EXPECT_EQ(linesOf(listed.err), 5);
  const Finished planned = cli({"plan", folder_.write("job.json", job("Log", "f-ours"))});
  EXPECT_EQ(planned.code, 0) << planned.err;
  EXPECT_EQ(linesOf(planned.err), 5);
}

TEST_F(Attack, whatIsNoMaterialsFileIsToldInOneLineAndTheRestWorks) {
  const auto told = fillWithTraps(house("materials"), ".toml");
  const Finished planned = cli({"plan", folder_.write("job.json", job())});
  EXPECT_EQ(planned.code, 0) << planned.err;
  for (const std::string& line : told) EXPECT_THAT(planned.err, HasSubstr(line + "\n"));
  EXPECT_EQ(linesOf(planned.err), 5);
}

TEST_F(Attack, oneBadFileEndsNoBatch) {
  const auto told = fillWithTraps(folder_.path(), ".json");
  folder_.write("f-good.json", job("Good"));
  folder_.write("g-\x80\xff.json", job("Named in no UTF-8"));
  folder_.write("h-broken.json", "{");
  folder_.write("i-good.json", job("Good too"));
  for (const char* threads : {"1", "2"}) {
    const Finished done = cli({"plan", "--batch", folder_.path(), "--threads", threads});
    EXPECT_EQ(done.code, 2);
    for (const std::string& line : told) EXPECT_THAT(done.err, HasSubstr(line + "\n"));
    std::istringstream lines(done.out);
    std::vector<std::string> names;
    for (std::string line; std::getline(lines, line);)
      names.push_back(nlohmann::json::parse(line)["file"].get<std::string>());
    EXPECT_THAT(names, ::testing::ElementsAre("f-good.json", "g-\\x80\\xff.json", "i-good.json"));
  }
}

TEST_F(Attack, anInterruptedBatchEndsAtAWholeLine) {
  for (int i = 0; i < 4000; ++i) folder_.write("b" + std::to_string(10000 + i) + ".json", job());
  int stopped = 0;
  for (const char* after : {"0.05", "0.1", "0.2", "0.4", "0.8"}) {
    const Finished done = shell(std::string("timeout --preserve-status -s INT ") + after +
                                " $CLI plan --batch $DIR --threads 2");
    const bool hasBegun = !done.err.empty() || !done.out.empty();
    if (done.code == 0 || !hasBegun) continue;  // it was through before, or not yet there
    ++stopped;
    EXPECT_EQ(done.code, 128 + SIGINT);
    EXPECT_THAT(done.err, HasSubstr(" of 4000, then stopped\n"));
    std::istringstream lines(done.out);
    for (std::string line; std::getline(lines, line);)
      EXPECT_TRUE(nlohmann::json::accept(line)) << line.substr(line.size() - 40);
    EXPECT_TRUE(done.out.empty() || done.out.back() == '\n');
  }
  EXPECT_GT(stopped, 0);
}

TEST_F(Attack, outputThatGoesNowhereIsNoSuccess) {
  folder_.write("job.json", job());
  data_.write("drapery/methods/ours.toml", method("ours"));
  const std::string ours = house("methods") + "/ours.toml";
  for (const std::string& command :
       {std::string("plan $DIR/job.json"), std::string("plan $DIR/job.json --format text"),
        std::string("plan --batch $DIR"), std::string("methods"),
        std::string("methods --reference"), "check-method " + ours, std::string("--version"),
        std::string("--help"), std::string("plan --help")})
    for (const char* nowhere : {" >/dev/full", " >&-"}) {
      const Finished done = shell("$CLI " + command + nowhere);
      EXPECT_EQ(done.code, 2) << command << nowhere;
      EXPECT_THAT(done.err, HasSubstr("standard output cannot be written")) << command << nowhere;
    }
  // With nowhere to complain to either, it is still told by the code.
  EXPECT_EQ(shell("$CLI methods >&- 2>&-").code, 2);
}

TEST_F(Attack, aSlipTakesNobodysPlace) {
  const std::string book = folder_.write("job.json", job());
  const auto at = [this](const char* name) { return folder_.path() + "/" + name; };
  const std::string other = folder_.write("other.pdf", "somebody's");
  ::mkfifo(at("pipe").c_str(), 0600);
  std::filesystem::create_directory(at("folder"));
  std::filesystem::create_symlink(other, at("link.pdf"));
  std::filesystem::create_symlink("/nowhere/at/all", at("dangling.pdf"));
  std::filesystem::create_hard_link(book, at("same.json"));
  const auto refused = [&](const std::string& output, const char* reason) {
    const Finished done = cli({"export", book, "--what", "slip", "--as", "pdf", "-o", output});
    EXPECT_EQ(done.code, 2) << output;
    EXPECT_EQ(done.err, output + " cannot be written: " + reason + "; nothing was changed\n");
  };
  refused("/dev/null", "it is a device");
  refused(at("pipe"), "it is a pipe");
  refused(at("folder"), "it is a folder");
  refused(at("link.pdf"), "it is a link; name the file itself");
  refused(at("dangling.pdf"), "it is a link; name the file itself");
  refused(book, "it is the job itself");
  refused(at("same.json"), "it is the job itself");
  refused("/nowhere/slip.pdf", "No such file or directory");
  EXPECT_EQ(readFile(other), "somebody's");
  EXPECT_EQ(readFile(book), job());
  EXPECT_TRUE(std::filesystem::is_symlink(at("dangling.pdf")));
  EXPECT_TRUE(std::filesystem::is_fifo(at("pipe")));
}

TEST_F(Attack, namesAreTakenAsTheyAre) {
  const std::string book = folder_.write("job.json", job());
  const TemporaryFolder out;
  std::vector<std::string> names{"no-utf-8-\x80\xff.pdf", std::string(251, 'n') + ".pdf",
                                 " blank .pdf", "-dash.pdf"};
  for (const std::string& name : names) {
    const Finished done = cli(
        {"export", book, "--what", "slip", "--as", "pdf", "--output=" + out.path() + "/" + name});
    EXPECT_EQ(done.code, 0) << done.err;
  }
  const Finished tooLong = cli({"export", book, "--what", "slip", "--as", "pdf", "-o",
                                out.path() + "/" + std::string(252, 'n') + ".pdf"});
  EXPECT_EQ(tooLong.code, 2);
  EXPECT_THAT(tooLong.err, HasSubstr("File name too long"));
  std::sort(names.begin(), names.end());
  EXPECT_EQ(out.names(), names);
  // So are names of jobs.
  for (const std::string& name : {std::string("\x80.json"), std::string(250, 'n') + ".json"})
    EXPECT_EQ(cli({"plan", folder_.write(name, job())}).code, 0) << name;
  // One that gives the book its title is told in letters.
  const Finished bare =
      cli({"plan", folder_.write("tern \x80.json", R"({"schema": "drapery-job/1", "given": {
      "text_height": 210, "text_width": 144, "text_thickness": 25, "board_thickness": 2.4}})")});
  EXPECT_THAT(bare.out, HasSubstr(R"("tern \\x80")")) << bare.err;
}

TEST_F(Attack, aPictureIsWrittenWholeOrNotAtAll) {
  const auto photograph = [this](const std::string& to, const std::string& before) {
    return shell(before + " QT_QPA_PLATFORM=offscreen " DRAPERY_BIN_DIR "/drapery --screenshot " +
                 to);
  };
  const std::string picture = folder_.path() + "/window.png";
  EXPECT_EQ(photograph("/dev/full", "").code, 2);
  const Finished full = photograph(picture, "trap '' XFSZ; ulimit -f 4;");
  EXPECT_EQ(full.code, 2);
  EXPECT_EQ(full.err,
            "drapery: " + picture + " cannot be written: File too large; nothing was changed\n");
  EXPECT_THAT(folder_.names(), IsEmpty());
  EXPECT_EQ(photograph(picture, "").code, 0);
  EXPECT_THAT(readFile(picture), StartsWith("\x89PNG"));
  const Finished noPicture = photograph(folder_.path() + "/window.txt", "");
  EXPECT_EQ(noPicture.code, 2);
  EXPECT_THAT(noPicture.err, HasSubstr("not a kind of picture"));
  const Finished noUtf8 = photograph("$DIR/x-$(printf '\\200').png", "");
  EXPECT_EQ(noUtf8.code, 2);
  EXPECT_THAT(noUtf8.err, AllOf(HasSubstr("x-\\x80.png"), Not(HasSubstr("\x80"))));
}

}  // namespace
}  // namespace drapery::test
