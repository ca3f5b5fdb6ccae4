#include "cli/job_argument.h"

#include <cstdio>

#include "cli/console.h"
#include "core/file/read_file.h"
#include "store/folders.h"
#include "store/json_node.h"

namespace drapery::cli {

namespace {

/// One byte over the limit is enough for the reader to refuse it.
std::string readStandardInput() {
  std::string text(kLargestJsonFile + 1, '\0');
  text.resize(std::fread(text.data(), 1, text.size(), stdin));
  return text;
}

/// What lies in the house's folders and cannot be read; of files that have a shipped one's name
/// only the one that the binder may have meant.
void tellLeftOut(const RuleLibrary& library, const Job* job) {
  for (const Issue& issue : library.leftOut())
    if (issue.id != "id-ships" ||
        (job != nullptr && issue.arguments.front().value == Argument(job->method)))
      tell({issue});
  tell(library.catalogue()->leftOut());
}

}  // namespace

RuleLibrary houseLibrary() {
  return RuleLibrary(houseMethodsFolder(), makeCatalogue(houseMaterialsFolder()));
}

std::variant<std::string, Issue> readInput(const std::string& path) {
  if (path == "-") return readStandardInput();
  return readWhole(path, kLargestJsonFile, Readable::Streams);
}

std::optional<OpenedJob> openArgument(const std::string& path, const RuleLibrary& library,
                                      std::optional<Units> units) {
  const auto text = readInput(path);
  if (const auto* issue = std::get_if<Issue>(&text)) {
    tell({*issue}, {});
    return std::nullopt;
  }
  OpenedJob opened = openJob(std::get<std::string>(text), path == "-" ? "<stdin>" : path, library);
  const Job* job = opened.document.job ? &*opened.document.job : nullptr;
  tellLeftOut(library, job);
  Notation notation;
  notation.units = units.value_or(job != nullptr ? job->units : Units::Millimetres);
  if (!opened.issues.empty()) {
    tell(opened.issues, notation);
    return std::nullopt;
  }
  opened.plan.units = notation.units;
  return opened;
}

}  // namespace drapery::cli
