// drapery-cli: the arguments, nothing else.
#include <CLI/CLI.hpp>
#include <sstream>

#include "cli/commands.h"
#include "cli/console.h"
#include "core/diag/nearest_name.h"
#include "drapery_version.h"

namespace {

using namespace drapery;
using namespace drapery::cli;

struct Arguments {
  std::string job;
  BatchRequest batch;
  bool isReference = false;
  std::string copied;
  std::string format = "json";
  std::string units;
  std::string as, stock;
  CheckRequest check;
  ExportRequest request;
  SolveRequest solve;
  CutRequest cut;
  SewRequest sew;
  std::string pattern;
};

std::optional<Units> unitsOf(const std::string& name) {
  if (name.empty()) return std::nullopt;
  return name == "in" ? Units::Inches : Units::Millimetres;
}

PlanFormat formatOf(const std::string& name) {
  return name == "json" ? PlanFormat::Json : name == "csv" ? PlanFormat::Csv : PlanFormat::Text;
}

void describePlan(CLI::App& app, Arguments& arguments, int& code) {
  auto* plan = app.add_subcommand("plan", "Size every piece of a job and try the case on the book");
  auto* job = plan->add_option("job", arguments.job, "A job file, or - for standard input");
  auto* batch =
      plan->add_option("--batch", arguments.batch.folder, "A folder: plan every *.json in it");
  job->excludes(batch);
  plan->add_option("--threads", arguments.batch.threads,
                   "With --batch; else as many as there are cores")
      ->needs(batch)
      ->check(CLI::Range(1, 256));
  plan->add_option("--format", arguments.format, "json, text or csv (the pieces)")
      ->check(CLI::IsMember({"json", "text", "csv"}));
  plan->add_option("--units", arguments.units, "mm or in: the unit of words and findings")
      ->check(CLI::IsMember({"mm", "in"}));
  auto* as =
      plan->add_option("--as", arguments.as, "cut: the pieces and a stock, for drapery-cli cut")
          ->check(CLI::IsMember({"cut"}))
          ->excludes(batch);
  auto* stock = plan->add_option("--stock", arguments.stock, "With --as cut: what lies there");
  stock->needs(as);
  as->needs(stock);
  plan->callback([&, batch] {
    const PlanFormat format = formatOf(arguments.format);
    if (!arguments.as.empty()) {
      if (arguments.job.empty()) throw CLI::RequiredError("job");
      code = planToCutCommand(arguments.job, arguments.stock);
      return;
    }
    if (batch->count() == 0) {
      if (arguments.job.empty()) throw CLI::RequiredError("job");
      code = planCommand(arguments.job, format, unitsOf(arguments.units));
      return;
    }
    if (format == PlanFormat::Text)
      throw CLI::ValidationError("--format", "text is not among the formats of --batch: json, csv");
    arguments.batch.format = format;
    arguments.batch.units = unitsOf(arguments.units);
    code = batchCommand(arguments.batch);
  });
}

void describeCutting(CLI::App& app, Arguments& arguments, int& code) {
  auto* cut = app.add_subcommand("cut", "Lay pieces out on sheets and rolls");
  CutRequest& request = arguments.cut;
  cut->add_option("problem", request.problem, "A file of stocks and parts, or - for standard input")
      ->required();
  auto* seconds = cut->add_option("--seconds", request.seconds, "How long it may take")
                      ->check(CLI::Range(0.0, 86400.0));
  cut->add_option("--steps", request.steps, "So many tries in place of the clock")
      ->check(CLI::Range(0, 1000000000))
      ->excludes(seconds);
  cut->add_option("--seed", request.seed, "Another number may find another lay-out");
  cut->add_option("--units", arguments.units, "mm or in: the unit of the text")
      ->check(CLI::IsMember({"mm", "in"}));
  cut->add_option("--format", arguments.format, "json or text")
      ->check(CLI::IsMember({"json", "text"}));
  cut->callback([&] {
    request.format = formatOf(arguments.format);
    request.units = unitsOf(arguments.units);
    code = cutCommand(request);
  });
}

void describeSewing(CLI::App& app, Arguments& arguments, int& code) {
  auto* sew = app.add_subcommand("sew", "Tell how a book is sewn, step by step, and its thread");
  SewRequest& request = arguments.sew;
  sew->add_option("job", request.job, "A job file, or - for standard input")->required();
  sew->add_option("--format", arguments.format, "json or text")
      ->check(CLI::IsMember({"json", "text"}));
  sew->add_option("--units", arguments.units, "mm or in: the unit of words and findings")
      ->check(CLI::IsMember({"mm", "in"}));
  sew->add_option("--pattern", request.pattern, "A pattern file in place of the job's pattern");
  sew->add_option("--tried", request.tried, "Steps to be judged: \"6+ 5- spine 5-\"");
  sew->callback([&] {
    request.format = formatOf(arguments.format);
    request.units = unitsOf(arguments.units);
    code = sewCommand(request);
  });
  auto* patterns = app.add_subcommand("patterns", "List the patterns that a job may name");
  patterns->callback([&] { code = patternsCommand(); });
  auto* check =
      app.add_subcommand("check-pattern", "Check a pattern file and show every mistake in it");
  check->add_option("file", arguments.pattern, "A pattern file, *.toml")->required();
  check->callback([&] { code = checkPatternCommand(arguments.pattern); });
}

void describeTrying(CLI::App& app, Arguments& arguments, int& code) {
  auto* compare =
      app.add_subcommand("compare", "Try a job by every method and house rule, side by side");
  compare->add_option("job", arguments.job, "A job file, or - for standard input")->required();
  compare->add_option("--format", arguments.format, "json or text")
      ->check(CLI::IsMember({"json", "text"}));
  compare->callback([&] { code = compareCommand(arguments.job, formatOf(arguments.format)); });
  auto* solve = app.add_subcommand(
      "solve", "Find what a measure or an allowance must be for a value to be what is wanted");
  solve->add_option("job", arguments.solve.job, "A job file, or - for standard input")->required();
  solve->add_option("--change", arguments.solve.change, "What may change: setback")
      ->required()
      ->expected(1)
      ->multi_option_policy(CLI::MultiOptionPolicy::TakeAll);
  solve->add_option("--so-that", arguments.solve.soThat, "What is wanted of it: board_width=140")
      ->required()
      ->expected(1)
      ->multi_option_policy(CLI::MultiOptionPolicy::TakeAll);
  solve->callback([&] { code = solveCommand(arguments.solve); });
}

void describeMethods(CLI::App& app, Arguments& arguments, int& code) {
  auto* methods = app.add_subcommand("methods", "List the methods that a job may name");
  auto* reference = methods->add_flag("--reference", arguments.isReference,
                                      "Write them out in full, as Markdown");
  auto* copy =
      methods
          ->add_option("--copy", arguments.copied,
                       "Begin a rule file of your own as a copy of the method with this id")
          ->excludes(reference);
  methods->callback([&, copy] {
    code = arguments.isReference ? referenceCommand()
           : copy->count() > 0   ? copyMethodCommand(arguments.copied)
                                 : methodsCommand();
  });
  auto* check =
      app.add_subcommand("check-method", "Check a rule file and show every mistake in it");
  check->add_option("file", arguments.check.file, "A rule file, *.toml")->required();
  check->add_option("--cases", arguments.check.cases, "Worked examples to try, *.cases");
  check->add_flag("--explain", arguments.check.explains,
                  "Show the line of each mistake also when the messages go to a file");
  check->callback([&] { code = checkMethodCommand(arguments.check); });
}

/// What there is of it; told where another format was asked for.
std::string formatsFor(const std::string& what) {
  if (what == "slip") return "pdf, csv";
  if (what == "cut") return "pdf";
  return what == "all" ? "pdf, svg, dxf, csv" : "pdf, svg, dxf";
}

void describeExport(CLI::App& app, Arguments& arguments, int& code) {
  ExportRequest& request = arguments.request;
  auto* exporting = app.add_subcommand(
      "export", "Write the cut slip, what to cut by, templates of true size, the jacket");
  exporting->add_option("job", request.job, "A job file")->required();
  exporting
      ->add_option("--what", request.what,
                   "slip; cut: sheets, cuts and labels; templates; jacket; all")
      ->required()
      ->check(CLI::IsMember({"slip", "cut", "templates", "jacket", "all"}));
  exporting->add_option("--stock", request.stock, "With cut: what lies there; else your own stock");
  auto* as = exporting->add_option("--as", request.as, "pdf, svg, dxf, csv; all of them with all")
                 ->check(CLI::IsMember({"pdf", "svg", "dxf", "csv"}));
  exporting->add_option("--paper", request.paper,
                        "Of templates: A4, A3, Letter, Legal, or roll:610 (its width in mm)");
  exporting->add_option("--printer", request.printer,
                        "Put its error right, as it was measured in the window");
  exporting->add_option("--only", request.only, "Of templates: this one; may be said again")
      ->expected(1)
      ->multi_option_policy(CLI::MultiOptionPolicy::TakeAll);
  exporting->add_flag("--replace", request.replaces, "Write over what is there already");
  exporting->add_option("-o,--output", request.output, "The file to write; with all the folder")
      ->required();
  exporting->callback([&, as] {
    if (as->count() == 0 && request.what != "all") throw CLI::RequiredError("--as");
    const std::string allowed = formatsFor(request.what);
    if (as->count() > 0 && allowed.find(request.as) == std::string::npos)
      throw CLI::ValidationError(
          "--as", request.as + " is not among the formats of " + request.what + ": " + allowed);
    code = exportCommand(request);
  });
}

/// What was written in the place of a command, when it is none.
std::string unknownCommand(const CLI::App& app, int argc, char** argv) {
  if (!app.get_subcommands().empty() || argc < 2 || argv[1][0] == '-') return {};
  std::vector<std::string> known;
  for (const CLI::App* command : app.get_subcommands({})) known.push_back(command->get_name());
  const std::string nearest = nearestName(argv[1], known);
  std::string all;
  for (const std::string& name : known) all += (all.empty() ? "" : ", ") + name;
  return "\"" + std::string(argv[1]) + "\" is not a command" +
         (nearest.empty() ? "" : "; did you mean " + nearest + "?") + "; there are " + all;
}

}  // namespace

int main(int argc, char** argv) {
  openStandardStreams();
  CLI::App app("Sizes every piece of a hand-bound book and tries the case on it.", "drapery-cli");
  app.set_version_flag("--version", std::string("drapery-cli ") + kDraperyVersion);
  app.require_subcommand(1);
  Arguments arguments;
  int code = kDone;
  describePlan(app, arguments, code);
  describeTrying(app, arguments, code);
  describeMethods(app, arguments, code);
  describeCutting(app, arguments, code);
  describeSewing(app, arguments, code);
  describeExport(app, arguments, code);
  try {
    app.parse(argc, argv);
  } catch (const CLI::Success& success) {
    std::ostringstream text;
    app.exit(success, text, text);
    return print(text.str(), kDone);
  } catch (const CLI::ParseError& error) {
    const std::string unknown = unknownCommand(app, argc, argv);
    return complain("drapery-cli: " + (unknown.empty() ? std::string(error.what()) : unknown) +
                    "; see drapery-cli --help");
  }
  return code;
}
