#include "store/settings.h"

#include <algorithm>
#include <cmath>
#include <filesystem>

#include "core/file/read_file.h"
#include "core/quantity/format_length.h"
#include "store/json_node.h"
#include "store/json_out.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

const SettingKind* kindOf(std::string_view key) {
  const auto& kinds = settingKinds();
  const auto found = std::find_if(kinds.begin(), kinds.end(),
                                  [&](const SettingKind& kind) { return kind.key == key; });
  return found != kinds.end() ? &*found : nullptr;
}

Issue notAllowed(std::string_view key, const std::string& value, const std::string& allowed) {
  return {"value-not-allowed",
          {{"key", std::string(key)}, {"value", shortened(value)}, {"allowed", allowed}},
          std::string(key),
          {},
          {}};
}

std::optional<Issue> wrongWith(const SettingKind& kind, const SettingValue& value) {
  if (const auto* number = std::get_if<double>(&value)) {
    const std::string range =
        "from " + formatNumber(kind.least, 3) + " to " + formatNumber(kind.most, 3);
    const bool isSound =
        std::holds_alternative<double>(kind.usual) && *number >= kind.least && *number <= kind.most;
    return isSound ? std::nullopt
                   : std::optional(notAllowed(kind.key, formatNumber(*number, 6), range));
  }
  const auto& text = std::get<std::string>(value);
  std::string allowed;
  for (const std::string& each : kind.allowed) allowed += (allowed.empty() ? "" : ", ") + each;
  const bool isSound = std::holds_alternative<std::string>(kind.usual) &&
                       (kind.allowed.empty() || std::find(kind.allowed.begin(), kind.allowed.end(),
                                                          text) != kind.allowed.end());
  return isSound ? std::nullopt : std::optional(notAllowed(kind.key, text, allowed));
}

std::optional<SettingValue> valueOf(const Node& node) {
  if (node.kind == Node::Kind::Text) return SettingValue(node.text);
  if (node.kind == Node::Kind::Number) return SettingValue(node.number);
  return std::nullopt;
}

}  // namespace

const std::vector<SettingKind>& settingKinds() {
  constexpr double kLargestWindow = 20000;
  static const std::vector<SettingKind> kKinds{
      {"units", std::string("mm"), {"mm", "in"}},
      {"theme", std::string("light"), {"light", "bench"}},
      {"font_scale", 1.0, {}, kSmallestLetters, kLargestLetters},
      {"caliper", std::string()},
      {"shear_mm", 0.0, {}, 0.0, 5000.0},  // the longest cut of shear or mat; 0: any
      {"paper", std::string(), {"", "a4", "a3", "letter", "legal", "roll"}},  // "": by the book
      {"roll_mm", 610.0, {}, 180.0, 2000.0},                                  // its width
      {"printer", std::string()},
      {"screen_dots_per_mm", 0.0, {}, 0.0, 40.0},  // as it was measured; 0: not yet
      {"window_width", 1280.0, {}, 640.0, kLargestWindow},
      {"window_height", 800.0, {}, 480.0, kLargestWindow},
      {"last_book", std::string()},
      {"sewing_at", std::string()}};  // the book that was sewn last, and at which move
  return kKinds;
}

Settings Settings::load(const std::string& path, Issues& issues) {
  Settings settings;
  std::error_code ignored;
  if (!std::filesystem::exists(path, ignored)) {
    settings.path_ = path;
    return settings;
  }
  auto text = readWhole(path, kLargestJsonFile);
  if (auto* issue = std::get_if<Issue>(&text)) {
    issues.push_back(std::move(*issue));
    return settings;
  }
  const std::string& written = std::get<std::string>(text);
  auto parsed = parseJson(written);
  if (auto* wrong = std::get_if<Issues>(&parsed)) {
    for (Issue& issue : *wrong) {
      issue.where.file = path;
      issues.push_back(std::move(issue));
    }
    return settings;
  }
  const Node& root = std::get<Node>(parsed);
  if (root.kind != Node::Kind::Table) {
    issues.push_back({"settings-not-object", {}, {}, {path, root.line, root.column}, {}});
    return settings;
  }
  settings.path_ = path;
  for (const Node::Member& member : root.members) {
    const SettingKind* kind = kindOf(member.key);
    if (kind == nullptr) {
      if (member.key != "schema")
        settings.kept_.emplace_back(
            member.key, written.substr(member.value.begin, member.value.end - member.value.begin));
      continue;
    }
    const auto value = valueOf(member.value);
    auto issue = value ? settings.set(member.key, *value)
                       : std::optional(notAllowed(member.key, member.value.text, "text or number"));
    if (!issue) continue;
    issue->where = {path, member.line, member.column};
    issues.push_back(std::move(*issue));
  }
  settings.isChanged_ = false;
  return settings;
}

const std::string& Settings::text(std::string_view key) const {
  for (const auto* values : {&now_, &values_})
    if (const auto found = values->find(key); found != values->end())
      return std::get<std::string>(found->second);
  return std::get<std::string>(kindOf(key)->usual);
}

double Settings::number(std::string_view key) const {
  for (const auto* values : {&now_, &values_})
    if (const auto found = values->find(key); found != values->end())
      return std::get<double>(found->second);
  return std::get<double>(kindOf(key)->usual);
}

std::optional<Issue> Settings::set(std::string_view key, SettingValue value) {
  const SettingKind* kind = kindOf(key);
  if (kind == nullptr) return notAllowed(key, "", "one of the settings");
  if (auto issue = wrongWith(*kind, value)) return issue;
  const auto present = values_.find(key);
  const SettingValue& held = present != values_.end() ? present->second : kind->usual;
  isChanged_ = isChanged_ || held != value;
  values_.insert_or_assign(std::string(key), std::move(value));
  if (const auto passing = now_.find(key); passing != now_.end()) now_.erase(passing);
  return std::nullopt;
}

std::optional<Issue> Settings::setForNow(std::string_view key, SettingValue value) {
  const SettingKind* kind = kindOf(key);
  if (kind == nullptr) return notAllowed(key, "", "one of the settings");
  if (auto issue = wrongWith(*kind, value)) return issue;
  now_.insert_or_assign(std::string(key), std::move(value));
  return std::nullopt;
}

std::optional<Issue> Settings::save() {
  if (path_.empty() || !isChanged_) return std::nullopt;
  constexpr unsigned kIndent = 2;
  PrettyJson json(kIndent);
  json.beginObject();
  json.key("schema").text(kSettingsSchema);
  for (const SettingKind& kind : settingKinds()) {
    const auto found = values_.find(kind.key);
    if (found == values_.end() || found->second == kind.usual) continue;
    json.key(kind.key);
    if (const auto* number = std::get_if<double>(&found->second))
      json.number(*number);
    else
      json.text(std::get<std::string>(found->second));
  }
  for (const auto& [key, value] : kept_) json.key(key).raw(value);
  json.endObject();
  std::error_code ignored;
  std::filesystem::create_directories(std::filesystem::path(path_).parent_path(), ignored);
  auto issue = writeWhole(path_, json.str());
  isChanged_ = issue.has_value();
  return issue;
}

}  // namespace drapery
