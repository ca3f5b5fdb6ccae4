#include <fmt/format.h>

#include "cli/commands.h"
#include "cli/console.h"
#include "cli/job_argument.h"
#include "store/cut_books.h"
#include "store/cut_json.h"
#include "store/folders.h"
#include "store/plan_json.h"
#include "store/stock_json.h"
#include "words/cut_words.h"
#include "words/finding_words.h"
#include "words/plan_csv.h"
#include "words/plan_text.h"
#include "words/shopping_words.h"
#include "words/shown_text.h"

namespace drapery::cli {

namespace {

/// What the problem does not tell: from which rectangles two come, what was cut in another size
/// than it has now, and what can only be cut from what is thicker or thinner than it is reckoned.
void tellWhatIsOtherwise(const BooksLaidOut& found, const Stock& shelf) {
  const auto titleOf = [&](std::size_t book, const PlannedPart& part) {
    const std::string title = shownText(part.rule->title.text);
    return book == 0 ? title : title + " · " + shownText(bookName(*found.books[book].job));
  };
  const Notation notation{found.books[0].plan->units, found.books[0].plan->resolution, '.'};
  for (std::size_t piece = 0; piece < found.work.pieces.size(); ++piece) {
    const CutWork::Piece& of = found.work.pieces[piece];
    const int rectangles = found.work.problem.pieces[piece].count;
    if (of.each == 2 && rectangles > 0)
      complain(inTwoWords(rectangles,
                          fmt::format("{} × {}", 2 * rectangles, titleOf(of.book, *of.part))));
  }
  for (const CutOtherwise& each : found.work.otherwise)
    complain(cutOtherwiseWords(each.was, each.is, each.isTooSmall, titleOf(each.book, *each.part),
                               notation));
  const std::vector<OtherMake> others = found.onlyOtherMakes(shelf);
  for (const OtherMake& each : others) {
    const CutWork::Piece& of = found.work.pieces[each.piece];
    complain(otherMakeWords(each, titleOf(of.book, *of.part), notation));
  }
  if (const std::string layers = layersWords(others); !layers.empty()) complain(layers);
}

/// Why it must not be cut yet: what goes on from here tells sizes and nothing else.
/// @returns whether there is any stop.
bool tellStops(const BooksLaidOut& found) {
  bool isStopped = false;
  for (const BookToCut& book : found.books) {
    const Plan& plan = *book.plan;
    const Notation notation{plan.units, plan.resolution, '.'};
    for (const PlannedFinding& finding : plan.findings) {
      if (finding.rule->severity != Severity::Stop) continue;
      isStopped = true;
      const std::string& title = book.job->title;
      complain(shownText((title.empty() ? "" : title + ", ") + severityName(Severity::Stop) + ": " +
                         findingSays(finding, notation)));
    }
  }
  return isStopped;
}

}  // namespace

int planCommand(const std::string& path, PlanFormat format, std::optional<Units> units) {
  const RuleLibrary library = houseLibrary();
  const auto opened = openArgument(path, library, units);
  if (!opened) return kRefused;
  const Job& job = *opened->document.job;
  std::string out;
  if (format == PlanFormat::Csv) {
    out = partsCsvHeader() + partsCsv(job, opened->plan);
  } else {
    const Planner::Detail detail = opened->planner->detail(job, opened->plan);
    out = format == PlanFormat::Json
              ? shownJson(writePlanJson(job, opened->plan, detail))
              : planText(job, opened->plan, detail.before ? &*detail.before : nullptr,
                         sewBook(job, opened->plan, PatternLibrary(housePatternsFolder())));
  }
  return print(out, opened->plan.has(Severity::Stop) ? kDoneWithStop : kDone);
}

int planToCutCommand(const std::string& path, const std::string& stockFile) {
  const auto read = readInput(stockFile);
  if (const auto* issue = std::get_if<Issue>(&read)) return tell({*issue});
  const std::string name = stockFile == "-" ? "<stdin>" : stockFile;
  const auto stock = readStock(std::get<std::string>(read), name);
  if (const auto* issues = std::get_if<Issues>(&stock)) return tell(*issues);
  if (std::get<Stock>(stock).items.empty())
    return tell({{"cut-no-stock", {}, {}, {name, 1, 1}, {}}});
  const RuleLibrary library = houseLibrary();
  auto opened = openArgument(path, library);
  if (!opened) return kRefused;
  BooksLaidOut found;
  found.books.push_back({std::make_shared<const Job>(std::move(*opened->document.job)),
                         std::make_shared<const Plan>(std::move(opened->plan))});
  const Issues issues = gatherBooks(found, path, library);
  if (!issues.empty()) return tell(issues);
  found.work = cutWorkOf(found.books, std::get<Stock>(stock), *library.catalogue());
  tellWhatIsOtherwise(found, std::get<Stock>(stock));
  const bool isStopped = tellStops(found);
  return print(shownJson(writeCutProblem(found.work.problem)), isStopped ? kDoneWithStop : kDone);
}

}  // namespace drapery::cli
