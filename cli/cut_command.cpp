#include <chrono>

#include "cli/commands.h"
#include "cli/console.h"
#include "cli/job_argument.h"
#include "core/cutting/lay_out.h"
#include "store/cut_json.h"
#include "words/cut_text.h"
#include "words/shown_text.h"

namespace drapery::cli {

int cutCommand(const CutRequest& request) {
  const auto read = readInput(request.problem);
  if (const auto* issue = std::get_if<Issue>(&read)) return tell({*issue});
  const auto problem = readCutProblem(std::get<std::string>(read),
                                      request.problem == "-" ? "<stdin>" : request.problem);
  if (const auto* issues = std::get_if<Issues>(&problem)) return tell(*issues);
  LayOutLimits limits;
  limits.seconds = request.seconds;
  limits.steps = request.steps;
  limits.seed = request.seed;
  const auto began = std::chrono::steady_clock::now();
  const CutLayout layout = layOut(std::get<CutProblem>(problem), limits);
  const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
  const double seconds = request.steps ? 0.0 : took.count();  // the same answer, to the byte
  const int code = layout.unplaced.empty() ? kDone : kDoneWithStop;
  Notation notation;
  notation.units = request.units.value_or(Units::Millimetres);
  notation.resolution = Length::fromMm(0.001);
  const CutProblem& of = std::get<CutProblem>(problem);
  return request.format == PlanFormat::Text
             ? print(cutText(of, layout, notation), code)
             : print(shownJson(writeCutLayout(of, layout, seconds)), code);
}

}  // namespace drapery::cli
