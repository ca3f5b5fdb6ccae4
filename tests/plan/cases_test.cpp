// The worked examples beside the rule files: a binder can add one without knowing C++.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <set>

#include "core/plan/worked_examples.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery::test {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;

TriedExamples tried(const std::string& text, const std::string& file, const std::string& method) {
  static const RuleLibrary kLibrary;
  return tryExamples(
      text, file, method, [](std::string_view id) { return kLibrary.load(id).rules; },
      kLibrary.catalogue());
}

std::vector<std::string> caseFiles() {
  std::vector<std::string> files;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/methods"))
    if (entry.path().extension() == ".cases") files.push_back(entry.path().string());
  std::sort(files.begin(), files.end());
  return files;
}

class Cases : public ::testing::TestWithParam<std::string> {};

TEST_P(Cases, hold) {
  const std::string file = GetParam();
  const TriedExamples all =
      tried(readFile(file), file, std::filesystem::path(file).stem().string());
  EXPECT_GT(all.examples, 0);
  EXPECT_GT(all.expectations, all.examples);
  for (const Issue& issue : all.issues) ADD_FAILURE() << placedWords(issue, {});
}

INSTANTIATE_TEST_SUITE_P(Files, Cases, ::testing::ValuesIn(caseFiles()), [](const auto& each) {
  std::string name = std::filesystem::path(each.param).stem().string();
  std::replace(name.begin(), name.end(), '-', '_');
  return name;
});

// Derived values whose figure no worked example expects yet: a sign could be turned in one of these
// and no example would fall. The list only ever grows shorter.
const std::set<std::string> kWithoutExample{};

TEST(Cases, expectEveryDerivedValue) {
  std::set<std::string> expected, derived;
  for (const std::string& file : caseFiles())
    expected.merge(tried(readFile(file), file, std::filesystem::path(file).stem().string()).values);
  for (const std::string& school : kMethods)
    for (const DerivedRule& rule : shippedMethod(school)->derived) derived.insert(rule.id);
  std::set<std::string> without;
  for (const std::string& id : derived)
    if (!expected.contains(id)) without.insert(id);
  EXPECT_THAT(without, ::testing::ContainerEq(kWithoutExample));
}

TEST(WorkedExamples, sayWhatDoesNotHoldAndWhere) {
  const TriedExamples all = tried(
      "[a book]\n"
      "text_height = 210\ntext_width = 144\ntext_thickness = 25\nboard_thickness = 2.4\n"
      "=> board_width = 141\n=> finding square-small\n=> cut board = 2 of 140 x 217\n"
      "=> no value board_width\n=> borad_width = 3\n=> board_width\n=> tolerance board_width = 1\n"
      "[another]\nhieght = 3\n=> board_width = 3\n[nothing]\ntext_height = 210\n",
      "x.cases", "case-sunk-joint");
  std::vector<std::string> words;
  for (const Issue& issue : all.issues) words.push_back(placedWords(issue, {}));
  EXPECT_THAT(
      words,
      ElementsAre("x.cases:6:1: expected \"board_width = 141\", found 140",
                  "x.cases:7:1: expected \"finding square-small\", found nothing of it",
                  HasSubstr("found 2 of 140 x 216"), HasSubstr(":9:1: expected \"no value"),
                  HasSubstr("did you mean \"board_width\"?"), HasSubstr(":11:1: \"board_width\""),
                  HasSubstr(":12:1: expected"), HasSubstr(":14:1: \"hieght\""), HasSubstr(":13:1"),
                  HasSubstr(":13:1"), HasSubstr(":13:1"), HasSubstr(":13:1"), HasSubstr(":16:1"),
                  HasSubstr(":16:1"), HasSubstr(":16:1"), HasSubstr("expects nothing")));
}

}  // namespace
}  // namespace drapery::test
