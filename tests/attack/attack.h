// What the attacks have in common: the programs with a data folder of their own, and text that no
// terminal should ever see.
#pragma once

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <algorithm>
#include <cstdlib>
#include <filesystem>

#include "tests/support/command.h"

namespace drapery::test {

/// Set by ./dev attack: as often as time allows, not just once.
inline bool isLong() { return std::getenv("DRAPERY_ATTACK") != nullptr; }

class Attack : public ::testing::Test {
 protected:
  Attack() {
    for (const char* name : {"methods", "materials", "jobs"})
      std::filesystem::create_directories(house(name));
  }
  [[nodiscard]] std::string house(const std::string& name) const {
    return data_.path() + "/drapery/" + name;
  }
  Finished cli(std::vector<std::string> arguments, const std::string& input = {}) const {
    arguments.insert(arguments.begin(),
                     {"env", "XDG_DATA_HOME=" + data_.path(), DRAPERY_BIN_DIR "/drapery-cli"});
    return run(arguments, input);
  }
  /// By the shell, in which $CLI is the program and $DIR a folder.
  Finished shell(const std::string& line) const {
    return run({"env", "XDG_DATA_HOME=" + data_.path(), "CLI=" DRAPERY_BIN_DIR "/drapery-cli",
                "DIR=" + folder_.path(), "sh", "-c", line});
  }
  /// A sound book; `title` is JSON, without its quotes.
  static std::string job(const std::string& title = "Knot log",
                         const std::string& method = "case-sunk-joint") {
    return R"({"schema": "drapery-job/1", "id": "x", "title": ")" + title + R"(", "method": ")" +
           method + R"(", "given": {"text_height": 210, "text_width": 144, "text_thickness": 25,
           "board_thickness": 2.4}})";
  }
  /// A house method that only says its id and title.
  static std::string method(const std::string& id, const std::string& title = "Ours") {
    return "schema = \"drapery-method/1\"\nid = \"" + id +
           "\"\nbase = \"case-sunk-joint\"\ntitle = \"" + title + "\"\n";
  }

  TemporaryFolder data_, folder_;
};

inline std::ptrdiff_t linesOf(const std::string& text) {
  return std::count(text.begin(), text.end(), '\n');
}

/// The first byte or letter that could act on a terminal; empty when there is none. Lines may end.
inline std::string actsOnTerminal(const std::string& text) {
  for (const char c : text) {
    const auto byte = static_cast<unsigned char>(c);
    if ((byte < 0x20 && c != '\n') || byte == 0x7F) return "byte " + std::to_string(byte);
  }
  static const std::vector<std::string> kLetters{
      "\xC2\x80",     "\xC2\x9B",     "\xC2\x9F",     "\xD8\x9C",     "\xE2\x80\x8E",
      "\xE2\x80\x8F", "\xE2\x80\xA8", "\xE2\x80\xA9", "\xE2\x80\xAA", "\xE2\x80\xAD",
      "\xE2\x80\xAE", "\xE2\x81\xA6", "\xE2\x81\xA9", "\xEF\xBB\xBF"};
  for (const std::string& letter : kLetters)
    if (text.find(letter) != std::string::npos) return "a letter of " + letter;
  return {};
}

}  // namespace drapery::test
