// drapery-export JOB WHAT AS OUTPUT: the part of the command line that paints. Started by
// drapery-cli.
#include <QGuiApplication>
#include <algorithm>
#include <clocale>
#include <iostream>

#include "core/cutting/lay_out.h"
#include "core/file/read_file.h"
#include "exchange/cut_pdf.h"
#include "exchange/slip_pdf.h"
#include "paint/fonts.h"
#include "store/cut_books.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "store/open_job.h"
#include "store/stock_json.h"
#include "store/whole_file.h"
#include "words/issue_words.h"

namespace {

using namespace drapery;

int refuse(const Issues& issues, const Notation& notation) {
  for (const Issue& issue : issues) std::cerr << placedWords(issue, notation) << '\n';
  return 2;
}

/// The job's book laid out on that stock, in the time that a search usually takes.
int exportCut(const std::string& path, const std::string& output, const std::string& stockPath) {
  if (const auto issue = notToBeReplaced(output, path)) return refuse({*issue}, {});
  auto text = readWhole(path, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&text)) return refuse({*issue}, {});
  const auto shelf = readWhole(stockPath, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&shelf)) return refuse({*issue}, {});
  auto stock = readStock(std::get<std::string>(shelf), stockPath);
  if (const auto* issues = std::get_if<Issues>(&stock)) return refuse(*issues, {});
  const RuleLibrary library(houseMethodsFolder(), makeShelf(houseMaterialsFolder()));
  OpenedJob opened = openJob(std::get<std::string>(text), path, library);
  Notation notation;
  if (opened.document.job) notation.units = opened.document.job->units;
  if (!opened.issues.empty()) return refuse(opened.issues, notation);
  CutPages pages;
  pages.stock = std::move(std::get<Stock>(stock));
  pages.found.jobs.push_back(std::make_shared<const Job>(std::move(*opened.document.job)));
  pages.found.plans.push_back(std::make_shared<const Plan>(std::move(opened.plan)));
  const auto read = [&](const std::string& file) { return readBookToCut(file, library); };
  const Issues others = gatherBooks(pages.found, path, read);
  if (!others.empty()) return refuse(others, notation);
  pages.found.work = cutWorkOf(pages.found, pages.stock);
  pages.found.layout = layOut(pages.found.work.problem, {});
  if (const auto issue = writeCutPdf(pages, output)) return refuse({*issue}, notation);
  const bool isWhole = pages.found.layout.unplaced.empty();
  const bool isStopped = std::any_of(pages.found.plans.begin(), pages.found.plans.end(),
                                     [](const auto& plan) { return plan->has(Severity::Stop); });
  return isStopped || !isWhole ? 1 : 0;
}

int exportSlip(const std::string& path, const std::string& output) {
  if (const auto issue = notToBeReplaced(output, path)) return refuse({*issue}, {});
  auto text = readWhole(path, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&text)) return refuse({*issue}, {});
  const RuleLibrary library(houseMethodsFolder(), makeShelf(houseMaterialsFolder()));
  const OpenedJob opened = openJob(std::get<std::string>(text), path, library);
  Notation notation;
  if (opened.document.job) notation.units = opened.document.job->units;
  if (!opened.issues.empty()) return refuse(opened.issues, notation);
  if (const auto issue = writeSlipPdf(*opened.document.job, opened.plan, output))
    return refuse({*issue}, notation);
  return opened.plan.has(Severity::Stop) ? 1 : 0;
}

}  // namespace

int main(int argc, char** argv) {
  const bool isCut = argc > 2 && std::string(argv[2]) == "cut";
  if (argc != (isCut ? 6 : 5)) {
    std::cerr << "usage: drapery-export JOB.json slip|cut pdf OUTPUT [STOCK.json]\n";
    return 2;
  }
  qputenv("QT_QPA_PLATFORM", "offscreen");  // paints to a file; needs no display
  qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
  const QGuiApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  loadFonts();
  return isCut ? exportCut(argv[1], argv[4], argv[5]) : exportSlip(argv[1], argv[4]);
}
