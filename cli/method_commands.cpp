#include <fmt/format.h>

#include <filesystem>

#include "cli/commands.h"
#include "cli/console.h"
#include "cli/rule_files.h"
#include "core/file/read_file.h"
#include "core/plan/worked_examples.h"
#include "core/rules/rule_library.h"
#include "store/copy_method.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "words/methods_reference.h"
#include "words/shown_text.h"

namespace drapery::cli {

namespace {

/// A base may stand beside the file as well as in the library.
BaseLookup basesBeside(const std::string& path, const RuleLibrary& library) {
  return [path, &library](std::string_view id) {
    auto beside = fileBeside(path, id);
    return beside ? beside : library.source(id);
  };
}

}  // namespace

int methodsCommand() { return printList(RuleLibrary(houseMethodsFolder())); }

int referenceCommand() {
  // Only what ships: the reference is the same on every machine.
  return print(methodsReference(RuleLibrary()), kDone);
}

int copyMethodCommand(const std::string& id) {
  const RuleLibrary library(houseMethodsFolder());
  const auto written = writeHouseCopy(library, id, houseMethodsFolder());
  if (const auto* issues = std::get_if<Issues>(&written)) return tell(*issues);
  const std::string path = shownText(std::get<std::string>(written));
  return print(fmt::format("{}\nA job may now name {}-house. After a change: drapery-cli "
                           "check-method {}\n",
                           path, id, path),
               kDone);
}

namespace {

/// The rules under test go before those of the library.
int tryCases(const CheckRequest& request, const RuleSetPtr& rules, const RuleLibrary& library,
             std::string out) {
  const std::string& path = request.cases;
  auto text = readWhole(path, kLargestJsonFile);
  if (auto* issue = std::get_if<Issue>(&text)) return tell({*issue});
  const auto rulesOf = [&](std::string_view id) {
    return id == rules->id ? rules : library.load(id).rules;
  };
  const TriedExamples tried =
      tryExamples(std::get<std::string>(text), path, rules->id, rulesOf, library.catalogue());
  if (!tried.issues.empty()) return tell(tried.issues, {}, request.explains);
  out += fmt::format("{}: {} worked examples hold, {} expectations\n", shownText(path),
                     tried.examples, tried.expectations);
  return print(out, kDone);
}

}  // namespace

int checkMethodCommand(const CheckRequest& request) {
  const std::string& path = request.file;
  auto text = readWhole(path, kLargestTomlFile, Readable::Streams);
  if (auto* issue = std::get_if<Issue>(&text)) return tell({*issue});
  const RuleLibrary library(houseMethodsFolder(), makeCatalogue(houseMaterialsFolder()));
  const LoadedRules loaded =
      loadRules({path, std::get<std::string>(text)}, basesBeside(path, library));
  if (loaded.rules == nullptr) return tell(loaded.issues, {}, request.explains);
  std::string out =
      fmt::format("{}: sound; {} inputs, {} derived values, {} pieces, {} findings\n",
                  shownText(path), loaded.rules->inputs.size(), loaded.rules->derived.size(),
                  loaded.rules->parts.size(), loaded.rules->findings.size());
  if (request.cases.empty()) return print(out, kDone);
  return tryCases(request, loaded.rules, library, std::move(out));
}

}  // namespace drapery::cli
