// drapery-export JOB WHAT AS OUTPUT: the part of the command line that paints. Started by
// drapery-cli.
#include <QGuiApplication>
#include <clocale>
#include <iostream>

#include "core/file/read_file.h"
#include "exchange/slip_pdf.h"
#include "paint/fonts.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "store/open_job.h"
#include "store/whole_file.h"
#include "words/issue_words.h"

namespace {

using namespace drapery;

int refuse(const Issues& issues, const Notation& notation) {
  for (const Issue& issue : issues) std::cerr << placedWords(issue, notation) << '\n';
  return 2;
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
  if (argc != 5) {
    std::cerr << "usage: drapery-export JOB.json slip pdf OUTPUT\n";
    return 2;
  }
  qputenv("QT_QPA_PLATFORM", "offscreen");  // paints to a file; needs no display
  qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
  const QGuiApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  loadFonts();
  return exportSlip(argv[1], argv[4]);
}
