#include "store/open_job.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/plan/former_names.h"

namespace drapery {

Issue unknownMethod(const std::string& id, const std::vector<std::string>& known) {
  std::string allowed;
  for (const std::string& name : known) allowed += (allowed.empty() ? "" : ", ") + name;
  return {"method-unknown",
          {{"value", shortened(id)}, {"nearest", nearestName(id, known)}, {"allowed", allowed}},
          "method",
          {},
          {}};
}

namespace {

void append(Issues& to, Issues from) {
  for (Issue& issue : from) to.push_back(std::move(issue));
}

void planIt(OpenedJob& opened, const RuleLibrary& library) {
  Job& job = *opened.document.job;
  job.method = library.presentId(job.method);
  const bool isToldAlready =
      std::any_of(opened.issues.begin(), opened.issues.end(),
                  [](const Issue& issue) { return issue.field == "method"; });
  if (isToldAlready) return;
  if (!library.knows(job.method)) {
    opened.issues.push_back(unknownMethod(job.method, library.ids()));
    return;
  }
  LoadedRules loaded = library.load(job.method);
  append(opened.issues, std::move(loaded.issues));
  if (loaded.rules == nullptr) return;
  takePresentNames(job, *loaded.rules);
  opened.planner.emplace(loaded.rules, library.catalogue());
  PlanOutcome outcome = opened.planner->plan(job);
  opened.plan = std::move(outcome.plan);
  // What could not even be read is one mistake, not two.
  std::erase_if(outcome.issues, [&](const Issue& issue) {
    return std::any_of(opened.issues.begin(), opened.issues.end(), [&](const Issue& before) {
      const bool isWithout =
          before.id == "job-key-missing" && issue.field.starts_with(before.field + "/");
      return before.field == issue.field || isWithout;
    });
  });
  const bool lacksMaterial =
      std::any_of(outcome.issues.begin(), outcome.issues.end(),
                  [](const Issue& issue) { return issue.id.text().starts_with("material-"); });
  append(opened.issues, std::move(outcome.issues));
  // It may be missing for a mistake in the binder's own file.
  if (lacksMaterial) append(opened.issues, library.catalogue()->issues());
}

}  // namespace

OpenedJob openJob(std::string_view text, const std::string& file, const RuleLibrary& library) {
  return openJob(readJob(text, file), library);
}

OpenedJob openJob(JobDocument document, const RuleLibrary& library) {
  OpenedJob opened;
  opened.document = std::move(document);
  opened.issues = opened.document.issues;
  if (opened.document.job) planIt(opened, library);
  placeIssues(opened.issues, opened.document);
  return opened;
}

}  // namespace drapery
