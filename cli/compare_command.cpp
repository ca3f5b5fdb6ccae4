#include "cli/commands.h"
#include "cli/console.h"
#include "cli/job_argument.h"
#include "store/compare_json.h"
#include "words/compare_text.h"
#include "words/shown_text.h"

namespace drapery::cli {

int compareCommand(const std::string& path, PlanFormat format) {
  const RuleLibrary library = houseLibrary();
  const auto opened = openArgument(path, library);
  if (!opened) return kRefused;
  const Job& job = *opened->document.job;
  const Comparison all = compareMethods(job, library);
  return print(
      format == PlanFormat::Json ? shownJson(writeCompareJson(job, all)) : compareText(job, all),
      kDone);
}

}  // namespace drapery::cli
