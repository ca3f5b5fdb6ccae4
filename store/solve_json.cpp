#include "store/solve_json.h"

#include "store/json_out.h"
#include "store/plan_json.h"

namespace drapery {

namespace {

void write(PrettyJson& json, const Solution& solution) {
  if (!solution.isPlateau()) return json.number(solution.from);
  json.beginList();
  json.number(solution.from);
  json.number(solution.to);
  json.endList();
}

void writePair(PrettyJson& json, const Solved& solved) {
  json.key("change").text(solved.wanted.change);
  json.key("value").number(solved.value);
  if (solved.nearest.isPlateau()) write(json.key("plateau"), solved.nearest);
  json.key("also").beginList();
  for (const Solution& other : solved.others) write(json, other);
  json.endList();
  json.key("so_that").beginObject();
  json.key(solved.wanted.soThat).number(solved.wanted.figure);
  json.endObject();
}

}  // namespace

std::string writeSolveJson(const SolvedJob& solved, const Plan& plan) {
  constexpr unsigned kIndent = 1;
  PrettyJson json(kIndent);
  json.beginObject();
  json.key("schema").text("drapery-solve/1");
  writePair(json, solved.solved.back());
  json.key("solved").beginList();
  for (const Solved& each : solved.solved) {
    json.beginObject();
    writePair(json, each);
    json.endObject();
  }
  json.endList();
  std::string text = writePlanJson(solved.job, plan);
  text.pop_back();  // its line's end
  json.key("plan").raw(text);
  json.endObject();
  return json.str();
}

}  // namespace drapery
