#include <cmath>

#include "cli/commands.h"
#include "cli/console.h"
#include "cli/job_argument.h"
#include "core/plan/solve.h"
#include "core/quantity/parse_length.h"
#include "store/solve_json.h"
#include "words/shown_text.h"

namespace drapery::cli {

namespace {

/// "board_width=5 1/2 in"
std::optional<Wanted> wantedOf(const std::string& change, const std::string& soThat,
                               const RuleSet& rules) {
  const std::size_t equals = soThat.find('=');
  if (equals == std::string::npos) return std::nullopt;
  Wanted wanted{change, soThat.substr(0, equals), std::nan("")};
  const std::string figure = soThat.substr(equals + 1);
  const auto node = rules.find(wanted.soThat);
  if (node && rules.nodes[*node].unit != Unit::Millimetre) {
    const auto ratio = parseRatio(figure);
    if (const double* number = std::get_if<double>(&ratio)) wanted.figure = *number;
  } else {
    const auto length = parseLength(figure, Units::Millimetres);
    if (const Length* read = std::get_if<Length>(&length)) wanted.figure = read->mm();
  }
  return std::isnan(wanted.figure) ? std::nullopt : std::optional(wanted);
}

}  // namespace

int solveCommand(const SolveRequest& request) {
  if (request.change.size() != request.soThat.size())
    return complain("drapery-cli: " + std::to_string(request.change.size()) +
                    " times --change and " + std::to_string(request.soThat.size()) +
                    " times --so-that; they go in pairs, one of each");
  const RuleLibrary library = houseLibrary();
  const auto opened = openArgument(request.job, library);
  if (!opened) return kRefused;
  std::vector<Wanted> wanted;
  for (std::size_t i = 0; i < request.change.size(); ++i) {
    const auto pair = wantedOf(request.change[i], request.soThat[i], *opened->planner->rules());
    if (!pair)
      return complain(
          "drapery-cli: --so-that \"" + shownText(request.soThat[i]) +
          "\" is not allowed; write it like board_width=140 or \"board_width=5 1/2 in\"");
    wanted.push_back(*pair);
  }
  const auto solved = solve(*opened->document.job, *opened->planner, wanted);
  const Notation notation{opened->plan.units, opened->plan.resolution, '.', {}};
  if (const auto* issue = std::get_if<Issue>(&solved)) return tell({*issue}, notation);
  const SolvedJob& result = std::get<SolvedJob>(solved);
  PlanOutcome outcome = opened->planner->plan(result.job);
  if (!outcome.issues.empty()) return tell(outcome.issues, notation);
  return print(shownJson(writeSolveJson(result, outcome.plan)),
               outcome.plan.has(Severity::Stop) ? kDoneWithStop : kDone);
}

}  // namespace drapery::cli
