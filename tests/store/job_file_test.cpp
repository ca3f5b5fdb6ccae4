#include "store/job_file.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "store/json_node.h"
#include "store/open_job.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::Contains;
using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

std::vector<std::string> messages(const std::string& text) {
  const OpenedJob opened = openJob(text, "job.json", RuleLibrary());
  std::vector<std::string> all;
  for (const Issue& issue : opened.issues) all.push_back(placedWords(issue, {}));
  return all;
}

const char* const kSound = R"({
  "schema": "drapery-job/1",
  "id": "2f9f6b6e-53a5-4a0e-9d6e-0d1b2c3a4e5f",
  "title": "Séance ledger",
  "method": "case-sunk-joint",
  "given": {
    "text_height": "210 mm",
    "text_width": 144,
    "text_thickness": "1 in",
    "board_thickness": 2.4
  },
  "allowances": {"square_head": "1/8 in"}
})";

std::string with(const std::string& from, const std::string& to) {
  std::string text = kSound;
  const auto at = text.find(from);
  EXPECT_NE(at, std::string::npos) << from;
  return text.replace(at, from.size(), to);
}

TEST(JobFile, readsASoundJob) {
  EXPECT_THAT(messages(kSound), IsEmpty());
  const JobDocument document = readJob(kSound, "job.json");
  EXPECT_EQ(document.job->title, "Séance ledger");
  EXPECT_EQ(document.places.at("given/text_width").line, 8);
  EXPECT_EQ(document.places.at("given/text_width").column, 19);
}

TEST(JobFile, aByteOrderMarkIsNoMistake) {
  EXPECT_THAT(messages(std::string("\xEF\xBB\xBF") + kSound), IsEmpty());
}

// A name as long as a page is shortened wherever it is told (found by a fuzzer).
TEST(JobFile, longNamesAreShortened) {
  const std::string page(3000, 'x');
  for (const std::string& value : {std::string("{\"board\": 1}"), std::string("[]")}) {
    std::string text = kSound;
    text.replace(text.find("\"text_height\""), 13,
                 "\"" + page + "\": " + value + ", \"text_height\"");
    for (const std::string& message : messages(text)) EXPECT_LT(message.size(), 300U) << message;
  }
}

struct Mistake {
  const char* name;
  const char* from;
  const char* to;
  const char* message;
  friend void PrintTo(const Mistake& each, std::ostream* out) { *out << each.name; }
};

class JobMistake : public ::testing::TestWithParam<Mistake> {};

TEST_P(JobMistake, isPlacedWithValueAndWhatIsAllowed) {
  EXPECT_THAT(messages(with(GetParam().from, GetParam().to)),
              ElementsAre(HasSubstr(GetParam().message)));
}

INSTANTIATE_TEST_SUITE_P(
    Each, JobMistake,
    ::testing::Values(
        Mistake{"schema", "drapery-job/1", "drapery-job/2",
                "job.json:2:13: schema: \"drapery-job/2\" is not allowed; allowed: drapery-job/1"},
        Mistake{"method", "case-sunk-joint", "case-sunk-join",
                "job.json:5:13: method: \"case-sunk-join\" is not known; did you mean "
                "case-sunk-joint?; allowed: case-sunk-joint, case-fixed-gap"},
        Mistake{"noGiven", "\"given\"", "\"giving\"", "job.json:1:1: \"given\" is missing"},
        Mistake{
            "unknownGiven", "text_height", "text_hieght",
            "job.json:7:5: \"text_hieght\" is not known in given; did you mean \"text_height\"?"},
        Mistake{"missing", "    \"text_height\": \"210 mm\",\n", "",
                "job.json:6:12: text_height is missing"},
        Mistake{"range", "\"210 mm\"", "\"40000 mm\"",
                "job.json:7:20: text_height: 40000 mm is not allowed; from 20 mm to 1200 mm"},
        Mistake{"zero", "144", "0",
                "job.json:8:19: text_width: 0 is not allowed; from 20 mm to 1200 mm"},
        Mistake{"twoUnits", "\"210 mm\"", "\"7 in mm\"",
                "text_height: \"7 in mm\" names two units"},
        Mistake{"letters", "\"210 mm\"", "\"high\"", "text_height: \"high\" is not a length"},
        Mistake{"nullValue", "144", "null",
                "job.json:8:19: given/text_width: null is not allowed; expected number or text"},
        Mistake{"list", "144", "[144]", "given/text_width: [...] is not allowed"},
        Mistake{"readings", "144", "{\"readings\": []}",
                "expected number, text, a list of readings or a material"},
        Mistake{"readingKey", "144", "{\"readings\": [{\"value\": 144, \"et\": \"head\"}]}",
                "\"et\" is not known in reading; did you mean \"at\"?"},
        Mistake{"duplicate", "\"text_width\": 144", "\"text_height\": 144",
                "job.json:8:5: \"text_height\" stands twice"},
        Mistake{"syntax", "144,", "144", "job.json:9:5: not JSON"},
        Mistake{"notUtf8", "Séance",
                "S\xE9"
                "ance",
                "job.json:4:14: not UTF-8: the byte 0xE9"},
        Mistake{"tooLarge", "144", "1e400", "job.json:8:19: 1e400 is too large for a number"},
        Mistake{"title", "\"Séance ledger\"", "7",
                "job.json:4:12: title: 7 is not allowed; expected text"},
        Mistake{"units", "\"given\"", "\"units\": \"cm\", \"given\"",
                "units: \"cm\" is not allowed; allowed: mm, in"},
        Mistake{"round", "\"given\"", "\"round\": \"0 mm\", \"given\"",
                "job.json:6:12: round: 0 mm is not allowed; from 0.01 mm to 25.4 mm"},
        Mistake{"allowances", "{\"square_head\": \"1/8 in\"}", "7",
                "allowances: 7 is not allowed; expected object"}),
    [](const auto& each) { return each.param.name; });

TEST(JobFile, saysEveryMistakeAtOnce) {
  std::string text = with("144", "0");
  text.replace(text.find("2.4"), 3, "99.");
  text.replace(text.find("99."), 3, "99 ");
  EXPECT_THAT(messages(text), ElementsAre(HasSubstr("text_width"), HasSubstr("board_thickness")));
}

TEST(JobFile, refusesWhatIsNoObject) {
  EXPECT_THAT(messages("[]"), ElementsAre(HasSubstr("not a job")));
  EXPECT_THAT(messages(""), ElementsAre(HasSubstr("not JSON")));
  EXPECT_THAT(messages("nonsense"), ElementsAre(HasSubstr("job.json:1:1: not JSON")));
}

TEST(JobFile, refusesDepthSizeAndEndlessNumbers) {
  EXPECT_THAT(messages(std::string(100'000, '[')), ElementsAre(HasSubstr("nested deeper than 64")));
  EXPECT_THAT(messages(std::string((4U << 20U) + 1, ' ')),
              ElementsAre(HasSubstr("larger than 4 MB")));
  const auto digits = messages(with("144", std::string(3'000'000, '9').c_str()));
  ASSERT_EQ(digits.size(), 1U);
  EXPECT_LT(digits.front().size(), 200U);
  EXPECT_TRUE(std::holds_alternative<Node>(parseJson(std::string(64, '[') + std::string(64, ']'))));
}

TEST(JobFile, keepsWhatANewerVersionWroteToTheLastSign) {
  const std::string kept = R"({"lamp": [1,  "d\u00fce", 123456789012345678901234567890, 1e-400]})";
  const std::string text = with("\"given\"", "\"bench\": " + kept + ", \"given\"");
  const std::string written = writeJob(*readJob(text, "job.json").job);
  EXPECT_THAT(written, HasSubstr("\"bench\": " + kept));
  EXPECT_EQ(writeJob(*readJob("\xEF\xBB\xBF" + text, "job.json").job), written);
  EXPECT_EQ(writeJob(*readJob(written, "job.json").job), written);
}

TEST(JobFile, aFileOfUnknownKeysGetsOneSentenceForMostOfThem) {
  std::string keys;
  for (int i = 0; i < 1000; ++i) keys += "\"odd" + std::to_string(i) + "\": 1, ";
  const auto told = messages(with("\"text_height\"", (keys + "\"text_height\"").c_str()));
  ASSERT_EQ(told.size(), 51U);
  EXPECT_THAT(told.back(), HasSubstr("950 more keys in given are not known"));
}

RC_GTEST_PROP(JobFileProperty, writesAndReadsTheSameJob, ()) {
  Job job = *test::anyJob("case-fixed-gap");
  job.title = *rc::gen::element<std::string>("", "Tide ledger", "\"Quoted\" \\ Ω\n");
  job.round = std::string("1/32 in");
  job.given["text_width"].readings = {{143.8, "head", "rule"}, {std::string("144.1"), "tail", ""}};
  job.otherAllowances["case-sunk-joint"]["setback"] = {6.5, {}};
  const JobDocument document = readJob(writeJob(job), "job.json");
  RC_ASSERT(document.issues.empty());
  const Job& read = *document.job;
  RC_ASSERT(read.title == job.title);
  RC_ASSERT(read.units == job.units);
  RC_ASSERT(read.round == job.round);
  RC_ASSERT(read.given == job.given);
  RC_ASSERT(read.allowances == job.allowances);
  RC_ASSERT(read.otherAllowances == job.otherAllowances);
}

RC_GTEST_PROP(JobFileProperty, anyBytesAreReadOrRefused, (const std::string& bytes)) {
  const JobDocument document = readJob(bytes, "job.json");
  RC_ASSERT(document.job.has_value() || !document.issues.empty());
}

}  // namespace
}  // namespace drapery
