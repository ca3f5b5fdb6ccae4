// The reader against two others: nlohmann-json for what a text holds, and Python's json module
// (its JSONDecodeError tells line and column) for where a mistake is.
#include "store/json_node.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cstring>
#include <nlohmann/json.hpp>

#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;
using ::testing::StartsWith;
using Json = nlohmann::json;

std::vector<std::string> refusals(std::string_view text) {
  auto parsed = parseJson(text);
  std::vector<std::string> all;
  if (auto* issues = std::get_if<Issues>(&parsed))
    for (Issue& issue : *issues) {
      issue.where.file = "t";
      all.push_back(placedWords(issue, {}));
    }
  return all;
}

Json anyNumber() {
  const auto bits = *rc::gen::arbitrary<std::int64_t>();
  double value = 0;
  static_assert(sizeof value == sizeof bits);
  std::memcpy(&value, &bits, sizeof value);
  return std::isfinite(value) ? Json(value) : Json(bits % 1000);
}

Json anyJson(int depth) {
  switch (*rc::gen::inRange(depth == 0 ? 2 : 0, 7)) {
    case 0: {
      Json list = Json::array();
      for (int left = *rc::gen::inRange(0, 5); left > 0; --left) list.push_back(anyJson(depth - 1));
      return list;
    }
    case 1: {
      Json object = Json::object();
      for (int left = *rc::gen::inRange(0, 5); left > 0; --left)
        object["k\u2009" + std::to_string(left)] = anyJson(depth - 1);
      return object;
    }
    case 2:
      return anyNumber();
    case 3:
      return *rc::gen::inRange(-999, 999);
    case 4:
      return *rc::gen::arbitrary<bool>();
    case 5:
      return nullptr;
    default:
      return *rc::gen::element<std::string>("", "tail", "é\u2009‰", "a\"b\\c\n\t",
                                            std::string("\0nul", 4), "𝄞");
  }
}

bool isSame(const Node& node, const Json& json) {
  switch (node.kind) {
    case Node::Kind::Null:
      return json.is_null();
    case Node::Kind::Boolean:
      return json.is_boolean() && json.get<bool>() == (node.number != 0.0);
    case Node::Kind::Number:
      return json.is_number() && json.get<double>() == node.number;
    case Node::Kind::Text:
      return json.is_string() && json.get<std::string>() == node.text;
    case Node::Kind::List:
      return json.is_array() &&
             std::equal(node.items.begin(), node.items.end(), json.begin(), json.end(), isSame);
    case Node::Kind::Table:
      break;
  }
  return json.is_object() && json.size() == node.members.size() &&
         std::all_of(node.members.begin(), node.members.end(), [&](const Node::Member& member) {
           return json.contains(member.key) && isSame(member.value, json[member.key]);
         });
}

/// The offset of a line and column in `text`.
std::size_t offsetOf(std::string_view text, int line, int column) {
  std::size_t at = 0;
  for (; line > 1; --line) at = text.find('\n', at) + 1;
  const auto isInside = [&] { return (static_cast<unsigned char>(text[at]) & 0xC0U) == 0x80U; };
  for (; column > 1; --column) do
      ++at;
    while (at < text.size() && isInside());
  return at;
}

/// Each value stands in the text where it is said to.
void expectPlaced(std::string_view text, const Node& node) {
  RC_ASSERT(offsetOf(text, node.line, node.column) == node.begin);
  const Json there = Json::parse(text.substr(node.begin, node.end - node.begin));
  RC_ASSERT(isSame(node, there));
  for (const Node& item : node.items) expectPlaced(text, item);
  for (const Node::Member& member : node.members) {
    RC_ASSERT(text.substr(offsetOf(text, member.line, member.column), 1) == "\"");
    expectPlaced(text, member.value);
  }
}

RC_GTEST_PROP(JsonProperty, whatIsReadAndWhereItStands, ()) {
  const Json json = anyJson(3);
  const std::string text = json.dump(*rc::gen::element(-1, 0, 3));
  const auto parsed = parseJson(text);
  RC_ASSERT(std::holds_alternative<Node>(parsed));
  RC_ASSERT(isSame(std::get<Node>(parsed), json));
  expectPlaced(text, std::get<Node>(parsed));
}

/// Every text with one character taken out or put in.
std::vector<std::string> broken(const std::string& text) {
  std::vector<std::string> all;
  for (std::size_t i = 0; i < text.size(); ++i) {
    if ((static_cast<unsigned char>(text[i]) & 0x80U) != 0) continue;
    all.push_back(text.substr(0, i) + text.substr(i + 1));
    for (const char* put : {",", "}", "\"", "x", ":", "\\"})
      all.push_back(text.substr(0, i) + put + text.substr(i));
  }
  return all;
}

TEST(Json, mistakesArePlacedWherePythonPlacesThem) {
  const std::vector<std::string> texts = broken(
      "{\n  \"title\": \"Tide \\u00e9 lédger\",\n  \"given\": {\"a\": [1, 2.5e3, -4],\n"
      "    \"b\": true, \"c\": null},\n  \"d\": [],\n  \"e\": \"x\"\n}\n");
  const std::string program =
      "import json, sys\n"
      "for text in json.load(sys.stdin):\n"
      "    try:\n"
      "        json.loads(text)\n"
      "        print('0:0')\n"
      "    except json.JSONDecodeError as error:\n"
      "        print(f'{error.lineno}:{error.colno}')\n";
  const test::Finished python = test::run({"/usr/bin/python3", "-c", program}, Json(texts).dump());
  ASSERT_EQ(python.code, 0) << python.err;
  std::istringstream lines(python.out);
  std::size_t same = 0, refused = 0;
  for (const std::string& text : texts) {
    std::string place;
    std::getline(lines, place);
    const auto parsed = parseJson(text);
    const auto* issues = std::get_if<Issues>(&parsed);
    EXPECT_EQ(issues == nullptr || issues->front().id == "key-twice", place == "0:0") << text;
    if (issues == nullptr || place == "0:0") continue;
    const SourcePosition& at = issues->front().where;
    ++refused;
    // Python stops inside a wrong escape and a number that is not finished.
    const std::string_view id = issues->front().id.text();
    const bool isInside = id == "json-escape" || id == "json-number";
    const std::string column = place.substr(place.find(':') + 1);
    const int later = std::stoi(column) - at.column;
    const bool isSame = place == std::to_string(at.line) + ":" + column &&
                        (isInside ? later >= 0 && later <= 3 : later == 0);
    same += isSame ? 1 : 0;
    if (!isSame) ADD_FAILURE() << at.line << ":" << at.column << " not " << place << "\n" << text;
  }
  EXPECT_GT(refused, 500U);
  EXPECT_EQ(same, refused);
}

TEST(Json, saysWhatWasExpected) {
  EXPECT_THAT(refusals("{\"a\": 1 \"b\": 2}"),
              ElementsAre("t:1:9: not JSON: a comma or } is expected, not \"b\""));
  EXPECT_THAT(refusals("[1 2]"), ElementsAre("t:1:4: not JSON: a comma or ] is expected, not 2"));
  EXPECT_THAT(refusals("{\"a\": 1,}"), ElementsAre(StartsWith("t:1:9: not JSON: a name in")));
  EXPECT_THAT(refusals("{\"a\" 1}"), ElementsAre(StartsWith("t:1:6: not JSON: a colon")));
  EXPECT_THAT(refusals("{\"a\": nul}"),
              ElementsAre(StartsWith("t:1:7: not JSON: a value is expected, not nul")));
  EXPECT_THAT(refusals("{\"a\":\n NaN}"), ElementsAre("t:2:2: not JSON: NaN is no number in it"));
  EXPECT_THAT(refusals("[-Infinity]"), ElementsAre(HasSubstr("-Infinity is no number")));
  EXPECT_THAT(refusals("[1.]"), ElementsAre("t:1:2: not JSON: the number 1. is not finished"));
  EXPECT_THAT(refusals("[\"a\\q\"]"), ElementsAre(StartsWith("t:1:4: not JSON: \\q is no escape")));
  EXPECT_THAT(refusals("[\"\\ud800 \"]"), ElementsAre(HasSubstr("is no escape")));
  // The second half of a pair without the first, in a text and in a name (found by a fuzzer).
  EXPECT_THAT(refusals("[\"a\\ud83d\\ude00 \\uDEaD\"]"),
              ElementsAre(StartsWith("t:1:17: not JSON: \\uDEaD is no escape")));
  EXPECT_THAT(refusals("{\"\\udead\": 1}"),
              ElementsAre(StartsWith("t:1:3: not JSON: \\udead is no escape")));
  EXPECT_THAT(refusals("[\"\\ud83d\\ude00 \xED\x95\x9C\"]"), IsEmpty());
  EXPECT_THAT(refusals("[\"open"), ElementsAre(StartsWith("t:1:2: not JSON: this text has no")));
  EXPECT_THAT(refusals("[\"a\tb\"]"), ElementsAre(HasSubstr("the control character 0x09")));
  EXPECT_THAT(refusals("{} {}"), ElementsAre("t:1:4: not JSON: something follows the end: {"));
  EXPECT_THAT(refusals(" \n"), ElementsAre(HasSubstr("there is nothing in it")));
}

TEST(Json, aNulByteHidesNothing) {
  EXPECT_THAT(refusals(std::string_view("{}\0{}", 5)), ElementsAre(HasSubstr("follows the end")));
  EXPECT_THAT(refusals(std::string_view("[\"a\0b\"]", 7)),
              ElementsAre(StartsWith("t:1:4: not JSON: the control character 0x00")));
}

// The boundary forms of RFC 3629, section 4.
TEST(Json, textIsWellFormedUtf8) {
  const auto quoted = [](std::string_view text) { return "[\"" + std::string(text) + "\"]"; };
  for (const char* text : {"é", "‰", "𝄞", "\x7f", "\xEF\xBF\xBF", "\xF4\x8F\xBF\xBF"})
    EXPECT_THAT(refusals(quoted(text)), ElementsAre()) << text;
  for (const char* text : {"\x80", "\xC0\xAF", "\xE0\x80\xAF", "\xED\xA0\x80", "\xF4\x90\x80\x80",
                           "\xFF", "\xE2\x82", "\xC3"})
    EXPECT_THAT(refusals(quoted(text)), ElementsAre(StartsWith("t:1:3: not UTF-8")));
}

TEST(Json, namesTwiceAreToldEachAtItsPlace) {
  EXPECT_THAT(refusals("{\"a\": {\"b\": 1, \"b\": 2},\n \"a\": 3}"),
              ElementsAre(StartsWith("t:1:16: \"b\" stands twice"),
                          StartsWith("t:2:2: \"a\" stands twice")));
}

}  // namespace
}  // namespace drapery
