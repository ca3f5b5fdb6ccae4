#include "store/job_keeper.h"

#include <sys/stat.h>

#include <cerrno>
#include <filesystem>

#include "core/file/read_file.h"
#include "store/json_node.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

/// new-book.json, new-book-2.json ...
std::string nameNumber(const std::string& folder, int number) {
  return folder +
         (number == 1 ? "/new-book.json" : "/new-book-" + std::to_string(number) + ".json");
}

std::string firstFree(const std::string& folder) {
  std::error_code ignored;
  int number = 1;
  while (std::filesystem::exists(nameNumber(folder, number), ignored)) ++number;
  return nameNumber(folder, number);
}

Issue issueOf(IssueId id, const std::string& path, const std::string& reason = {}) {
  return {id, {{"path", path}, {"reason", reason}}, {}, {path, 0, 0}, {}};
}

/// Replacing a file asks only for its folder: what was locked on purpose stays.
bool isReadOnly(const std::string& path) {
  constexpr mode_t kWritable = S_IWUSR | S_IWGRP | S_IWOTH;
  struct stat file {};
  return ::stat(path.c_str(), &file) == 0 && (file.st_mode & kWritable) == 0;
}

}  // namespace

JobKeeper JobKeeper::fresh(std::string folder) {
  JobKeeper keeper;
  keeper.path_ = firstFree(folder);
  keeper.folder_ = std::move(folder);
  return keeper;
}

std::variant<JobKeeper, Issue> JobKeeper::open(const std::string& path) {
  auto text = readWhole(path, kLargestJsonFile);
  if (auto* issue = std::get_if<Issue>(&text)) return std::move(*issue);
  JobKeeper keeper;
  keeper.path_ = path;
  keeper.text_ = std::move(std::get<std::string>(text));
  return keeper;
}

/// What keeps the file from being written over.
std::optional<Issue> JobKeeper::present() const {
  struct stat file {};
  if (::stat(path_.c_str(), &file) != 0 && errno == ENOENT) return issueOf("file-gone", path_);
  auto now = readWhole(path_, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&now)) {
    if (issue->id == "file-too-large") return issueOf("file-changed", path_);
    return issueOf("file-unsure", path_, std::get<std::string>(issue->arguments.back().value));
  }
  if (std::get<std::string>(now) != text_) return issueOf("file-changed", path_);
  if (isReadOnly(path_)) return issueOf("file-read-only", path_);
  return std::nullopt;
}

std::optional<Issue> JobKeeper::writeFresh(std::string_view text) {
  std::error_code ignored;
  std::filesystem::create_directories(folder_, ignored);
  constexpr int kMostTries = 1000;  // another window may take each name first
  for (int i = 0; i < kMostTries; ++i) {
    auto issue = writeNew(path_, text);
    if (!issue) {
      text_ = text;
      folder_.clear();
      return std::nullopt;
    }
    if (issue->id != "file-there") return issue;
    path_ = firstFree(folder_);
  }
  return issueOf("file-there", path_);
}

std::optional<Issue> JobKeeper::write(std::string_view text) {
  if (!folder_.empty()) return writeFresh(text);
  if (auto issue = present()) return issue;
  return writeTo(path_, text);
}

std::optional<Issue> JobKeeper::writeOver(std::string_view text) {
  if (!folder_.empty()) return writeFresh(text);
  std::error_code ignored;
  std::filesystem::create_directories(std::filesystem::path(path_).parent_path(), ignored);
  return writeTo(path_, text);
}

std::optional<Issue> JobKeeper::writeTo(const std::string& path, std::string_view text) {
  if (auto issue = writeWhole(path, text)) return issue;
  path_ = path;
  text_ = text;
  folder_.clear();
  return std::nullopt;
}

}  // namespace drapery
