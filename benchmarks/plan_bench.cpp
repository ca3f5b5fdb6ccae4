// How long the engine takes for one book.
#include <benchmark/benchmark.h>

#include <fstream>
#include <iterator>
#include <map>

#include "core/drawing/draw_view.h"
#include "core/plan/compare.h"
#include "core/plan/solve.h"
#include "core/rules/load_rules.h"
#include "core/sewing/learner.h"
#include "core/sewing/pattern_library.h"
#include "core/sewing/sew_stab.h"
#include "store/open_job.h"
#include "store/plan_json.h"
#include "words/sewing_words.h"

namespace {

using namespace drapery;

std::string demo(const char* name) {
  std::ifstream in(std::string(DRAPERY_SOURCE_DIR) + "/demo/" + name);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

/// One whole plan, trace and findings included, from a parsed job.
void planOfParsedJob(benchmark::State& state, const char* file) {
  OpenedJob opened = openJob(demo(file), file, RuleLibrary());
  for (auto _ : state) benchmark::DoNotOptimize(opened.planner->plan(*opened.document.job));
}
BENCHMARK_CAPTURE(planOfParsedJob, sunk_joint, "tide-ledger.json");
BENCHMARK_CAPTURE(planOfParsedJob, fixed_gap, "hive-diary.json");

// A book of each of the other structures: 300 us is to be reached.
void planOfAStructure(benchmark::State& state, const char* method) {
  static const RuleLibrary kLibrary;
  const Planner planner(kLibrary.load(method).rules);
  Job job;
  job.method = method;
  for (const auto& [id, figure] : std::map<std::string, double>{{"text_height", 182},
                                                                {"text_width", 131},
                                                                {"text_thickness", 12},
                                                                {"spine_thickness", 13},
                                                                {"board_thickness", 2},
                                                                {"page_height", 106},
                                                                {"page_width", 136},
                                                                {"pictures", 11},
                                                                {"cover_height", 214},
                                                                {"cover_width", 158}})
    if (planner.rules()->input(id) != nullptr) job.given[id] = {figure, {}};
  for (auto _ : state) benchmark::DoNotOptimize(planner.plan(job));
}
BENCHMARK_CAPTURE(planOfAStructure, stab_boarded, "stab-boarded");
BENCHMARK_CAPTURE(planOfAStructure, concertina, "concertina");
BENCHMARK_CAPTURE(planOfAStructure, paperback, "paperback-wrapper");
BENCHMARK_CAPTURE(planOfAStructure, spring_back, "spring-back");
BENCHMARK_CAPTURE(planOfAStructure, soft_slotted, "soft-slotted");
BENCHMARK_CAPTURE(planOfAStructure, covered_board, "covered-board");

SewingJob sewingOf(const char* pattern, double spine, double count) {
  SewingJob job;
  job.pattern = pattern;
  job.given = {{"spine_length", {spine, {}}},
               {"strip_width", {30.0, {}}},
               {"text_thickness", {9.0, {}}},
               {"cover_thickness", {1.9, {}}}};
  job.allowances = {{"count", {count, {}}}};
  return job;
}

// The way, its thread, its holes and its words: 1 ms for 40 holes, 20 ms for 400 are to be reached.
void sewingABook(benchmark::State& state, const char* pattern, double spine, double count) {
  static const PatternLibrary kLibrary;
  const RuleSetPtr rules = kLibrary.load(pattern).rules;
  const SewingJob job = sewingOf(pattern, spine, count);
  for (auto _ : state) {
    const auto sewn = sewStab(rules, job);
    const auto& stab = std::get<SewnStab>(sewn);
    benchmark::DoNotOptimize(stepWords(stab.trail.steps, {}, {}));
    state.counters["holes"] = static_cast<double>(stab.graph.holes.size());
  }
}
BENCHMARK_CAPTURE(sewingABook, zigzag, "zigzag", 600.0, 41.0);
BENCHMARK_CAPTURE(sewingABook, leaf, "leaf", 400.0, 10.0);
BENCHMARK_CAPTURE(sewingABook, leaf_largest, "leaf", 1200.0, 100.0);

// A learner's step judged, and what may follow it: 0.1 ms is to be reached.
void judgingAStep(benchmark::State& state, const char* pattern, double spine, double count) {
  static const PatternLibrary kLibrary;
  const auto sewn = sewStab(kLibrary.load(pattern).rules, sewingOf(pattern, spine, count));
  const auto& stab = std::get<SewnStab>(sewn);
  Learner learner(stab.graph);
  SewToken first;
  first.hole = stab.trail.start;
  learner.take(first);
  SewToken second;
  second.hole = stab.trail.steps[1].hole;
  second.to = Face::Back;
  for (auto _ : state) {
    Learner after = learner;
    benchmark::DoNotOptimize(after.slipOf(second));
    after.take(second);
    benchmark::DoNotOptimize(after.next());
  }
}
BENCHMARK_CAPTURE(judgingAStep, zigzag, "zigzag", 600.0, 41.0);
BENCHMARK_CAPTURE(judgingAStep, leaf_largest, "leaf", 1200.0, 100.0);

/// The same book by every method, rules loaded; to be reached: 3 ms.
void comparingAllMethods(benchmark::State& state, const char* file) {
  const RuleLibrary library;
  const OpenedJob opened = openJob(demo(file), file, library);
  compareMethods(*opened.document.job, library);
  for (auto _ : state) benchmark::DoNotOptimize(compareMethods(*opened.document.job, library));
}
BENCHMARK_CAPTURE(comparingAllMethods, lantern_log, "lantern-log.json");

/// One pair; to be reached: 5 ms.
void solvingForAWidth(benchmark::State& state, const char* file) {
  const OpenedJob opened = openJob(demo(file), file, RuleLibrary());
  for (auto _ : state)
    benchmark::DoNotOptimize(
        solve(*opened.document.job, *opened.planner, {{"text_width", "outside_width", 170.0}}));
}
BENCHMARK_CAPTURE(solvingForAWidth, lantern_log, "lantern-log.json");

/// A file of unknown keys on one line, as large as a job may be: the time grows with its size
/// alone.
void readingAJobOf(benchmark::State& state, const char* section) {
  std::string text = demo("tide-ledger.json");
  std::string keys;
  const auto size = static_cast<std::size_t>(state.range(0)) * 1024;
  for (std::size_t i = 0; keys.size() + 32 < size; ++i)
    keys += "\"k" + std::to_string(i) + "\": [1, \"two\"], ";
  const std::string name = "\"" + std::string(section) + "\": {";
  text.insert(text.find(name) + name.size(), keys);
  std::erase(text, '\n');
  const RuleLibrary library;
  for (auto _ : state) benchmark::DoNotOptimize(openJob(text, "job.json", library));
}
BENCHMARK_CAPTURE(readingAJobOf, given, "given")->Arg(500)->Arg(1000)->Arg(2000)->Arg(4000);
BENCHMARK_CAPTURE(readingAJobOf, allowances, "allowances")->Arg(500)->Arg(4000);

/// A rule file of one shape repeated, as large as it may be: read or refused in linear time.
struct RuleShape {
  const char* once;   // at the beginning
  const char* again;  // N is the number of the repetition
  const char* atLast;
};
constexpr RuleShape kUnknownKeys{"", "keyN = 1\n", ""};
constexpr RuleShape kUnknownTables{"", "[tN]\n", ""};
constexpr RuleShape kWrongFormulas{
    "", "[[derive]]\nid=\"dN\"\ntitle=\"t\"\nformula=\"nix + 1\"\nbecause=\"b\"\n", ""};
constexpr RuleShape kSoundInputs{
    "", "[[given]]\nid=\"gN\"\ntitle=\"t\"\nrange=[\"1 mm\",\"2 mm\"]\ndefault=\"1 mm\"\n", ""};
constexpr RuleShape kOneId{
    "", "[[derive]]\nid=\"d\"\ntitle=\"t\"\nformula=\"1 mm\"\nbecause=\"b\"\n", ""};
constexpr RuleShape kWrongParts{
    "", "[[part]]\nid=\"pN\"\ntitle=\"t\"\nmaterial=\"board\"\nsize=[\"x\"]\n", ""};
constexpr RuleShape kLongList{"x = [", "1,", "]\n"};
constexpr RuleShape kLongOutline{
    "[[part]]\nid=\"p\"\ntitle=\"t\"\nmaterial=\"board\"\nsize=[\"1 mm\",\"1 mm\"]\noutline=[",
    "[\"1 mm\",\"2 mm\"],", "]\n"};
constexpr RuleShape kLongText{"about = \"", "a{1}é\\\\n", "\"\n"};

void readingRulesOf(benchmark::State& state, const RuleShape& shape) {
  std::string text = "schema = \"drapery-method/1\"\nid = \"x\"\ntitle = \"X\"\n";
  text += shape.once;
  const auto size = static_cast<std::size_t>(state.range(0)) * 1024;
  for (int i = 0; text.size() + 128 < size; ++i) {
    std::string again = shape.again;
    if (const auto number = again.find('N'); number != std::string::npos)
      again.replace(number, 1, std::to_string(i));
    text += again;
  }
  text += shape.atLast;
  for (auto _ : state)
    benchmark::DoNotOptimize(
        loadRules({"x.toml", text}, [](std::string_view) { return std::optional<TomlFile>(); }));
}
#define DRAPERY_READING(shape) \
  BENCHMARK_CAPTURE(readingRulesOf, shape, shape)->Arg(500)->Arg(1000)->Arg(2000)->Arg(4000)
DRAPERY_READING(kUnknownKeys);
DRAPERY_READING(kUnknownTables);
DRAPERY_READING(kWrongFormulas);
DRAPERY_READING(kSoundInputs);
DRAPERY_READING(kOneId);
DRAPERY_READING(kWrongParts);
DRAPERY_READING(kLongList);
DRAPERY_READING(kLongOutline);
DRAPERY_READING(kLongText);

/// The largest case: backed, half-bound, everything measured in several readings, every piece asked
/// for. With the trace, the tolerances, and what a millimetre of each reading moves.
std::string largestJob() {
  const auto readings = [](double mean) {
    std::string list;
    for (const double off : {-0.2, 0.0, 0.2})
      list += (list.empty() ? "" : ", ") + std::string("{\"value\": ") +
              std::to_string(mean + off) + "}";
    return "{\"readings\": [" + list + "]}";
  };
  std::string given = "\"spine_shape\": \"backed\"";
  for (const auto& [id, mean] :
       std::initializer_list<std::pair<const char*, double>>{{"text_height", 210},
                                                             {"text_width", 144},
                                                             {"text_thickness", 25},
                                                             {"spine_thickness", 30},
                                                             {"shoulder_height", 3.6},
                                                             {"spine_span", 32.2},
                                                             {"round_depth", 6.6},
                                                             {"spine_arc_measured", 36},
                                                             {"board_thickness", 2.4},
                                                             {"stiffener_thickness", 1},
                                                             {"covering_thickness", 0.4},
                                                             {"headband_height", 2},
                                                             {"board_to_board_measured", 60},
                                                             {"leaf_caliper", 0.3},
                                                             {"thread_thickness", 0.5},
                                                             {"inserts_thickness", 6},
                                                             {"spacer_thickness", 0.5},
                                                             {"sheet_width", 420},
                                                             {"sheet_height", 594}})
    given += ", \"" + std::string(id) + "\": " + readings(mean);
  given += ", \"sheets\": 50, \"pages_wanted\": 150, \"sheet_grain\": \"grain_long\"";
  return "{\"schema\": \"drapery-job/1\", \"id\": \"x\", \"method\": \"case-sunk-joint\", "
         "\"given\": {" +
         given +
         "}, \"allowances\": {\"covering_style\": \"half\", \"hinge_slit\": \"slit\", "
         "\"endpaper_kind\": \"made\", "
         "\"tape_count\": 3, \"ribbon_count\": 1, \"with_jacket\": \"with\", \"lining_kind\": "
         "\"separate\", \"trim_head\": 1}}";
}

void largestPlan(benchmark::State& state) {
  OpenedJob opened = openJob(largestJob(), "largest", RuleLibrary());
  if (!opened.issues.empty()) state.SkipWithError("the job is refused");
  for (auto _ : state) {
    const PlanOutcome outcome = opened.planner->plan(*opened.document.job);
    benchmark::DoNotOptimize(opened.planner->partMoves(outcome.plan));
  }
}
BENCHMARK(largestPlan);

void influencesOfOneValue(benchmark::State& state) {
  OpenedJob opened = openJob(demo("tide-ledger.json"), "", RuleLibrary());
  const std::size_t node = *opened.plan.rules->find("square_fore_edge_tried");
  for (auto _ : state) benchmark::DoNotOptimize(opened.planner->influences(opened.plan, node));
}
BENCHMARK(influencesOfOneValue);

void readJobText(benchmark::State& state) {
  const std::string text = demo("tide-ledger.json");
  for (auto _ : state) benchmark::DoNotOptimize(readJob(text, "job"));
}
BENCHMARK(readJobText);

void loadRuleFiles(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(RuleLibrary().load("case-sunk-joint"));
}
BENCHMARK(loadRuleFiles);

void drawingsOfOneBook(benchmark::State& state) {
  const OpenedJob opened = openJob(demo("tide-ledger.json"), "", RuleLibrary());
  for (auto _ : state) {
    for (const ViewRule* view : viewsOf(opened.plan, "case"))
      benchmark::DoNotOptimize(drawView(*view, opened.plan));
  }
}
BENCHMARK(drawingsOfOneBook);

void writePlan(benchmark::State& state) {
  const OpenedJob opened = openJob(demo("tide-ledger.json"), "", RuleLibrary());
  for (auto _ : state) benchmark::DoNotOptimize(writePlanJson(*opened.document.job, opened.plan));
}
BENCHMARK(writePlan);

}  // namespace

BENCHMARK_MAIN();
