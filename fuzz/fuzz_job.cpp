// Any bytes are a job with its plan or are refused with a placed issue; a job that is read writes
// and reads the same, and a plan holds no NaN.
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <string_view>

#include "store/open_job.h"
#include "store/plan_json.h"
#include "words/issue_words.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace drapery;
  static const RuleLibrary kLibrary;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const OpenedJob opened = openJob(text, "fuzz.json", kLibrary);
  for (const Issue& issue : opened.issues)
    if (issue.where.line == 0 || placedWords(issue, {}).size() > 1000) std::abort();
  if (!opened.document.job) {
    if (opened.issues.empty()) std::abort();
    return 0;
  }
  const JobDocument again = readJob(writeJob(*opened.document.job), "again.json");
  const Job& job = *opened.document.job;
  if (opened.document.issues.empty() &&
      (!again.job || again.job->given != job.given || again.job->allowances != job.allowances ||
       again.job->fixed != job.fixed || again.job->asCut != job.asCut ||
       again.job->copies != job.copies))
    std::abort();
  if (!opened.issues.empty()) return 0;
  const std::string json = writePlanJson(*opened.document.job, opened.plan);
  if (json.find("null") != std::string::npos &&
      opened.document.job->title.find("null") == std::string::npos)
    std::abort();
  return 0;
}
