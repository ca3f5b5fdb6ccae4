#include "store/open_job.h"

#include <algorithm>

#include "core/diag/nearest_name.h"

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

std::shared_ptr<Planner> plannerFor(const MethodPtr& method, const MethodLibrary& library,
                                    PlannerCache* cache) {
  if (cache == nullptr) return std::make_shared<Planner>(method, library.shelf());
  std::shared_ptr<Planner>& kept = (*cache)[method->id];
  if (kept == nullptr) kept = std::make_shared<Planner>(method, library.shelf());
  return kept;
}

namespace {

void append(Issues& to, Issues from) {
  for (Issue& issue : from) to.push_back(std::move(issue));
}

void planIt(OpenedJob& opened, const MethodLibrary& library, PlannerCache* cache) {
  const Job& job = *opened.document.job;
  if (job.method.empty()) return;  // a missing or wrong "method" is an issue already
  if (!library.knows(job.method)) {
    opened.issues.push_back(unknownMethod(job.method, library.ids()));
    return;
  }
  LoadedMethod loaded = library.load(job.method);
  append(opened.issues, std::move(loaded.issues));
  if (loaded.method == nullptr) return;
  opened.planner = plannerFor(loaded.method, library, cache);
  Planner::Outcome outcome = opened.planner->plan(job);
  opened.plan = std::move(outcome.plan);
  // What could not even be read is one mistake, not two.
  std::erase_if(outcome.issues, [&](const Issue& issue) {
    return std::any_of(opened.issues.begin(), opened.issues.end(),
                       [&](const Issue& before) { return before.field == issue.field; });
  });
  const bool lacksMaterial =
      std::any_of(outcome.issues.begin(), outcome.issues.end(),
                  [](const Issue& issue) { return issue.id.starts_with("material-"); });
  append(opened.issues, std::move(outcome.issues));
  // It may be missing for a mistake in the binder's own file.
  if (lacksMaterial) append(opened.issues, library.shelf()->issues());
}

}  // namespace

OpenedJob openJob(std::string_view text, const std::string& file, const MethodLibrary& library,
                  PlannerCache* cache) {
  OpenedJob opened;
  opened.document = readJob(text, file);
  opened.issues = opened.document.issues;
  if (opened.document.job) planIt(opened, library, cache);
  placeIssues(opened.issues, opened.document);
  return opened;
}

}  // namespace drapery
