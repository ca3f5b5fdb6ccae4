// How long the engine takes for one book.
#include <benchmark/benchmark.h>

#include <fstream>
#include <iterator>

#include "core/drawing/book_drawings.h"
#include "store/open_job.h"
#include "store/plan_json.h"

namespace {

using namespace drapery;

std::string demo(const char* name) {
  std::ifstream in(std::string(DRAPERY_SOURCE_DIR) + "/demo/" + name);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

/// One whole plan, trace and findings included, from a parsed job.
void planOfParsedJob(benchmark::State& state, const char* file) {
  OpenedJob opened = openJob(demo(file), file, MethodLibrary());
  for (auto _ : state) benchmark::DoNotOptimize(opened.planner->plan(*opened.document.job));
}
BENCHMARK_CAPTURE(planOfParsedJob, sunk_joint, "tide-ledger.json");
BENCHMARK_CAPTURE(planOfParsedJob, fixed_gap, "hive-diary.json");

void influencesOfOneValue(benchmark::State& state) {
  OpenedJob opened = openJob(demo("tide-ledger.json"), "", MethodLibrary());
  const std::size_t node = *opened.plan.method->find("square_fore_edge_tried");
  for (auto _ : state) benchmark::DoNotOptimize(opened.planner->influences(opened.plan, node));
}
BENCHMARK(influencesOfOneValue);

void readJobText(benchmark::State& state) {
  const std::string text = demo("tide-ledger.json");
  for (auto _ : state) benchmark::DoNotOptimize(readJob(text, "job"));
}
BENCHMARK(readJobText);

void loadRuleFiles(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(MethodLibrary().load("case-sunk-joint"));
}
BENCHMARK(loadRuleFiles);

void drawingsOfOneBook(benchmark::State& state) {
  const OpenedJob opened = openJob(demo("tide-ledger.json"), "", MethodLibrary());
  for (auto _ : state) {
    benchmark::DoNotOptimize(drawJoint(opened.plan));
    benchmark::DoNotOptimize(drawFlatCase(opened.plan));
  }
}
BENCHMARK(drawingsOfOneBook);

void writePlan(benchmark::State& state) {
  const OpenedJob opened = openJob(demo("tide-ledger.json"), "", MethodLibrary());
  for (auto _ : state) benchmark::DoNotOptimize(writePlanJson(*opened.document.job, opened.plan));
}
BENCHMARK(writePlan);

}  // namespace

BENCHMARK_MAIN();
