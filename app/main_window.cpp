#include "app/main_window.h"

#include <QCloseEvent>
#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeySequence>
#include <QMenu>
#include <QScreen>
#include <QShortcut>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/sewing/sew_desk.h"
#include "app/theme.h"
#include "app/words/as_cut_words.h"
#include "app/words/caliper_words.h"
#include "app/words/window_words.h"
#include "app/workspace/stock_room.h"
#include "exchange/slip_pdf.h"
#include "paint/fonts.h"
#include "store/whole_file.h"
#include "words/issue_words.h"

namespace drapery {

namespace {

constexpr int kFoldNotesUnder = 1100;

/// At most three mistakes: a banner is no list.
QString listed(const Issues& issues) {
  QStringList lines;
  for (const Issue& issue : issues) {
    if (lines.size() == 3) {
      lines << MainWindow::tr("… %1 more").arg(issues.size() - 3);
      break;
    }
    lines << QString::fromStdString(placedWords(issue, {}));
  }
  return lines.join("\n");
}

}  // namespace

MainWindow::MainWindow(Workspace& workspace, const std::vector<Stage>& stages, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      stages_(stages),
      document_(workspace.book()),
      ask_(fileDialogs()),
      stage_(&stages.front()) {
  setObjectName("window");
  new QVBoxLayout(this);
  layout()->setContentsMargins(0, 0, 0, 0);
  build();
  addShortcuts();
  connect(&document_, &Document::saveFailed, this, &MainWindow::onSaveFailed);
  connect(&document_, &Document::leftWaiting, this, [this](const Issues& issues) {
    banner_->say(Severity::Mind,
                 tr("Not all that this method had before is taken over; it stays in "
                    "the file and is not used.") +
                     "\n" + listed(issues));
  });
  connect(&document_, &Document::jobChanged, this, &MainWindow::refreshTitle);
  // What the banner said was of the former book, and so were the ways out of it.
  connect(&document_, &Document::bookChanged, this, [this] {
    banner_->hide();
    if (slips_ == nullptr) return;
    slips_->stopTyping();
    slips_->tell({});
  });
  connect(&document_, &Document::jobChanged, this, &MainWindow::showPlan);
  connect(&document_, &Document::planChanged, this, &MainWindow::showPlan);
  connect(&workspace_, &Workspace::rulesReloaded, this, &MainWindow::tellLeftOut);
  connect(&workspace_.stock(), &StockRoom::refused, this, [this](const Issues& issues) {
    banner_->say(Severity::Stop, tr("The stock is as it was.") + "\n" + listed(issues));
  });
  connect(&workspace_, &Workspace::rulesUnwritten, this, [this](const Issues& issues) {
    banner_->say(Severity::Stop,
                 tr("The house's rules are as they were: their file could not be written.") + "\n" +
                     listed(issues));
  });
  connect(&workspace_, &Workspace::rulesRefused, this, [this](const Issues& issues) {
    banner_->say(
        Severity::Mind,
        tr("The rules of this book have a mistake now; it is planned by those from before.") +
            "\n" + listed(issues));
  });
  CaliperPort& caliper = workspace_.caliper();
  connect(&caliper, &CaliperPort::read, this, &MainWindow::takeReading);
  connect(&caliper, &CaliperPort::changed, this,
          [this] { docket_->setCaliper(caliperStatus(workspace_.caliper())); });
  connect(&caliper, &CaliperPort::troubled, this,
          [this](CaliperTrouble trouble, const QString& detail) {
            const QString words = caliperWords(trouble, detail);
            if (!page().tellOfReading(words)) banner_->say(Severity::Mind, words);
          });
  resize(kUsualWindow);
  refreshTitle();
}

/// The parts speak to the document while they lose the focus: they go first.
MainWindow::~MainWindow() { removeParts(); }

void MainWindow::removeParts() {
  const std::initializer_list<QWidget*> parts{docket_, banner_, stack_, slips_};
  slips_ = nullptr;
  pages_.clear();
  for (QWidget* part : parts) delete part;
}

void MainWindow::showPlan() {
  if (slips_ == nullptr) return;
  slips_->setPlan(document_.plan(),
                  [this](const std::string& part) { return asCutWords(document_, part); });
  // Another structure may have no work for this stage.
  if (!canTurnTo(*stage_)) turnToFirst();
}

void MainWindow::build() {
  const Palette& palette = paletteNamed(workspace_.settings().text("theme"));
  docket_ = new Docket(workspace_, stages_, palette, this);
  banner_ = new Banner(palette, this);
  stack_ = new QStackedWidget(this);
  slips_ = new SlipTray(palette, this);
  auto* row = new QHBoxLayout;
  row->setSpacing(0);
  row->addWidget(docket_);
  auto* column = new QVBoxLayout;
  column->setSpacing(0);
  column->addWidget(banner_);
  column->addWidget(stack_, 1);
  column->addWidget(slips_);
  row->addLayout(column, 1);
  static_cast<QVBoxLayout*>(layout())->addLayout(row);
  setMinimumSize(windowFor(fontScale()));
  connectParts();
  setStage(*stage_);
  showPlan();
}

void MainWindow::takeReading(const QString& reading) {
  if (page().takeReading(reading)) return;
  banner_->say(Severity::Note,
               tr("The caliper sent %1. Choose where it goes, then send it again.").arg(reading));
}

/// The ports that are there, the one that is used, and none.
void MainWindow::chooseCaliper(const QPoint& at) {
  auto* menu = new QMenu(this);
  menu->setObjectName("caliper.ports");
  menu->setAttribute(Qt::WA_DeleteOnClose);
  QStringList ports = CaliperPort::ports();
  const QString& used = workspace_.caliper().path();
  if (!used.isEmpty() && !ports.contains(used)) ports << used;
  ports << QString();
  for (const QString& port : ports) {
    QAction* action = menu->addAction(port.isEmpty() ? tr("no caliper") : port);
    action->setCheckable(true);
    action->setChecked(port == used);
    connect(action, &QAction::triggered, this, [this, port] { workspace_.useCaliper(port); });
  }
  menu->popup(at);
}

/// The case is tried with the piece as it was cut, while that is typed and once it is kept.
void MainWindow::tryAsCut(const QString& part, const QString& text, bool isKept) {
  const auto read = asCutTyped(document_, part.toStdString(), text);
  const auto* edits = std::get_if<FieldEdits>(&read);
  const auto* wrong = std::get_if<Issue>(&read);
  if (edits != nullptr && !isKept) {
    document_.preview(*edits);
  } else if (edits != nullptr) {
    slips_->stopTyping();
    document_.keep(*edits);
  } else {
    document_.endPreview();
  }
  // Half a size is no mistake while it is being typed.
  slips_->tell(wrong != nullptr && isKept ? issueText(*wrong, windowNotation(document_.plan()))
                                          : QString());
}

void MainWindow::connectParts() {
  connect(slips_, &SlipTray::asCutTyped, this,
          [this](const QString& part, const QString& text) { tryAsCut(part, text, false); });
  connect(slips_, &SlipTray::asCutKept, this,
          [this](const QString& part, const QString& text) { tryAsCut(part, text, true); });
  connect(slips_, &SlipTray::asCutLeft, this, [this] {
    slips_->tell({});
    document_.endPreview();
  });

  connect(slips_, &SlipTray::selected, this, [this](const Subject& part) {
    page().select(page().selected() == part ? Subject() : part);
  });
  connect(docket_, &Docket::stageChosen, this, &MainWindow::setStage);
  connect(docket_, &Docket::newWanted, this, &MainWindow::startNew);
  connect(docket_, &Docket::openWanted, this, &MainWindow::openAnother);
  connect(docket_, &Docket::copyWanted, this, [this] { copy(); });
  connect(docket_, &Docket::slipWanted, this, &MainWindow::exportSlip);
  connect(docket_, &Docket::themeWanted, this, &MainWindow::chooseTheme);
  connect(docket_, &Docket::refused, this, [this](const Issue& issue) {
    banner_->say(Severity::Stop, issueText(issue, windowNotation(document_.plan())));
  });
  connect(docket_, &Docket::caliperWanted, this, &MainWindow::chooseCaliper);
  docket_->setCaliper(caliperStatus(workspace_.caliper()));
}

void MainWindow::dressAnew() {
  keepTyped();
  std::map<PageMaker, StagePage::TypedTexts> wrong;  // what could not be kept
  for (const auto& [maker, page] : pages_) wrong[maker] = page->typed();
  const Subject selected = page().selected(), closer = page().closerLook();
  document_.endPreview();
  const std::optional<Banner::Message> told = banner_->told();
  removeParts();
  delete layout()->takeAt(0);
  setFontScale(workspace_.settings().number("font_scale"));
  dress(paletteNamed(workspace_.settings().text("theme")));
  build();
  // At once, not with the next event: tags hang only where they can be seen.
  if (isVisible())
    for (QWidget* part : std::initializer_list<QWidget*>{docket_, stack_, slips_}) part->show();
  layout()->activate();
  if (!closer.empty()) page().select(closer);
  page().select(selected);
  page().setFocus();
  for (const auto& [maker, texts] : wrong) pageBy(maker).typeAgain(texts);
  if (told) banner_->say(told->severity, told->text, told->ways);
}

void MainWindow::chooseTheme() {
  Settings& settings = workspace_.settings();
  settings.set("theme", std::string(settings.text("theme") == "bench" ? "light" : "bench"));
  settings.save();
  // The docket's own button asks for it: it must not be deleted under its own click.
  QMetaObject::invokeMethod(this, &MainWindow::dressAnew, Qt::QueuedConnection);
}

void MainWindow::scaleLetters(double factor) {
  Settings& settings = workspace_.settings();
  const double before = settings.number("font_scale");
  const double wanted = factor == 0.0 ? 1.0 : before * factor;
  const double scale = std::clamp(std::round(wanted * 100) / 100, kSmallestLetters,
                                  largestLettersIn(size().expandedTo(screen()->availableSize())));
  if (scale == before && factor > 1.0)
    return banner_->say(Severity::Note, tr("The letters are %1 times the usual size; with larger "
                                           "ones the drawings would have no room on this screen.")
                                            .arg(scale));
  if (scale == before) return;
  settings.set("font_scale", scale);
  settings.save();
  dressAnew();
}

void MainWindow::addShortcuts() {
  const auto on = [this](const QKeySequence& keys, auto act) {
    connect(new QShortcut(keys, this), &QShortcut::activated, this, act);
  };
  on(QKeySequence::Undo, [this] { document_.undoStack()->undo(); });
  on(QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), [this] { document_.undoStack()->redo(); });
  on(QKeySequence(Qt::CTRL | Qt::Key_N), [this] { startNew(); });
  on(QKeySequence(Qt::CTRL | Qt::Key_O), [this] { openAnother(); });
  on(QKeySequence(Qt::CTRL | Qt::Key_D), [this] { copy(); });
  on(QKeySequence(Qt::CTRL | Qt::Key_P), [this] { exportSlip(); });
  on(QKeySequence(Qt::CTRL | Qt::Key_B), [this] { chooseTheme(); });
  constexpr double kLarger = 1.1;
  on(QKeySequence(Qt::CTRL | Qt::Key_Plus), [this] { scaleLetters(kLarger); });
  on(QKeySequence(Qt::CTRL | Qt::Key_Equal), [this] { scaleLetters(kLarger); });
  on(QKeySequence(Qt::CTRL | Qt::Key_Minus), [this] { scaleLetters(1 / kLarger); });
  on(QKeySequence(Qt::CTRL | Qt::Key_0), [this] { scaleLetters(0.0); });
  constexpr int kDigits = 9;
  for (int number = 0; number < kDigits; ++number)
    on(QKeySequence(Qt::ALT | static_cast<Qt::Key>(Qt::Key_1 + number)),
       [this, number] { turnToNth(number); });
}

/// By the place in the docket, where only those stand that this book has work for.
void MainWindow::turnToNth(int number) {
  for (const Stage& stage : stages_)
    if (canTurnTo(stage) && number-- == 0) return setStage(stage);
}

StagePage& MainWindow::pageBy(PageMaker maker) {
  StagePage*& page = pages_[maker];
  if (page != nullptr) return *page;
  page = maker(workspace_, paletteNamed(workspace_.settings().text("theme")), stack_);
  stack_->addWidget(page);
  page->setNotesFolded(hasNarrowTable());
  connect(page, &StagePage::refused, this, [this](const Issue& issue) {
    banner_->say(Severity::Stop, QString::fromStdString(placedWords(issue, {})));
  });
  connect(page, &StagePage::selectionChanged, slips_, &SlipTray::setSelected);
  connect(page, &StagePage::pagesWanted, this, &MainWindow::writePages);
  connect(page, &StagePage::bookWanted, this, [this](const auto& then) {
    const QString path = ask_.open(this, QFileInfo(document_.path()).absolutePath());
    if (!path.isEmpty()) then(path);
  });
  connect(page, &StagePage::pictureWanted, this, [this](const auto& then) {
    const QString path = ask_.openPicture(this, QFileInfo(document_.path()).absolutePath());
    if (!path.isEmpty()) then(path);
  });
  return *page;
}

void MainWindow::setStage(const Stage& stage) {
  if (stage.makePage != stage_->makePage) page().keepTyped();
  stage_ = &stage;
  stack_->setCurrentWidget(&page());
  page().setStage(stage);
  slips_->setSelected(page().selected());
  docket_->setStage(stage);
}

bool MainWindow::canTurnTo(const Stage& stage) const {
  return stage.applies(stage, *document_.plan().rules);
}

void MainWindow::turnToFirst() {
  for (const Stage& stage : stages_)
    if (canTurnTo(stage)) return setStage(stage);
}

bool MainWindow::hasNarrowTable() const { return width() < kFoldNotesUnder * fontScale(); }

bool MainWindow::openFile(const QString& path) {
  const Issues issues = document_.open(path);
  if (issues.empty()) return true;
  banner_->say(Severity::Stop, tr("Not opened.") + "\n" + listed(issues));
  return false;
}

void MainWindow::begin() {
  workspace_.startNew();
  turnToFirst();
  page().startTyping();
}

void MainWindow::startNew() {
  leave([this] { begin(); });
}

void MainWindow::openAnother() {
  leave([this] {
    const QString path = ask_.open(this, QFileInfo(document_.path()).absolutePath());
    if (!path.isEmpty()) openFile(path);
  });
}

void MainWindow::tellLeftOut() {
  Issues told = document_.library().leftOut();
  for (const Issues* others :
       {&document_.library().catalogue()->leftOut(), &workspace_.settingsIssues()})
    told.insert(told.end(), others->begin(), others->end());
  if (!told.empty() && banner_->isHidden()) banner_->say(Severity::Mind, listed(told));
}

void MainWindow::keepTyped() {
  docket_->keepTyped();
  slips_->keepTyped();
  for (const auto& [maker, page] : pages_) page->keepTyped();
}

void MainWindow::leave(const std::function<void()>& then) {
  keepTyped();
  const auto issue = document_.isSaved() ? std::nullopt : document_.save();
  if (!issue) return then();
  banner_->say(Severity::Stop,
               tr("The last edits are not in the file.") + " " + issueText(*issue, {}),
               {{tr("Keep mine in another file"), [this, then] { copy(then); }},
                {tr("Leave without them"), then}});
}

QString MainWindow::suggestedName(const QString& suffix) const {
  const QFileInfo file(document_.path());
  return file.absolutePath() + "/" + file.completeBaseName() + suffix;
}

void MainWindow::copy(const std::function<void()>& then) {
  keepTyped();
  QString path = ask_.saveJob(this, suggestedName("-copy.json"));
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) path += ".json";
  if (const auto issue = document_.copyTo(path))
    return banner_->say(Severity::Stop, issueText(*issue, {}),
                        {{tr("Try another place"), [this, then] { copy(then); }}});
  if (then) return then();
  banner_->say(Severity::Note, tr("You now work on the copy, %1.").arg(path));
}

void MainWindow::exportSlip() {
  keepTyped();
  if (!document_.missing().empty())
    return banner_->say(Severity::Mind,
                        tr("No slip yet: the block and the board must be measured first."));
  writePages({".pdf", tr("The cut slip is being written."), tr("The cut slip is in %1."),
              tr("The slip is in %1 and says that it must not be cut yet."),
              [job = document_.job(), plan = document_.plan(), sewn = workspace_.sewing().sewn()](
                  const std::string& path, const auto& isCancelled) {
                return writeSlipPdf(job, plan, path, isCancelled, *sewn);
              }});
}

void MainWindow::writePages(const StagePage::Pages& pages) {
  QString path = ask_.savePages(this, suggestedName(pages.suffix));
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) path += "." + QFileInfo(pages.suffix).suffix();
  const std::string file = QFile::encodeName(path).toStdString();
  if (const auto issue = notToBeReplaced(file, QFile::encodeName(document_.path()).toStdString()))
    return banner_->say(Severity::Stop, issueText(*issue, {}));
  banner_->say(Severity::Note, pages.begun,
               {{tr("Do not write it"), [this] { workspace_.tasks().cancel(); }}});
  workspace_.tasks().start(
      this,
      [write = pages.write, file](Tasks::Control& control) {
        return write(file, [&control] { return control.isCanceled(); });
      },
      [this, path, done = pages.done, stopped = pages.stopped,
       isStop = document_.plan().has(Severity::Stop)](const Tasks::Outcome& issue) {
        if (issue) return banner_->say(Severity::Stop, issueText(*issue, {}));
        banner_->say(isStop ? Severity::Stop : Severity::Note, (isStop ? stopped : done).arg(path));
      });
}

void MainWindow::onSaveFailed(const Issue& issue) {
  banner_->say(Severity::Stop,
               issueText(issue, {}) + " " + tr("Your edit is here and not yet in the file."),
               waysOutOf(issue));
}

std::vector<Banner::Way> MainWindow::waysOutOf(const Issue& issue) {
  const auto tell = [this](const std::optional<Issue>& again) {
    if (again) onSaveFailed(*again);
  };
  const Banner::Way keep{tr("Keep mine in another file"), [this] { copy(); }};
  const Banner::Way retry{tr("Try again"), [this, tell] { tell(document_.save()); }};
  const auto over = [this, tell](const QString& words) {
    return Banner::Way{words, [this, tell] { tell(document_.saveOver()); }};
  };
  if (issue.id == "file-gone") return {over(tr("Write it there again")), keep};
  if (issue.id == "file-read-only") return {keep, over(tr("Write mine over it"))};
  if (issue.id == "file-unsure") return {retry, keep, over(tr("Write mine over it"))};
  if (issue.id == "file-changed")
    return {{tr("Take what is in the file"), [this] { openFile(document_.path()); }},
            keep,
            over(tr("Write mine over it"))};
  return {retry, keep};
}

void MainWindow::refreshTitle() {
  const QString title = QString::fromStdString(document_.job().title);
  setWindowTitle((title.isEmpty() ? tr("New book") : title) + " – Drapery");
}

void MainWindow::resizeEvent(QResizeEvent*) {
  if (isVisible()) {
    workspace_.settings().set("window_width", double(width()));
    workspace_.settings().set("window_height", double(height()));
  }
  for (const auto& [maker, page] : pages_) page->setNotesFolded(hasNarrowTable());
}

void MainWindow::closeEvent(QCloseEvent* event) {
  if (!isClosing_)
    leave([this] {
      isClosing_ = true;
      QMetaObject::invokeMethod(this, &QWidget::close, Qt::QueuedConnection);
    });
  event->setAccepted(isClosing_);
}

}  // namespace drapery
