#include "app/workspace/workspace.h"

#include <QFile>
#include <QFileInfo>
#include <filesystem>

#include "app/cutting/cut_desk.h"
#include "app/sewing/sew_desk.h"
#include "app/workspace/folder_watch.h"
#include "app/workspace/house_desk.h"
#include "app/workspace/log.h"
#include "app/workspace/shop_room.h"
#include "app/workspace/stock_room.h"
#include "store/folders.h"
#include "store/whole_file.h"
#include "words/issue_words.h"

namespace drapery {

Workspace::Places Workspace::Places::usual() {
  return {houseMethodsFolder(), houseMaterialsFolder(), jobsFolder(), settingsFile(), stockFile(),
          shopFile(),           housePatternsFolder()};
}

Workspace::Workspace(Places places, QObject* parent)
    : QObject(parent), places_(std::move(places)), jobs_(makeJsonJobs(places_.jobs)) {
  if (!places_.settings.empty()) settings_ = Settings::load(places_.settings, settingsIssues_);
  for (const Issue& issue : settingsIssues_) logNote(placedWords(issue, {}));
  stock_ = std::make_unique<StockRoom>(makeJsonShelf(places_.stock));
  shop_ = std::make_unique<ShopRoom>(places_.shop);
  book_ = std::make_unique<Document>(readLibrary(), *jobs_, usualUnits());
  cutting_ = std::make_unique<CutDesk>(*book_, *stock_, settings_);
  sewing_ = std::make_unique<SewDesk>(*book_, places_.patterns);
  desk_ = std::make_unique<HouseDesk>(
      *book_, places_.methods,
      HouseDesk::Calls{[this] { reloadRules(); },
                       [this](const Issues& issues) { emit rulesUnwritten(issues); }});
  if (!places_.methods.empty()) book_->setRuleDesk(desk_.get());
  connect(book_.get(), &Document::unitsChosen, this, [this](Units units) {
    settings_.set("units", std::string(units == Units::Inches ? "in" : "mm"));
  });
  connect(book_.get(), &Document::saved, this,
          [this] { logNote("saved " + book_->path().toStdString()); });
  connect(book_.get(), &Document::saveFailed, this,
          [](const Issue& issue) { logNote("not saved: " + issueWords(issue, {})); });
  connect(book_.get(), &Document::bookChanged, this,
          [this] { logNote("book " + book_->path().toStdString()); });
}

void Workspace::useCaliper(const QString& port) {
  settings_.set("caliper", port.toStdString());
  caliper_.use(port);
}

Workspace::~Workspace() = default;

std::shared_ptr<const RuleLibrary> Workspace::readLibrary() const {
  return std::make_shared<const RuleLibrary>(places_.methods, makeCatalogue(places_.materials));
}

Units Workspace::usualUnits() const {
  return settings_.text("units") == "in" ? Units::Inches : Units::Millimetres;
}

void Workspace::watchRules() {
  if (watch_ != nullptr) return;
  watch_ = new FolderWatch({places_.methods, places_.materials, places_.patterns}, this);
  connect(watch_, &FolderWatch::changed, this, &Workspace::reloadRules);
}

/// A write that was killed leaves its file; beside an opened book too.
void Workspace::removeLeftovers() {
  const std::filesystem::path settings(places_.settings);
  const std::filesystem::path book(QFile::encodeName(book_->path()).toStdString());
  tasks_.start(
      this,
      [folders =
           std::vector<std::string>{places_.jobs, places_.methods, settings.parent_path().string(),
                                    book.parent_path().string()}](
          Tasks::Control&) -> Tasks::Outcome {
        for (const std::string& folder : folders) drapery::removeLeftovers(folder);
        return std::nullopt;
      },
      [](const Tasks::Outcome&) {});
}

void Workspace::reloadRules() {
  const Issues issues = book_->useLibrary(readLibrary());
  sewing_->reload();
  for (const Issue& issue : issues) logNote(placedWords(issue, {}));
  emit rulesReloaded();
  if (!issues.empty()) emit rulesRefused(issues);
}

void Workspace::close() {
  tasks_.settle();
  const QString path = book_->path();
  settings_.set("last_book", QFileInfo::exists(path) ? path.toStdString() : std::string());
  if (const auto issue = settings_.save()) logNote(issueWords(*issue, {}));
}

}  // namespace drapery
