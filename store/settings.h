// What the program remembers from one day to the next: one table of keys with their types and usual
// values, in one file.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "core/diag/issue.h"

namespace drapery {

inline constexpr const char* kSettingsSchema = "drapery-settings/1";

using SettingValue = std::variant<std::string, double>;

struct SettingKind {
  std::string_view key;
  SettingValue usual;
  std::vector<std::string> allowed = {};  // of a text; empty: any
  double least = 0.0, most = 0.0;         // of a number
};

/// Letters against the usual size.
inline constexpr double kSmallestLetters = 0.5, kLargestLetters = 3.0;

/// Every setting that there is.
const std::vector<SettingKind>& settingKinds();

class Settings {
 public:
  /// All at their usual values, in no file.
  Settings() = default;
  /// Reads the file; what is wrong in it is told and has its usual value. No file is no mistake.
  /// One that cannot be read at all stays as it is: these settings are then in no file.
  static Settings load(const std::string& path, Issues& issues);

  /// The key must be one of the table's, of that type.
  [[nodiscard]] const std::string& text(std::string_view key) const;
  [[nodiscard]] double number(std::string_view key) const;
  /// An issue ("value-not-allowed") when the value is none that the table allows; nothing is then
  /// changed.
  std::optional<Issue> set(std::string_view key, SettingValue value);
  /// For this session alone: not written.
  std::optional<Issue> setForNow(std::string_view key, SettingValue value);
  /// Writes the file, where there is one and something was set: only what is not usual, and what a
  /// newer version wrote.
  std::optional<Issue> save();

 private:
  std::string path_;
  bool isChanged_ = false;
  std::map<std::string, SettingValue, std::less<>> values_, now_;
  std::vector<std::pair<std::string, std::string>> kept_;  // keys of a newer version, as JSON
};

}  // namespace drapery
