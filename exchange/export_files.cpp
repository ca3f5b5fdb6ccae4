#include "exchange/export_files.h"

#include <QCoreApplication>
#include <QDate>
#include <algorithm>
#include <filesystem>

#include "exchange/art_files.h"
#include "exchange/print_job.h"
#include "exchange/slip_pdf.h"
#include "exchange/template_pdf.h"
#include "exchange/true_size_files.h"
#include "store/whole_file.h"
#include "words/issue_words.h"
#include "words/plan_csv.h"

namespace drapery {

namespace {

/// By the key of `--what`.
const std::vector<std::pair<std::string, std::vector<std::string>>> kFormats{
    {"slip", {"pdf", "csv"}},
    {"templates", {"pdf", "svg", "dxf"}},
    {"jacket", {"pdf", "svg", "dxf"}}};

class Exporter {
 public:
  Exporter(const ExportBook& book, const ExportWishes& wishes) : book_(book), wishes_(wishes) {}

  std::variant<Exported, Issues> run() {
    const bool isAll = wishes_.what == "all";
    for (const auto& [what, formats] : kFormats) {
      if (!isAll && what != wishes_.what) continue;
      const bool hasJacket = !artworksOn(*book_.plan).empty();
      if (isAll && what == "jacket" && !hasJacket) continue;
      if (what == "jacket" && !hasJacket) {
        issues_.push_back(noJacket());
        continue;
      }
      for (const std::string& as : formats)
        if (wishes_.as.empty() || wishes_.as == as) make(what, as);
    }
    if (!issues_.empty()) return std::move(issues_);
    return std::move(exported_);
  }

 private:
  /// Why there is none.
  [[nodiscard]] Issue noJacket() const {
    for (const ArtworkRule& rule : book_.plan->rules->artworks)
      if (const std::string panel = sizelessOf(rule, *book_.plan); !panel.empty())
        return {"print-no-panel", {{"name", rule.title.text}, {"value", panel}}, {}, {}, {}};
    return {"print-nothing", {{"name", std::string("jacket")}}, {}, {}, {}};
  }

  void add(const std::string& what, const std::string& as, Painted painted) {
    if (auto* issue = std::get_if<Issue>(&painted)) return issues_.push_back(std::move(*issue));
    exported_.files.push_back({what, as, std::move(std::get<QByteArray>(painted))});
  }

  void make(const std::string& what, const std::string& as) {
    if (what == "slip") return slip(as);
    if (what == "templates") return templates(as);
    for (const Artwork& art : artworksOn(*book_.plan)) jacket(art, as);
  }

  void slip(const std::string& as) {
    if (as == "pdf") return add("slip", as, slipPdf(book_.job, *book_.plan, book_.sewn));
    const std::string table = partsCsvHeader() + partsCsv(book_.job, *book_.plan);
    add("slip", as, QByteArray::fromStdString(table));
  }

  void templates(const std::string& as) {
    if (as == "pdf") {
      auto print =
          makePrintJob(book_.job, book_.plan, {wishes_.only}, wishes_.paper, wishes_.printer);
      if (auto* issue = std::get_if<Issue>(&print)) return issues_.push_back(std::move(*issue));
      return add("templates", as, templatePdf(std::get<PrintJob>(print)));
    }
    // A machine is given the pieces as well.
    if (wishes_.only.empty()) return vector("templates", as, trueSizes(*book_.plan));
    auto chosen = chosenThings(*book_.plan, {wishes_.only});
    if (auto* issue = std::get_if<Issue>(&chosen)) return issues_.push_back(std::move(*issue));
    vector("templates", as, std::get<std::vector<TrueSize>>(chosen));
  }

  void vector(const std::string& what, const std::string& as, const std::vector<TrueSize>& things) {
    const QString title = QString::fromStdString(book_.job.title);
    add(what, as,
        as == "svg" ? trueSizeSvg(things, *book_.plan, title)
                    : trueSizeDxf(things, *book_.plan, title));
  }

  void jacket(const Artwork& art, const std::string& as) {
    if (as == "dxf") {
      std::vector<TrueSize> things = trueSizes(*book_.plan);
      std::erase_if(things, [&](const TrueSize& thing) {
        return !thing.artwork || thing.artwork->rule != art.rule;
      });
      return vector(art.rule->id, as, things);
    }
    const std::string folder = std::filesystem::path(book_.path).parent_path().string();
    const ArtPage made = makeArtPage(book_.job, book_.plan, art, folder);
    for (const Issue& fault : made.faults)
      if (!isTold(issues_, fault)) issues_.push_back(fault);
    if (!made.faults.empty()) return;
    for (const Issue& note : made.notes)
      if (!isTold(exported_.notes, note)) exported_.notes.push_back(note);
    add(art.rule->id, as, as == "pdf" ? artPdf(made) : Painted(artSvg(made)));
  }
  /// Each format of it finds the same.
  static bool isTold(const Issues& told, const Issue& issue) {
    return std::any_of(told.begin(), told.end(), [&](const Issue& each) {
      return issueWords(each, {}) == issueWords(issue, {});
    });
  }

  const ExportBook& book_;
  const ExportWishes& wishes_;
  Exported exported_;
  Issues issues_;
};

}  // namespace

std::variant<Exported, Issues> exportFiles(const ExportBook& book, const ExportWishes& wishes) {
  return Exporter(book, wishes).run();
}

std::string exportName(const std::string& jobPath, const ExportedFile& file) {
  return std::filesystem::path(jobPath).stem().string() + "-" +
         QDate::currentDate().toString(Qt::ISODate).toStdString() + "-" + file.what + "." + file.as;
}

std::optional<Issue> writeAll(const std::vector<ExportedFile>& files, const std::string& jobPath,
                              const std::string& folder, bool replaces) {
  std::error_code error;
  const bool isNew = std::filesystem::create_directory(folder, error);
  std::vector<NewFile> all;
  all.reserve(files.size());
  for (const ExportedFile& file : files)
    all.push_back(
        {(std::filesystem::path(folder) / exportName(jobPath, file)).string(), textOf(file.bytes)});
  auto issue = writeTogether(all, replaces);
  if (issue && isNew) std::filesystem::remove(folder, error);
  return issue;
}

}  // namespace drapery
