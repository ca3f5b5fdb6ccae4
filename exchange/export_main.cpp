// drapery-export: the part of the command line that paints. Started by drapery-cli.
#include <QGuiApplication>
#include <algorithm>
#include <clocale>
#include <iostream>

#include "core/cutting/lay_out.h"
#include "core/file/read_file.h"
#include "exchange/cut_pdf.h"
#include "exchange/export_files.h"
#include "paint/fonts.h"
#include "store/cut_books.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "store/open_job.h"
#include "store/shop_json.h"
#include "store/shopping_list.h"
#include "store/stock_json.h"
#include "store/whole_file.h"
#include "words/issue_words.h"

namespace {

using namespace drapery;

int refuse(const Issues& issues, const Notation& notation) {
  for (const Issue& issue : issues) std::cerr << placedWords(issue, notation) << '\n';
  return 2;
}

/// The job, read and planned; none once its mistakes are told.
std::optional<OpenedJob> openedJob(const std::string& path, const RuleLibrary& library,
                                   Notation& notation) {
  const auto text = readWhole(path, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&text)) {
    refuse({*issue}, {});
    return std::nullopt;
  }
  OpenedJob opened = openJob(std::get<std::string>(text), path, library);
  if (opened.document.job) notation.units = opened.document.job->units;
  if (opened.issues.empty()) return opened;
  refuse(opened.issues, notation);
  return std::nullopt;
}

/// The job's book laid out on that stock, in the time that a search usually takes.
int exportCut(const std::string& path, const std::string& output, const std::string& stockPath,
              bool replaces) {
  if (const auto issue = notToBeReplaced(output, path)) return refuse({*issue}, {});
  const RuleLibrary library(houseMethodsFolder(), makeCatalogue(houseMaterialsFolder()));
  Notation notation;
  auto opened = openedJob(path, library, notation);
  if (!opened) return 2;
  const auto shelf = readWhole(stockPath, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&shelf)) return refuse({*issue}, {});
  auto stock = readStock(std::get<std::string>(shelf), stockPath);
  if (const auto* issues = std::get_if<Issues>(&stock)) return refuse(*issues, {});
  CutPages pages;
  pages.stock = std::move(std::get<Stock>(stock));
  pages.found.books.push_back({std::make_shared<const Job>(std::move(*opened->document.job)),
                               std::make_shared<const Plan>(std::move(opened->plan))});
  const Issues others = gatherBooks(pages.found, path, library);
  if (!others.empty()) return refuse(others, notation);
  pages.found.work = cutWorkOf(pages.found.books, pages.stock, *library.catalogue());
  pages.found.layout = layOut(pages.found.work.problem, {});
  pages.found.shopping = shoppingList(pages.found, pages.stock, *library.catalogue());
  if (const auto issue = writeBytes(cutPdf(pages), output, replaces))
    return refuse({*issue}, notation);
  const bool isWhole = pages.found.layout.unplaced.empty();
  const bool isStopped =
      std::any_of(pages.found.books.begin(), pages.found.books.end(),
                  [](const BookToCut& book) { return book.plan->has(Severity::Stop); });
  return isStopped || !isWhole ? 1 : 0;
}

/// Arguments of the helper, which the command line has looked at before.
struct Arguments {
  std::string job, what, as, output, stock, paper, printer;
  std::vector<std::string> only;
  bool replaces = false;
};

int refuseValue(const char* key, const std::string& value, const std::string& allowed) {
  return refuse({Issue{"value-not-allowed",
                       {{"key", std::string(key)}, {"value", value}, {"allowed", allowed}},
                       {},
                       {},
                       {}}},
                {});
}

/// The printer of that name, whose error is put right; none once it is told that it is not known.
std::optional<ShopPrinter> printerNamed(const std::string& name) {
  if (name.empty()) return ShopPrinter();
  const auto shop = shopIn(shopFile());
  if (const auto* issues = std::get_if<Issues>(&shop)) {
    refuse(*issues, {});
    return std::nullopt;
  }
  std::string known;
  for (const ShopPrinter& each : std::get<Shop>(shop).printers) {
    if (each.name == name) return each;
    known += (known.empty() ? "" : ", ") + each.name;
  }
  refuseValue("--printer", name, known.empty() ? "none is measured yet" : known);
  return std::nullopt;
}

int exportBook(const Arguments& asked) {
  const bool isAll = asked.what == "all";
  if (!isAll)
    if (const auto issue = notToBeReplaced(asked.output, asked.job)) return refuse({*issue}, {});
  const RuleLibrary library(houseMethodsFolder(), makeCatalogue(houseMaterialsFolder()));
  Notation notation;
  auto opened = openedJob(asked.job, library, notation);
  if (!opened) return 2;
  const std::string usual = notation.units == Units::Inches ? "letter" : "a4";
  const auto paper = paperNamed(asked.paper.empty() ? usual : asked.paper);
  if (!paper)
    return refuseValue("--paper", asked.paper, "A4, A3, Letter, Legal, roll:180 to roll:2000 (mm)");
  const auto printer = printerNamed(asked.printer);
  if (!printer) return 2;
  SewnBook sewn =
      sewBook(*opened->document.job, opened->plan, PatternLibrary(housePatternsFolder()));
  const ExportBook book{std::move(*opened->document.job),
                        std::make_shared<const Plan>(std::move(opened->plan)), asked.job,
                        std::move(sewn)};
  auto made = exportFiles(book, {asked.what, asked.as, *paper, *printer, asked.only});
  if (const auto* issues = std::get_if<Issues>(&made)) return refuse(*issues, notation);
  const Exported& exported = std::get<Exported>(made);
  if (!isAll && exported.files.size() != 1)  // none in that format, or several things printed on
    return refuseValue("--what", asked.what, "all, into a folder");
  const auto issue = isAll ? writeAll(exported.files, asked.job, asked.output, asked.replaces)
                           : writeBytes(exported.files.front().bytes, asked.output, asked.replaces);
  if (issue) return refuse({*issue}, notation);
  for (const Issue& note : exported.notes) std::cerr << issueWords(note, notation) << '\n';
  return book.plan->has(Severity::Stop) ? 1 : 0;
}

/// NAME=VALUE each.
std::optional<Arguments> argumentsOf(int argc, char** argv) {
  Arguments asked;
  const std::pair<const char*, std::string*> places[]{
      {"job=", &asked.job},        {"what=", &asked.what},   {"as=", &asked.as},
      {"to=", &asked.output},      {"stock=", &asked.stock}, {"paper=", &asked.paper},
      {"printer=", &asked.printer}};
  for (int i = 1; i < argc; ++i) {
    const std::string word = argv[i];
    bool isKnown = false;
    for (const auto& [key, place] : places)
      if (word.rfind(key, 0) == 0) {
        *place = word.substr(std::string(key).size());
        isKnown = true;
      }
    if (word.rfind("only=", 0) == 0)
      asked.only.push_back(word.substr(5));
    else if (word == "replace")
      asked.replaces = true;
    else if (!isKnown)
      return std::nullopt;
  }
  if (asked.job.empty() || asked.what.empty() || asked.output.empty()) return std::nullopt;
  return asked;
}

}  // namespace

int main(int argc, char** argv) {
  const auto asked = argumentsOf(argc, argv);
  if (!asked) {
    std::cerr << "usage: drapery-export job=JOB.json what=slip|cut|templates|jacket|all as=pdf|svg|"
                 "dxf|csv to=OUTPUT [stock=STOCK.json] [paper=A4] [printer=NAME] [only=ID] "
                 "[replace]\n";
    return 2;
  }
  qputenv("QT_QPA_PLATFORM", "offscreen");  // paints to a file; needs no display
  qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
  const QGuiApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  loadFonts();
  return asked->what == "cut" ? exportCut(asked->job, asked->output, asked->stock, asked->replaces)
                              : exportBook(*asked);
}
