// Any bytes are a sound rule file or are refused; a sound one plans a book without a crash.
#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <string>

#include "core/drawing/draw_view.h"
#include "core/plan/planner.h"
#include "core/rules/rule_library.h"
#include "words/issue_words.h"

/// The file's name is to be its id.
static std::string nameOf(const std::string& text) {
  const std::size_t id = text.find("id = \"");
  if (id == std::string::npos) return "fuzz.toml";
  const std::size_t begin = id + 6, end = text.find('"', begin);
  return text.substr(begin, std::min(end - begin, std::size_t{64})) + ".toml";
}

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace drapery;
  static const RuleLibrary kLibrary;
  const std::string text(reinterpret_cast<const char*>(data), size);
  LoadedRules loaded =
      loadRules({nameOf(text), text}, [](std::string_view id) { return kLibrary.source(id); });
  if ((loaded.rules == nullptr) == loaded.issues.empty()) std::abort();
  for (const Issue& issue : loaded.issues)
    if (placedWordsWithCaret(issue).empty()) std::abort();
  if (loaded.rules == nullptr) return 0;
  Job job;
  job.method = loaded.rules->id;
  const Planner planner(std::move(loaded.rules));
  const Plan plan = planner.plan(job).plan;
  if (plan.values.size() != plan.rules->nodes.size()) std::abort();
  for (const ViewRule& view : plan.rules->views)
    for (const Shape& shape : drawView(view, plan).shapes)
      for (const Point& p : shape.points)
        if (!std::isfinite(p.x) || !std::isfinite(p.y)) std::abort();
  return 0;
}
