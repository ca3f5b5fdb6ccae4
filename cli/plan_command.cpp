#include <cstdio>

#include "cli/commands.h"
#include "cli/console.h"
#include "core/file/read_file.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "store/open_job.h"
#include "store/plan_json.h"
#include "words/plan_csv.h"
#include "words/plan_text.h"
#include "words/shown_text.h"

namespace drapery::cli {

namespace {

/// One byte over the limit is enough for the reader to refuse it.
std::string readStandardInput() {
  std::string text(kLargestJsonFile + 1, '\0');
  text.resize(std::fread(text.data(), 1, text.size(), stdin));
  return text;
}

std::variant<std::string, Issue> readInput(const std::string& path) {
  if (path == "-") return readStandardInput();
  return readWhole(path, kLargestJsonFile, Readable::Streams);
}

/// What lies in the house's folders and cannot be read; of files that have a shipped one's name
/// only the one that the binder may have meant.
void tellLeftOut(const RuleLibrary& library, const Job* job) {
  for (const Issue& issue : library.leftOut())
    if (issue.id != "id-ships" ||
        (job != nullptr && issue.arguments.front().value == Argument(job->method)))
      tell({issue});
  tell(library.shelf()->leftOut());
}

}  // namespace

int planCommand(const std::string& path, PlanFormat format, std::optional<Units> units) {
  const auto text = readInput(path);
  if (const auto* issue = std::get_if<Issue>(&text)) return tell({*issue}, {});
  const RuleLibrary library(houseMethodsFolder(), makeShelf(houseMaterialsFolder()));
  const std::string shownPath = path == "-" ? "<stdin>" : path;
  OpenedJob opened = openJob(std::get<std::string>(text), shownPath, library);
  const Job* job = opened.document.job ? &*opened.document.job : nullptr;
  tellLeftOut(library, job);
  Notation notation;
  notation.units = units.value_or(job != nullptr ? job->units : Units::Millimetres);
  if (!opened.issues.empty()) return tell(opened.issues, notation);
  opened.plan.units = notation.units;
  std::string out;
  if (format == PlanFormat::Csv) {
    out = partsCsvHeader() + partsCsv(*job, opened.plan);
  } else {
    const Planner::Detail detail = opened.planner->detail(*job, opened.plan);
    out = format == PlanFormat::Json
              ? shownJson(writePlanJson(*job, opened.plan, detail))
              : planText(*job, opened.plan, detail.before ? &*detail.before : nullptr);
  }
  return print(out, opened.plan.has(Severity::Stop) ? kDoneWithStop : kDone);
}

}  // namespace drapery::cli
