#include <fmt/format.h>

#include <filesystem>
#include <iostream>

#include "cli/commands.h"
#include "core/plan/worked_examples.h"
#include "core/rules/rule_library.h"
#include "store/copy_method.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "store/whole_file.h"
#include "words/issue_words.h"
#include "words/methods_reference.h"

namespace drapery::cli {

namespace {

int printIssues(const Issues& issues) {
  for (const Issue& issue : issues) std::cerr << placedWordsWithCaret(issue);
  return issues.empty() ? kDone : kRefused;
}

/// A base may stand beside the file as well as in the library.
BaseLookup basesBeside(const std::string& path, const RuleLibrary& library) {
  const auto folder = std::filesystem::path(path).parent_path();
  return [folder, &library](std::string_view id) -> std::optional<TomlFile> {
    if (id.find('/') != std::string_view::npos) return std::nullopt;
    const std::string beside = (folder / (std::string(id) + ".toml")).string();
    auto text = readWhole(beside, kLargestJsonFile);
    if (auto* found = std::get_if<std::string>(&text)) return TomlFile{beside, *found};
    return library.source(id);
  };
}

}  // namespace

int methodsCommand() {
  const RuleLibrary library(houseMethodsFolder());
  int code = printIssues(library.leftOut());
  for (const std::string& id : library.ids()) {
    const LoadedRules loaded = library.load(id);
    if (loaded.rules == nullptr) {
      code = printIssues(loaded.issues);
      continue;
    }
    std::cout << fmt::format("{:<20} {:<24} {}\n", id, loaded.rules->title.text,
                             loaded.rules->about.text);
  }
  return code;
}

int referenceCommand() {
  // Only what ships: the reference is the same on every machine.
  std::cout << methodsReference(RuleLibrary());
  return std::cout.flush() ? kDone : kRefused;
}

int copyMethodCommand(const std::string& id) {
  const RuleLibrary library(houseMethodsFolder());
  const auto written = writeHouseCopy(library, id, houseMethodsFolder());
  if (const auto* issues = std::get_if<Issues>(&written)) return printIssues(*issues);
  const std::string& path = std::get<std::string>(written);
  std::cout << path << "\nA job may now name " << id
            << "-house. After a change: drapery-cli check-method " << path << '\n';
  return kDone;
}

namespace {

/// The rules under test go before those of the library.
int tryCases(const std::string& path, const RuleSetPtr& rules, const RuleLibrary& library) {
  auto text = readWhole(path, kLargestJsonFile);
  if (auto* issue = std::get_if<Issue>(&text)) return printIssues({*issue});
  const auto rulesOf = [&](std::string_view id) {
    return id == rules->id ? rules : library.load(id).rules;
  };
  const TriedExamples tried =
      tryExamples(std::get<std::string>(text), path, rules->id, rulesOf, library.shelf());
  for (const Issue& issue : tried.issues) std::cerr << placedWords(issue, {}) << '\n';
  if (!tried.issues.empty()) return kRefused;
  std::cout << fmt::format("{}: {} worked examples hold, {} expectations\n", path, tried.examples,
                           tried.expectations);
  return kDone;
}

}  // namespace

int checkMethodCommand(const std::string& path, const std::string& cases) {
  auto text = readWhole(path, kLargestJsonFile);
  if (auto* issue = std::get_if<Issue>(&text)) return printIssues({*issue});
  const RuleLibrary library(houseMethodsFolder(), makeShelf(houseMaterialsFolder()));
  const LoadedRules loaded =
      loadRules({path, std::get<std::string>(text)}, basesBeside(path, library));
  if (loaded.rules == nullptr) return printIssues(loaded.issues);
  std::cout << fmt::format("{}: sound; {} inputs, {} derived values, {} pieces, {} findings\n",
                           path, loaded.rules->inputs.size(), loaded.rules->derived.size(),
                           loaded.rules->parts.size(), loaded.rules->findings.size());
  return cases.empty() ? kDone : tryCases(cases, loaded.rules, library);
}

}  // namespace drapery::cli
