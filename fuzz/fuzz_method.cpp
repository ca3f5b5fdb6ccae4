// Any bytes are a sound rule file or are refused; a sound one plans a book without a crash.
#include <cstdint>
#include <cstdlib>
#include <string>

#include "core/plan/planner.h"
#include "core/rules/rule_library.h"
#include "words/issue_words.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace drapery;
  static const RuleLibrary kLibrary;
  const std::string text(reinterpret_cast<const char*>(data), size);
  LoadedRules loaded =
      loadRules({"fuzz.toml", text}, [](std::string_view id) { return kLibrary.source(id); });
  if ((loaded.rules == nullptr) == loaded.issues.empty()) std::abort();
  for (const Issue& issue : loaded.issues)
    if (placedWordsWithCaret(issue).empty()) std::abort();
  if (loaded.rules == nullptr) return 0;
  Job job;
  job.method = loaded.rules->id;
  Planner planner(std::move(loaded.rules));
  const Plan plan = planner.plan(job).plan;
  if (plan.values.size() != plan.rules->nodes.size()) std::abort();
  return 0;
}
