#include "app/main_window.h"

#include <QCloseEvent>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeySequence>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/words/window_words.h"
#include "exchange/slip_pdf.h"
#include "paint/fonts.h"
#include "store/folders.h"
#include "words/issue_words.h"

namespace drapery {

namespace {

constexpr int kFoldNotesUnder = 1100;

QString jobsFolder() { return QString::fromStdString(dataFolder() + "/jobs"); }

/// At most three mistakes: a banner is no list.
QString listed(const Issues& issues) {
  QStringList lines;
  for (const Issue& issue : issues) {
    if (lines.size() == 3) {
      lines << QString("… %1 more").arg(issues.size() - 3);
      break;
    }
    lines << QString::fromStdString(placedWords(issue, {}));
  }
  return lines.join("\n");
}

}  // namespace

MainWindow::MainWindow(RuleLibrary library, const Palette& palette, QWidget* parent)
    : QWidget(parent),
      palette_(palette),
      document_(std::move(library), jobsFolder()),
      ask_(fileDialogs()) {
  setObjectName("window");
  build();
  addShortcuts();
  connect(&document_, &Document::saveFailed, this, &MainWindow::onSaveFailed);
  connect(&document_, &Document::jobChanged, this, &MainWindow::refreshTitle);
  // What the banner said was of the former book, and so were the ways out of it.
  connect(&document_, &Document::bookChanged, banner_, &QWidget::hide);
  const auto showPlan = [this] { slips_->setPlan(document_.plan()); };
  connect(&document_, &Document::jobChanged, this, showPlan);
  connect(&document_, &Document::planChanged, this, showPlan);
  connect(table_, &Table::refused, this, [this](const Issue& issue) {
    banner_->say(Severity::Stop, QString::fromStdString(placedWords(issue, {})));
  });
  connect(table_, &Table::selectionChanged, slips_, &SlipTray::setSelected);
  connect(slips_, &SlipTray::selected, this, [this](const Subject& part) {
    table_->select(table_->selected() == part ? Subject() : part);
  });
  connect(docket_, &Docket::stageChosen, this, &MainWindow::setStage);
  connect(docket_, &Docket::newWanted, this, &MainWindow::startNew);
  connect(docket_, &Docket::openWanted, this, &MainWindow::openAnother);
  connect(docket_, &Docket::copyWanted, this, [this] { copy(); });
  connect(docket_, &Docket::slipWanted, this, &MainWindow::exportSlip);
  showPlan();
  setStage(Stage::Measure);
  refreshTitle();
}

/// The parts speak to the document while they lose the focus: they go first.
MainWindow::~MainWindow() {
  for (QWidget* part : std::initializer_list<QWidget*>{docket_, banner_, table_, slips_})
    delete part;
}

void MainWindow::build() {
  docket_ = new Docket(document_, palette_, this);
  banner_ = new Banner(palette_, this);
  table_ = new Table(document_, palette_, this);
  slips_ = new SlipTray(palette_, this);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  row->addWidget(docket_);
  auto* column = new QVBoxLayout;
  column->setSpacing(0);
  column->addWidget(banner_);
  column->addWidget(table_, 1);
  column->addWidget(slips_);
  row->addLayout(column, 1);
  resize(1280, 800);
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
  int number = 0;
  for (const Stage stage : allStages())
    on(QKeySequence(Qt::ALT | static_cast<Qt::Key>(Qt::Key_1 + number++)),
       [this, stage] { setStage(stage); });
}

void MainWindow::setStage(Stage stage) {
  table_->setStage(stage);
  docket_->setStage(stage);
}

bool MainWindow::openFile(const QString& path) {
  const Issues issues = document_.open(path);
  if (issues.empty()) return true;
  banner_->say(Severity::Stop, tr("Not opened.") + "\n" + listed(issues));
  return false;
}

void MainWindow::begin() {
  document_.startNew(jobsFolder());
  setStage(Stage::Measure);
  table_->startTyping();
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
  const Issues& leftOut = document_.library().leftOut();
  if (!leftOut.empty() && banner_->isHidden()) banner_->say(Severity::Mind, listed(leftOut));
}

void MainWindow::keepTyped() {
  docket_->keepTyped();
  table_->keepTyped();
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
  QString path = ask_.savePdf(this, suggestedName(".pdf"));
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) path += ".pdf";
  if (const auto issue = writeSlipPdf(document_.job(), document_.plan(), path))
    return banner_->say(Severity::Stop, issueText(*issue, {}));
  if (document_.plan().has(Severity::Stop))
    return banner_->say(Severity::Stop,
                        tr("The slip is in %1 and says that it must not be cut yet.").arg(path));
  banner_->say(Severity::Note, tr("The cut slip is in %1.").arg(path));
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
  table_->setNotesFolded(width() < kFoldNotesUnder * fontScale());
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
