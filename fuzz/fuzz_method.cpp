// Any bytes are a sound rule file or are refused; a sound one plans a book without a crash.
#include <cstdint>
#include <cstdlib>
#include <string>

#include "core/method/method_library.h"
#include "core/plan/planner.h"
#include "words/issue_words.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace drapery;
  static const MethodLibrary kLibrary;
  const std::string text(reinterpret_cast<const char*>(data), size);
  LoadedMethod loaded =
      loadMethod({"fuzz.toml", text}, [](std::string_view id) { return kLibrary.source(id); });
  if ((loaded.method == nullptr) == loaded.issues.empty()) std::abort();
  for (const Issue& issue : loaded.issues)
    if (placedWordsWithCaret(issue).empty()) std::abort();
  if (loaded.method == nullptr) return 0;
  Job job;
  job.method = loaded.method->id;
  Planner planner(std::move(loaded.method));
  const Plan plan = planner.plan(job).plan;
  if (plan.values.size() != plan.method->nodes.size()) std::abort();
  return 0;
}
