#include "app/table/art_sheet.h"

#include <QDir>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QLocale>
#include <QPainter>
#include <QPixmap>
#include <QScrollBar>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/length_typed.h"
#include "app/words/window_words.h"
#include "core/printing/paper.h"
#include "exchange/art_files.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr int kEdge = 16;
constexpr int kEdit = 150;  // a title's entry is at least so wide
constexpr double kLettersEm = 5.0;

QString text(const std::string& from) { return QString::fromStdString(from); }

QString runsWords(TitleRuns runs) {
  switch (runs) {
    case TitleRuns::Down:
      return ArtSheet::tr("runs down");
    case TitleRuns::Up:
      return ArtSheet::tr("runs up");
    case TitleRuns::Across:
      break;
  }
  return ArtSheet::tr("runs across");
}

TitleRuns nextRuns(TitleRuns runs) {
  return runs == TitleRuns::Across ? TitleRuns::Down
         : runs == TitleRuns::Down ? TitleRuns::Up
                                   : TitleRuns::Across;
}

}  // namespace

/// The page at some scale, painted once for each.
class ArtSheet::Preview : public QWidget {
 public:
  Preview(const Palette& palette, QWidget* parent) : QWidget(parent), palette_(palette) {
    setObjectName("art.page");
  }
  void setPage(std::shared_ptr<const ArtPage> page) {
    page_ = std::move(page);
    picture_ = QPixmap();
    update();
  }
  void setScale(double perMm) {
    perMm_ = perMm;
    picture_ = QPixmap();
    if (page_) setFixedSize((page_->paper() * perMm_).toSize());
    update();
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    if (!page_) return;
    const double fine = devicePixelRatioF();
    if (picture_.isNull()) {
      picture_ = QPixmap(size() * fine);
      picture_.setDevicePixelRatio(fine);
      picture_.fill(printPalette().paper);
      QPainter painter(&picture_);
      painter.setRenderHint(QPainter::Antialiasing);
      painter.scale(perMm_, perMm_);
      painter.translate(page_->offset(), page_->offset());
      paintArt(painter, *page_);
      paintArtMarks(painter, *page_);
      paintArtNotes(painter, *page_);
    }
    QPainter painter(this);
    painter.drawPixmap(0, 0, picture_);
    painter.setPen(palette_.hairline);
    painter.drawRect(rect().adjusted(0, 0, -1, -1));
  }

 private:
  const Palette& palette_;
  std::shared_ptr<const ArtPage> page_;
  double perMm_ = 1.0;
  QPixmap picture_;
};

ArtSheet::ArtSheet(Document& document, const Palette& palette, std::function<double()> trueScale,
                   QWidget* parent)
    : TableSheet(parent),
      document_(document),
      palette_(palette),
      trueScale_(std::move(trueScale)),
      sheet_(new QWidget),
      column_(new QVBoxLayout(sheet_)),
      preview_(new Preview(palette, sheet_)),
      grid_(new QGridLayout),
      positions_(inkLabel({}, 13.5, palette.ink, sheet_)),
      paper_(inkLabel({}, 12.5, palette.secondInk, sheet_)),
      wrong_(inkLabel({}, 13.5, palette.mind, sheet_)),
      size_(new InkButton({}, palette, sheet_)) {
  setObjectName("art");
  plainArea(*this, palette_, sheet_);
  setWidgetResizable(true);
  column_->setContentsMargins(kEdge, 4, kEdge, 12);
  column_->setSpacing(6);
  column_->addWidget(preview_, 0, Qt::AlignLeft);
  for (QLabel* label : {positions_, paper_, wrong_}) {
    label->setWordWrap(true);
    column_->addWidget(label);
  }
  wrong_->setObjectName("art.wrong");
  positions_->setObjectName("art.positions");
  auto* commands = new QHBoxLayout;
  commands->setSpacing(18);
  for (const char* as : {"pdf", "svg"}) {
    auto* button = new InkButton(tr("write it as %1").arg(QString(as).toUpper()), palette_, sheet_);
    button->setObjectName(QString("art.%1").arg(as));
    connect(button, &QAbstractButton::clicked, this, [this, as] { write(as); });
    commands->addWidget(button);
  }
  size_->setObjectName("art.size");
  connect(size_, &QAbstractButton::clicked, this, [this] {
    isTrueSize_ = !isTrueSize_;
    writeWords();
  });
  commands->addWidget(size_);
  commands->addStretch(1);
  column_->addLayout(commands);
  grid_->setHorizontalSpacing(16);
  grid_->setVerticalSpacing(3);
  column_->addLayout(grid_);
  column_->addStretch(1);
}

ArtSheet::~ArtSheet() = default;

QString ArtSheet::heading() const { return tr("The page to print, its outside up"); }

QString ArtSheet::folder() const {
  return document_.path().isEmpty() ? QDir::currentPath()
                                    : QFileInfo(document_.path()).absolutePath();
}

std::variant<ArtPicture, Issue> ArtSheet::picture(const std::string& path) {
  const QDateTime written = QFileInfo(text(path)).lastModified();
  const auto kept = pictures_.find(path);
  if (kept != pictures_.end() && kept->second.written == written) return kept->second.picture;
  auto read = ArtPicture::read(path);
  pictures_.insert_or_assign(path, Kept{written, read});
  return read;
}

void ArtSheet::renew(const std::string& view) {
  const auto plan = std::make_shared<const Plan>(document_.plan());
  std::string stage;
  for (const ViewRule& each : plan->rules->views)
    if (each.id == view) stage = each.stage;
  page_.reset();
  for (const Artwork& art : artworksOn(*plan)) {
    if (page_ || art.rule->stage != stage) continue;
    ArtPage page = makeArtPage(document_.job(), plan, art, folder().toStdString(),
                               [this](const std::string& path) { return picture(path); });
    page.notation = windowNotation(*plan);
    page_ = std::make_shared<const ArtPage>(std::move(page));
  }
  preview_->setPage(page_);
  if (!page_) return;
  const bool isOther =
      artId_ != page_->art.rule->id || rows_.size() != page_->art.panels.size() + 1;
  artId_ = page_->art.rule->id;
  if (isOther) makeRows();
  fillRows();
  writeWords();
}

namespace {

/// Where the folds lie from the left, in the book's unit and in decimals, and whether they do from
/// the right.
QString positionWords(const ArtPage& page) {
  const Notation& notation = page.notation;
  QStringList at;
  std::vector<double> folds = page.art.folds();
  folds.push_back(page.art.width());
  for (const double fold : folds) {
    const Length length = Length::fromMm(fold);
    QString words = bareWords(length, notation);
    if (notation.units == Units::Inches)
      words += QString(" (%1)").arg(QLocale().toString(length.inches(), 'f', 3));
    at << words;
  }
  const QString edge = at.takeLast();
  const QString told =
      ArtSheet::tr("Folds from the left edge: %1; the right edge %2 %3.")
          .arg(at.join(", "), edge,
               notation.units == Units::Inches ? ArtSheet::tr("in") : ArtSheet::tr("mm"));
  const Length apart = Length::fromMm(page.art.closes());
  return told + " " +
         (apart.mm() < notation.resolution.mm() / 2
              ? ArtSheet::tr("From the right edge they are the same.")
              : ArtSheet::tr("Read from the right edge they are %1 off.")
                    .arg(lengthWords(apart, notation)));
}

/// What it is printed on.
QString paperWords(const ArtPage& page) {
  const QSizeF paper = page.paper();
  const QString takes = ArtSheet::tr("With its marks it needs paper of %1 × %2")
                            .arg(bareWords(Length::fromMm(paper.width()), page.notation),
                                 lengthWords(Length::fromMm(paper.height()), page.notation));
  QStringList fits;
  for (const Paper& each : allPapers())
    if ((each.height >= paper.width() && each.width >= paper.height()) ||
        (each.width >= paper.width() && each.height >= paper.height()))
      fits << text(each.title);
  if (!fits.isEmpty()) return takes + ArtSheet::tr(" and goes onto %1.").arg(fits.join(", "));
  return takes + ". " +
         ArtSheet::tr(
             "It goes onto none of A4, A3, Letter and Legal: print it on a roll, have it "
             "printed, or lay its folds out in parts under Templates.");
}

}  // namespace

/// Folds and paper, and what is worth knowing; the page has the room that they leave.
void ArtSheet::writeWords() {
  if (!page_) return;
  const Notation& notation = page_->notation;
  positions_->setText(positionWords(*page_));
  paper_->setText(paperWords(*page_));
  QStringList wrong;
  if (refused_) wrong << issueText(*refused_, notation);
  for (const Issues* issues : {&page_->faults, &page_->notes})
    for (const Issue& issue : *issues) wrong << issueText(issue, notation);
  wrong_->setText(wrong.join("\n"));
  wrong_->setVisible(!wrong.isEmpty());
  inkEntry(wrong_, page_->faults.empty() && !refused_ ? palette_.mind : palette_.stop);
  const bool isKnown = trueScale_ && trueScale_() > 0.0;
  size_->setEnabled(isKnown);
  size_->setText(!isKnown      ? tr("true size: measure this screen under Templates first")
                 : isTrueSize_ ? tr("the whole page")
                               : tr("at its true size here"));
  fitPreview();
}

void ArtSheet::fitPreview() {
  if (!page_) return;
  const QSizeF paper = page_->paper();
  const double wide = viewport()->width() - 2 * kEdge;
  // Its words and the panels' rows are seen under it, however many lines they take.
  constexpr int kLeastHigh = 160;
  const auto total = [&] {
    column_->invalidate();
    return column_->totalHeightForWidth(
        std::max(viewport()->width(), column_->totalMinimumSize().width()));
  };
  const int under = total() - preview_->minimumHeight();  // fixed, once it has a page
  const double high = std::max(kLeastHigh, viewport()->height() - under);
  const double fit = std::min(wide / paper.width(), high / paper.height());
  preview_->setScale(isTrueSize_ && trueScale_ && trueScale_() > 0.0 ? trueScale_()
                                                                     : std::max(0.1, fit));
  sheet_->setMinimumHeight(total());
}

void ArtSheet::resizeEvent(QResizeEvent* event) {
  TableSheet::resizeEvent(event);
  fitPreview();
}

PanelArt ArtSheet::artOf(const std::string& panel) const {
  const auto& art = document_.job().art;
  const auto piece = art.find(artId_);
  if (piece == art.end()) return {};
  const auto found = piece->second.find(panel);
  return found == piece->second.end() ? PanelArt() : found->second;
}

QLineEdit* ArtSheet::addEntry(const QString& name, const QString& says, const QString& asking) {
  auto* field = new QLineEdit(sheet_);
  field->setObjectName(name);
  field->setAccessibleName(says);
  field->setPlaceholderText(asking);
  field->setFont(textFont(13.5));
  dressEntry(field, palette_, palette_.ink, palette_.secondInk);
  return field;
}

/// Changes what is said of the panel.
InkButton* ArtSheet::addButton(const QString& name, const std::string& panel,
                               const std::function<void(PanelArt&)>& act) {
  auto* button = new InkButton({}, palette_, sheet_);
  button->setObjectName(name);
  connect(button, &QAbstractButton::clicked, this, [this, panel, act] { change(panel, act); });
  return button;
}

void ArtSheet::addTitle(Row& row, const QString& id) {
  row.title = addEntry(id + ".title", tr("Title on the %1").arg(row.name->text()), tr("title"));
  row.title->setMinimumWidth(kEdit);
  row.letters = addEntry(
      id + ".letters", tr("Height of the letters on the %1").arg(row.name->text()), tr("as suits"));
  row.letters->setMinimumWidth(static_cast<int>(kLettersEm * em()));
  row.runs =
      addButton(id + ".runs", row.panel, [](PanelArt& art) { art.runs = nextRuns(art.runs); });
  row.ink = addButton(id + ".ink", row.panel, [](PanelArt& art) {
    art.ink = art.ink == TitleInk::Dark ? TitleInk::Light : TitleInk::Dark;
  });
  connect(
      row.title, &QLineEdit::editingFinished, this, [this, panel = row.panel, field = row.title] {
        change(panel, [&](PanelArt& art) { art.title = field->text().simplified().toStdString(); });
      });
  connect(row.letters, &QLineEdit::editingFinished, this,
          [this, at = rows_.size()] { keepLetters(rows_[at]); });
}

void ArtSheet::addPicture(Row& row, const QString& id) {
  row.picture = new InkButton({}, palette_, sheet_);
  row.picture->setObjectName(id + ".picture");
  connect(row.picture, &QAbstractButton::clicked, this,
          [this, panel = row.panel] { choosePicture(panel); });
  row.fit = addButton(id + ".fit", row.panel, [](PanelArt& art) {
    art.fit = art.fit == PictureFit::Fill ? PictureFit::Whole : PictureFit::Fill;
  });
  row.drop = addButton(id + ".drop", row.panel, [](PanelArt& art) {
    art.picture.clear();
    art.fit = PictureFit::Fill;
  });
  row.drop->setText(tr("take it away"));
}

void ArtSheet::addRow(const std::string& panel, const QString& name, bool hasTitle) {
  const QString id = "art." + text(panel);
  Row row{};
  row.panel = panel;
  row.name = inkLabel(name, 13.5, palette_.ink, sheet_, true);
  if (hasTitle) addTitle(row, id);
  addPicture(row, id);
  const int at = grid_->rowCount();
  int column = 0;
  for (QWidget* widget : std::initializer_list<QWidget*>{row.name, row.title, row.letters, row.runs,
                                                         row.ink, row.picture, row.fit, row.drop}) {
    if (widget != nullptr) {
      grid_->addWidget(widget, at, column);
      widget->show();  // at once, so that the page knows what room is left
    }
    ++column;
  }
  rows_.push_back(row);
}

void ArtSheet::makeRows() {
  emptyLayout(grid_);
  rows_.clear();
  for (const Artwork::Panel& panel : page_->art.panels)
    addRow(panel.rule->id, localText(panel.rule->title), true);
  addRow(ArtPage::kWhole, tr("over all of it"), false);
  grid_->setColumnStretch(1, 3);
  grid_->setColumnStretch(2, 1);
  grid_->setColumnStretch(8, 2);
}

void ArtSheet::fillRows() {
  for (const Row& row : rows_) {
    const PanelArt art = artOf(row.panel);
    if (row.title != nullptr) {
      if (!row.title->hasFocus() || !row.title->isModified()) {
        row.title->setText(text(art.title));
        row.title->setCursorPosition(0);
      }
      const QString letters =
          art.letters > 0.0 ? lengthWords(Length::fromMm(art.letters), page_->notation) : QString();
      if (!row.letters->hasFocus() || !row.letters->isModified()) row.letters->setText(letters);
      row.runs->setText(runsWords(art.runs));
      row.runs->setVisible(!art.title.empty());
      row.ink->setText(art.ink == TitleInk::Dark ? tr("dark") : tr("light"));
      row.ink->setVisible(!art.title.empty());
    }
    row.picture->setText(art.picture.empty() ? tr("a picture")
                                             : QFileInfo(text(art.picture)).fileName());
    row.fit->setText(art.fit == PictureFit::Fill ? tr("over the whole panel")
                                                 : tr("wholly on the panel"));
    row.fit->setVisible(!art.picture.empty());
    row.drop->setVisible(!art.picture.empty());
  }
}

void ArtSheet::change(const std::string& panel, const std::function<void(PanelArt&)>& act) {
  PanelArt art = artOf(panel);
  const bool hadTitle = !art.title.empty();
  act(art);
  // A spine's title runs down it, as it is read with the book lying face up.
  const Artwork::Panel* of = page_ ? page_->art.panel(panel) : nullptr;
  if (!hadTitle && !art.title.empty() && of != nullptr && of->rule->isSpine)
    art.runs = TitleRuns::Down;
  refused_.reset();
  document_.keepArt(artId_, panel, art);
}

void ArtSheet::keepLetters(const Row& row) {
  const QString typed = row.letters->text().trimmed();
  if (typed.isEmpty()) return change(row.panel, [](PanelArt& art) { art.letters = 0.0; });
  const auto read =
      lengthTyped(*row.letters, {document_.plan().units, PanelArt::kSmallest, PanelArt::kLargest});
  if (const auto* issue = std::get_if<Issue>(&read)) {
    refused_ = *issue;
    return writeWords();
  }
  row.letters->setModified(false);
  change(row.panel, [&](PanelArt& art) { art.letters = std::get<double>(read); });
}

void ArtSheet::keepTyped() {
  for (const Row& row : rows_) {
    if (row.title == nullptr) continue;
    if (row.title->isModified())
      change(row.panel,
             [&](PanelArt& art) { art.title = row.title->text().simplified().toStdString(); });
    row.title->setModified(false);
    if (row.letters->isModified()) keepLetters(row);
  }
}

/// Named from the job's folder where it lies there, so that both can be moved together.
void ArtSheet::choosePicture(const std::string& panel) {
  emit pictureWanted([this, panel](const QString& path) {
    const QString within = QDir(folder()).relativeFilePath(path);
    change(panel, [&](PanelArt& art) {
      art.picture = (within.startsWith("..") ? path : within).toStdString();
    });
  });
}

void ArtSheet::write(const char* as) {
  if (!page_) return;
  keepTyped();
  if (!page_->faults.empty()) return writeWords();
  StagePage::Pages pages;
  const QString kind = as;
  pages.suffix = "-" + text(artId_) + "." + kind;
  pages.begun = tr("The page is being written.");
  pages.done = tr("The page is in %1.");
  pages.stopped = tr("The page is in %1; the book has a stop, and its sizes may change.");
  pages.write = [page = page_, kind](const std::string& path, const auto& isCancelled) {
    return writePainted(kind == "pdf" ? artPdf(*page) : Painted(artSvg(*page)), path, isCancelled);
  };
  emit pagesWanted(pages);
}

}  // namespace drapery
