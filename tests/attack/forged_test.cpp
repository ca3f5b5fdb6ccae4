// Titles, keys, ids and paths that would like to be more than letters.
#include <nlohmann/json.hpp>

#include "tests/attack/attack.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;

/// As JSON escapes; TOML has the same ones.
const std::vector<std::string>& forged() {
  static const std::vector<std::string> kAll{"\\u001b[2J\\u001b[31mstop",
                                             "a\\u0007\\u0008\\u007f",
                                             "\\u009b31mred",
                                             "left\\u202eright\\u202c",
                                             "\\u2066in\\u2069",
                                             "a\\nexit 0: all is well",
                                             "a\\rover",
                                             "line\\u2028sep\\u2029end",
                                             "\\ufeffmark\\u200e\\u061c"};
  return kAll;
}

void expectHarmless(const Finished& done, const std::string& what) {
  EXPECT_EQ(actsOnTerminal(done.out), "") << what << ": " << done.out;
  EXPECT_EQ(actsOnTerminal(done.err), "") << what << ": " << done.err;
}

TEST_F(Attack, nothingInAJobActsOnTheTerminal) {
  for (const std::string& text : forged()) {
    const std::string path = folder_.write("job.json", job(text));
    const Finished planned = cli({"plan", path, "--format", "text"});
    EXPECT_EQ(planned.code, 0);
    expectHarmless(planned, text);
    const Finished json = cli({"plan", path});
    expectHarmless(json, text);
    EXPECT_EQ(nlohmann::json::parse(json.out)["title"], nlohmann::json::parse("\"" + text + "\""));
    EXPECT_EQ(linesOf(planned.out),
              linesOf(cli({"plan", folder_.write("plain.json", job()), "--format", "text"}).out));
    // A mistake in it is one line, wherever the text stands.
    const std::string sound = job();
    const auto broken = [&](const std::string& from, const std::string& to) {
      std::string changed = sound;
      changed.replace(changed.find(from), from.size(), to);
      const Finished done = cli({"plan", folder_.write("job.json", changed)});
      EXPECT_EQ(done.code, 2) << changed;
      expectHarmless(done, changed);
      EXPECT_EQ(linesOf(done.err), 1) << done.err;
    };
    broken("\"case-sunk-joint\"", "\"" + text + "\"");
    broken("\"text_height\": 210", "\"text_height\": 210, \"" + text + "\": 1");
    broken("210", "\"" + text + "\"");
    broken("\"given\"", "\"units\": \"" + text + "\", \"given\"");
    broken("2.4", "{\"material\": \"" + text + "\"}");
    broken("\"drapery-job/1\"", "\"" + text + "\"");
  }
}

TEST_F(Attack, nothingInARuleFileActsOnTheTerminal) {
  for (const std::string& text : forged()) {
    data_.write("drapery/methods/ours.toml",
                method("ours", text) + "about = \"" + text + "\"\n[[finding]]\nid = \"f\"\n" +
                    "when = \"1\"\nsays = \"" + text + "\"\ndo = \"" + text + "\"\ntouches = []\n");
    const Finished listed = cli({"methods"});
    expectHarmless(listed, text);
    EXPECT_EQ(linesOf(listed.out), static_cast<int>(kMethods.size()) + 1);
    expectHarmless(cli({"plan", folder_.write("job.json", job("x", "ours")), "--format", "text"}),
                   text);
    for (const std::string& wrong :
         {"base = \"" + text + "\"", "schema = \"" + text + "\"", "\"" + text + "\" = 1",
          "[[derive]]\nid = \"" + text + "\"\ntitle = \"t\"\nformula = \"1\"\nbecause = \"b\"",
          "[[derive]]\nid = \"d\"\ntitle = \"t\"\nformula = \"1 " + text + "\"\nbecause = \"b\""}) {
      const Finished checked = cli({"check-method", folder_.write("x.toml", wrong), "--explain"});
      EXPECT_EQ(checked.code, 2);
      expectHarmless(checked, wrong);
    }
  }
  // Straight from the file, in the line that is shown.
  expectHarmless(
      cli({"check-method", folder_.write("x.toml", "x = \"\xC2\x9B\xE2\x80\xAE\" y"), "--explain"}),
      "excerpt");
}

TEST_F(Attack, noPathActsOnTheTerminal) {
  for (const std::string name :
       {"a\nb", "\x1b[31mred", "\xE2\x80\xAEtxt", "\xC2\x9B", "\x80\xff", "\x7f"}) {
    expectHarmless(cli({"plan", folder_.path() + "/" + name}), name);
    expectHarmless(cli({"plan", folder_.write(name + ".json", "{")}), name);
    expectHarmless(cli({"check-method", folder_.write(name + ".toml", "x")}), name);
    expectHarmless(cli({"check-method", folder_.path() + "/" + name}), name);
    expectHarmless(cli({name}), name);
    expectHarmless(cli({"plan", "--format", name}), name);
    expectHarmless(cli({"plan", "--batch", name}), name);
    expectHarmless(cli({"methods", "--copy", name}), name);
    expectHarmless(cli({"export", name, "--what", "slip", "--as", "pdf", "-o", name}), name);
    data_.write("drapery/methods/" + name + ".toml", method("x"));
    expectHarmless(cli({"methods"}), name);
  }
  const Finished batch = cli({"plan", "--batch", folder_.path()});
  expectHarmless({batch.code, {}, batch.err}, "batch");
}

// OWASP, "CSV Injection": cells that begin with = + - @, a tab or a return; spreadsheets leave out
// blanks and a byte order mark before them.
TEST_F(Attack, noCellIsRunBySpreadsheets) {
  for (const std::string lead : {"", " ", "   ", "\\t", "\\r", "\\n", "\\r\\n", "\\ufeff",
                                 "\\u0000", "\\u00a0", " \\ufeff\\t"})
    for (const std::string sign : {"=", "+", "-", "@", "\\uff1d"}) {
      const std::string path =
          folder_.write("job.json", job(lead + sign + R"(cmd|' /C calc'!A0\",)"));
      const Finished done = cli({"plan", path, "--format", "csv"});
      ASSERT_EQ(done.code, 0) << done.err;
      const std::string row = done.out.substr(done.out.find("\r\n") + 2);
      EXPECT_EQ(row.substr(0, 2), "\"'") << lead << sign << row;
      EXPECT_EQ(row.find('\0'), std::string::npos);
    }
  EXPECT_THAT(cli({"plan", folder_.write("job.json", job("a - b")), "--format", "csv"}).out,
              HasSubstr("\r\na - b,"));
}

TEST_F(Attack, whatIsToldNamesItOnce) {
  const Finished command = cli({"paln"});
  EXPECT_EQ(command.code, 2);
  EXPECT_EQ(command.err,
            "drapery-cli: \"paln\" is not a command; did you mean plan?; there are plan, compare, "
            "solve, methods, "
            "check-method, cut, sew, patterns, check-pattern, export; see drapery-cli --help\n");
  std::string empty = job();
  empty.replace(empty.find("210"), 3, "\"\"");
  EXPECT_THAT(cli({"plan", folder_.write("job.json", empty)}).err, HasSubstr("text_height: empty"));
  std::string units = job();
  units.replace(units.find("\"given\""), 7, R"("units": "", "given")");
  EXPECT_THAT(cli({"plan", folder_.write("job.json", units)}).err,
              HasSubstr("units: \"\" is not allowed"));
  std::string given = job();
  given.replace(given.find("{\"text_height\""), std::string::npos, "\"\"}");
  EXPECT_THAT(cli({"plan", folder_.write("job.json", given)}).err,
              HasSubstr("given: \"\" is not allowed; expected object"));
  const Finished nowhere = cli({"plan", "/nowhere/job.json"});
  EXPECT_EQ(nowhere.err, "/nowhere/job.json: cannot be read: No such file or directory\n");
}

}  // namespace
}  // namespace drapery::test
