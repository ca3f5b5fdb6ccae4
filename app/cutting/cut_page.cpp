#include "app/cutting/cut_page.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <algorithm>
#include <cmath>
#include <map>
#include <utility>

#include "app/cutting/sheet_card.h"
#include "app/cutting/sheet_view.h"
#include "app/cutting/stock_sheet.h"
#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/margin_column.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "paint/fonts.h"
#include "words/cut_moments.h"

namespace drapery {

namespace {

constexpr double kMarginEm = 24.0;
constexpr double kNarrowMarginEm = 19.0;
constexpr int kEdge = 16;
constexpr int kBetween = 18;      // cards
constexpr double kLargest = 0.7;  // pixels to the mm
constexpr double kRoomy = 0.12;
constexpr double kLeast = 0.06;

}  // namespace

CutPage::CutPage(Workspace& workspace, const Palette& palette, QWidget* parent)
    : StagePage(parent),
      workspace_(workspace),
      book_(workspace.book()),
      desk_(workspace.cutting()),
      found_(desk_.share()),
      bench_(desk_.bench()),
      palette_(palette),
      margin_(new MarginColumn("cut.margin", palette, this)),
      table_(new QScrollArea(this)),
      cardsSheet_(new QWidget),
      view_(new SheetView(palette, this)),
      stock_(new StockSheet(workspace, palette, this)),
      carried_(new QFrame(this)),
      back_(new InkButton(tr("all sheets"), palette, this)),
      wrong_(inkLabel({}, 13.5, palette.stop, this)) {
  setObjectName("cut");
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The pieces on the sheets"));
  plainArea(*table_, palette_, cardsSheet_);
  table_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  back_->setObjectName("cut.all");
  back_->setHint(tr("Esc"));
  connect(back_, &QAbstractButton::clicked, this, [this] { look(std::nullopt); });
  connect(&workspace_.stock(), &StockRoom::changed, this, [this] {
    if (showsStock_) stock_->renew();
    // Else the desk tells of it.
    if (workspace_.stock().stock().items.empty()) renew();
  });
  connect(stock_, &StockSheet::told, this, [this](const QString& words) {
    wrong_->setText(words);
    place();
  });
  wrong_->setObjectName("cut.wrong");
  carried_->setAttribute(Qt::WA_TransparentForMouseEvents);
  carried_->hide();
  connect(&desk_, &CutDesk::changed, this, &CutPage::renew);
  connect(view_, &SheetView::chosen, this, [this](std::size_t placement) { choose(placement); });
  connect(view_, &SheetView::nothingChosen, this, [this] { choose(std::nullopt); });
  connect(view_, &SheetView::moved, this,
          [this](std::size_t, double x, double y) { moveChosen(x, y); });
  renew();
}

const CutSheet* CutPage::sheet() const {
  return open_ && *open_ < shown().sheets.size() ? &shown().sheets[*open_] : nullptr;
}

int CutPage::momentOf(const CutSheet& sheet) const {
  int moment = static_cast<int>(CutWhen::Last);
  for (const CutPlacement& at : sheet.placements)
    moment = std::min(moment, problem().pieces[at.piece].moment);
  return moment;
}

QString CutPage::titleOf(const CutSheet& sheet) const {
  const QString title = QString::fromStdString(stockOf(sheet).id);
  return sheet.repeat > 1 ? QString("%1 × %2").arg(sheet.repeat).arg(title) : title;
}

/// What lies on it, how much of it is used, and how much of a roll: by name, and in fewer words.
QStringList CutPage::belowOf(const CutSheet& sheet) const {
  constexpr std::size_t kMostNamed = 3;
  const CutStock& stock = stockOf(sheet);
  double area = 0.0;
  int count = 0;
  std::map<std::size_t, int> rectangles;
  for (const CutPlacement& at : sheet.placements) {
    area += double(at.across) * double(at.along);
    count += found_->work.pieces[at.piece].each;
    ++rectangles[at.piece];
  }
  QStringList names;
  for (const auto& [piece, many] : rectangles) names << piecesTitle(*found_, piece, many);
  QString named = names.join(", "),
          counted = count == 1 ? tr("1 piece") : tr("%1 pieces").arg(count);
  const Micrometres length = lengthUsed(stock, sheet);
  const Notation notation = windowNotation(book_.plan());
  for (QString* pieces : {&named, &counted}) {
    if (sheet.repeat > 1) *pieces = tr("%1 each").arg(*pieces);
    if (stock.form == StockForm::Roll)
      *pieces =
          tr("%1 long, %2")
              .arg((notation.units == Units::Inches ? cutLength : rollLength)(length, notation),
                   *pieces);
  }
  const QString used = percent(area / (double(stock.across) * double(length)));
  const auto withUsed = [&](const QString& pieces) {
    return tr("%1, %2 % used").arg(pieces, used);
  };
  if (rectangles.size() > kMostNamed) return {withUsed(counted)};
  return {withUsed(named), named, withUsed(counted)};
}

SheetWords CutPage::wordsOn(const CutSheet& sheet, std::size_t placement) const {
  const CutPlacement& at = sheet.placements[placement];
  SheetWords words;
  words.lines << piecesTitle(*found_, at.piece, 1);
  const CutPiece& piece = problem().pieces[at.piece];
  words.lines << cutSize(piece.width, piece.height, windowNotation(book_.plan()));
  words.isPinned = pinOf(sheet, at).has_value();
  words.waits = piece.moment > momentOf(sheet);
  return words;
}

/// Everything anew that may be another.
void CutPage::renew() {
  carried_->hide();
  isStale_ = !isVisible();
  if (isStale_ && !cards_.empty()) return;  // when it is looked at again
  const auto before = std::exchange(bench_, desk_.bench());
  const bool isSame = found_ == desk_.share() && bench_ == before;  // no longer searched for
  found_ = desk_.share();
  if (!isSame || cards_.empty()) showCards(*before);
  showSheet();
  writeMargin();
  place();
}

/// Another lay-out may have other sheets.
void CutPage::showCards(const BenchWork& before) {
  const UsableLeft& usable = workspace_.stock().stock().usable;
  order_.clear();
  for (std::size_t i = 0; i < shown().sheets.size(); ++i) order_.push_back(i);
  std::stable_sort(order_.begin(), order_.end(), [&](std::size_t a, std::size_t b) {
    return momentOf(shown().sheets[a]) < momentOf(shown().sheets[b]);
  });
  findAgain(before);
  const auto parts = found_->parts();
  const SheetSource source{problem(), shown(), parts};
  while (cards_.size() > order_.size()) {
    delete cards_.back();
    cards_.pop_back();
  }
  for (std::size_t i = 0; i < order_.size(); ++i) {
    const std::size_t which = order_[i];
    if (i == cards_.size()) {
      cards_.push_back(new SheetCard(palette_, cardsSheet_));
      cards_.back()->setObjectName(QString("cut.card.%1").arg(i + 1));
      connect(cards_.back(), &QAbstractButton::clicked, this, [this, i] { look(order_[i]); });
      connect(cards_.back(), &SheetCard::carried, this,
              [this](std::size_t, const QPoint& at, const QSize& size) { carry(at, size); });
      connect(cards_.back(), &SheetCard::putDown, this,
              [this, i](std::size_t placement, const QPoint& at) { putDown(i, placement, at); });
    }
    const CutSheet& of = shown().sheets[which];
    cards_[i]->setSheet(sheetDrawing(source, which, {}, usableLeft(stockOf(of), of, usable)),
                        titleOf(of), belowOf(of), [this, which](std::size_t placement) {
                          return wordsOn(shown().sheets[which], placement);
                        });
    cards_[i]->setLit(selected_);
  }
}

/// What is looked at in another lay-out: the sheet of that stock, the piece if it lies there in the
/// same place of the list, and the setting in hand if all settings are as they were.
void CutPage::findAgain(const BenchWork& before) {
  std::size_t nth = names_.nth;
  const bool wasOpen = open_.has_value();
  open_.reset();
  for (std::size_t i = 0; wasOpen && !open_ && i < shown().sheets.size(); ++i)
    if (stockOf(shown().sheets[i]).id == names_.stock && nth-- == 0) open_ = i;
  const bool isThere = chosen_ && sheet() != nullptr && *chosen_ < sheet()->placements.size() &&
                       problem().pieces[sheet()->placements[*chosen_].piece].id == names_.piece;
  if (!isThere) chosen_.reset();
  if (!isStepping_) return;
  const auto isSame = [](const GaugeStep& a, const GaugeStep& b) {
    return a.reading == b.reading && a.moment == b.moment && a.cuts.size() == b.cuts.size();
  };
  isStepping_ = sheet() != nullptr;
  if (!isStepping_) return;
  const std::string& material = stockOf(*sheet()).material;
  const auto &then = before.stepsOf(material), &now = bench_->stepsOf(material);
  isStepping_ = std::equal(then.begin(), then.end(), now.begin(), now.end(), isSame);
}

void CutPage::remember() {
  names_ = {};
  if (sheet() == nullptr) return;
  names_.stock = stockOf(*sheet()).id;
  for (std::size_t i = 0; i < *open_; ++i)
    if (shown().sheets[i].stock == sheet()->stock) ++names_.nth;
  if (chosen_) names_.piece = problem().pieces[sheet()->placements[*chosen_].piece].id;
}

/// The sheet that is looked at, or none.
void CutPage::showSheet() {
  remember();
  const bool isOpen = sheet() != nullptr;
  view_->setVisible(isOpen);
  back_->setVisible(isOpen || showsStock_);
  stock_->setVisible(showsStock_);
  wrong_->setVisible(showsStock_);
  margin_->setVisible(!showsStock_);
  table_->setVisible(!isOpen && !showsStock_);
  if (!isOpen) return;
  const auto parts = found_->parts();
  const SheetSource source{problem(), shown(), parts};
  const auto& steps = bench_->stepsOf(stockOf(*sheet()).material);
  const SheetProgress progress{&steps, isStepping_ ? made_ : 0};
  view_->setSheet(
      sheetDrawing(source, *open_, progress,
                   usableLeft(stockOf(*sheet()), *sheet(), workspace_.stock().stock().usable)),
      [this](std::size_t placement) { return wordsOn(*sheet(), placement); });
  view_->setCut(isStepping_ ? static_cast<int>(made_) + 1 : 0);
  view_->setLit(selected_);
}

void CutPage::look(std::optional<std::size_t> which) {
  const bool hadFocus = focusWidget() != nullptr;
  open_ = which;
  showsStock_ = false;
  chosen_.reset();
  isStepping_ = false;
  made_ = 0;
  told_.clear();
  showSheet();
  writeMargin();
  place();
  if (hadFocus) setFocus();
}

void CutPage::lookAtStock(bool isShown) {
  look(std::nullopt);
  showsStock_ = isShown;
  wrong_->clear();
  if (isShown) stock_->renew();
  showSheet();
  writeMargin();
  place();
}

void CutPage::keepTyped() {
  if (showsStock_) stock_->keepTyped();
}

Subject CutPage::closerLook() const {
  if (showsStock_) return Subject::field("stock");
  return open_ ? Subject::field("sheet/" + std::to_string(*open_ + 1)) : Subject();
}

/// A piece, or "sheet/1".
void CutPage::select(const Subject& subject) {
  if (subject.kind == Subject::Kind::JobField && subject.id.rfind("sheet/", 0) == 0) {
    const std::size_t number = std::strtoul(subject.id.c_str() + 6, nullptr, 10);
    if (number >= 1 && number <= shown().sheets.size()) look(number - 1);
    return;
  }
  if (subject.kind == Subject::Kind::JobField && subject.id == "stock") return lookAtStock(true);
  selected_ = subject.kind == Subject::Kind::Part ? subject : Subject();
  if (sheet() != nullptr && chosen_ &&
      !selected_.isPart(problem().pieces[sheet()->placements[*chosen_].piece].id))
    chosen_.reset();
  for (SheetCard* card : cards_) card->setLit(selected_);
  view_->setLit(selected_);
  writeMargin();
  emit selectionChanged(selected_);
}

void CutPage::choose(std::optional<std::size_t> placement) {
  told_.clear();
  chosen_ = placement;
  remember();
  setFocus();
  select(placement ? Subject::part(problem().pieces[sheet()->placements[*placement].piece].id)
                   : Subject());
}

void CutPage::takeStep(std::size_t made) {
  if (sheet() == nullptr) return;
  isStepping_ = true;
  made_ = std::min(made, bench_->stepsOf(stockOf(*sheet()).material).size());
  showSheet();
  writeMargin();
}

void CutPage::setNotesFolded(bool folded) {
  isFolded_ = folded;
  place();
}

void CutPage::resizeEvent(QResizeEvent*) { place(); }

void CutPage::showEvent(QShowEvent*) {
  workspace_.stock().reload();
  desk_.setWatched(true);
  if (isStale_) renew();
  place();
}

void CutPage::hideEvent(QHideEvent*) { desk_.setWatched(false); }

void CutPage::place() {
  const int margin = static_cast<int>((isFolded_ ? kNarrowMarginEm : kMarginEm) * em());
  const QRect left(0, 0, width() - margin, height());
  margin_->setGeometry(mirrored(*this, {width() - margin, 0, margin, height()}));
  const QSize back = back_->sizeHint();
  back_->setGeometry(mirrored(*this, {kEdge, 10, back.width(), back.height()}));
  view_->setGeometry(
      mirrored(*this, left.adjusted(0, sheet() != nullptr ? back.height() + 14 : 0, 0, 0)));
  table_->setGeometry(mirrored(*this, left));
  stock_->setGeometry(
      mirrored(*this, {0, back.height() + 14, width(), height() - back.height() - 14}));
  wrong_->setGeometry(mirrored(*this, {kEdge + back.width() + 24, 10,
                                       width() - 2 * kEdge - back.width() - 24, back.height()}));
  placeCards();
}

/// At which it is as wide as there is room.
double CutPage::widestScale(const SheetCard& card) const {
  return std::max(1.0, table_->width() - 4.0 * kEdge) / card.sheetSize().width();
}

/// At the largest scale at which all can be seen at once, as far as they can still be read; else at
/// the largest at which one turn does.
void CutPage::placeCards() {
  double largest = kLargest;
  for (const SheetCard* card : cards_)
    if (!card->isLying()) largest = std::min(largest, widestScale(*card));
  double scale = largest;
  const auto shrink = [&](double least, int most) {
    while (scale > least && rowsAt(scale).height > most) scale *= 0.94;
  };
  shrink(kRoomy, table_->height());
  if (rowsAt(scale).height > table_->height()) {
    scale = largest;
    shrink(kLeast, 2 * table_->height());
    if (rowsAt(scale).height > 2 * table_->height())
      scale = std::min(largest, kRoomy * fontScale());
  }
  const Rows rows = rowsAt(scale);
  cardsSheet_->resize(table_->width(), std::max(rows.height, table_->height()));
  for (std::size_t i = 0; i < cards_.size(); ++i) {
    cards_[i]->setScale(rows.scales[i]);
    cards_[i]->setGeometry(mirrored(*cardsSheet_, rows.cards[i]));
    cards_[i]->show();
  }
  for (QLabel* caption : captions_) caption->hide();
  while (captions_.size() < rows.captions.size())
    captions_.push_back(inkLabel({}, 13, palette_.secondInk, cardsSheet_, true));
  for (std::size_t i = 0; i < rows.captions.size(); ++i) {
    const auto& [moment, place] = rows.captions[i];
    captions_[i]->setText(
        QString::fromStdString(momentTitle(static_cast<CutWhen>(moment), [](const char* english) {
          return QCoreApplication::translate("Moment", english).toStdString();
        })));
    captions_[i]->adjustSize();
    captions_[i]->setGeometry(
        mirrored(*cardsSheet_, {place.x(), place.y(), captions_[i]->width(), captionHeight()}));
    captions_[i]->show();
  }
}

int CutPage::captionHeight() { return QFontMetrics(textFont(13, true)).height() + 6; }

/// By the moment of their first cut; a moment goes on in the row where it has room.
CutPage::Rows CutPage::rowsAt(double scale) const {
  const int room = table_->width() - 2 * kEdge, caption = captionHeight();
  Rows rows;
  int x = kEdge, y = 12, row = 0, moment = -1;
  for (std::size_t i = 0; i < cards_.size(); ++i) {
    // A long roll has a scale of its own.
    rows.scales.push_back(cards_[i]->isLying() ? std::min(scale, widestScale(*cards_[i])) : scale);
    QSize size = cards_[i]->sizeAt(rows.scales.back());
    size.setWidth(std::min(size.width(), room));
    const int of = momentOf(shown().sheets[order_[i]]);
    const bool isNew = of != moment;
    const int wide = isNew ? std::max(size.width(), caption * 6) : size.width();
    if (moment >= 0 && x + wide > kEdge + room) {
      x = kEdge;
      y += row + kBetween / 2;
      row = 0;
    }
    if (isNew) rows.captions.emplace_back(of, QPoint(x + 6, y));
    moment = of;
    rows.cards.emplace_back(QPoint(x, y + caption), size);
    x += wide + kBetween;
    row = std::max(row, caption + size.height());
  }
  rows.height = y + row + 12;
  return rows;
}

void CutPage::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.ground);
}

void CutPage::keyPressEvent(QKeyEvent* event) {
  const auto& sheets = order_;
  const auto at = open_ ? std::find(sheets.begin(), sheets.end(), *open_) : sheets.end();
  switch (event->key()) {
    case Qt::Key_Escape:
      if (chosen_) return choose(std::nullopt);
      if (isStepping_) {
        isStepping_ = false;
        showSheet();
        return writeMargin();
      }
      if (open_ || showsStock_) return look(std::nullopt);
      break;
    case Qt::Key_Right:
    case Qt::Key_Left: {
      if (sheets.empty()) break;
      const bool isOn = (event->key() == Qt::Key_Right) != isRightToLeft();
      if (at == sheets.end()) return look(isOn ? sheets.front() : sheets.back());
      if (isOn && at + 1 != sheets.end()) return look(*(at + 1));
      if (!isOn && at != sheets.begin()) return look(*(at - 1));
      return;
    }
    case Qt::Key_Down:
    case Qt::Key_Up: {
      if (sheet() == nullptr) break;
      // To the next setting that this sheet is cut at.
      const auto& steps = bench_->stepsOf(stockOf(*sheet()).material);
      const auto isHere = [&](std::size_t i) {
        return std::any_of(steps[i].cuts.begin(), steps[i].cuts.end(),
                           [&](const OrderedCut& cut) { return cut.sheet == *open_; });
      };
      if (event->key() == Qt::Key_Down) {
        std::size_t next = isStepping_ ? made_ + 1 : 0;
        while (next < steps.size() && !isHere(next)) ++next;
        if (!isStepping_ || made_ < steps.size()) takeStep(next);
      } else if (isStepping_) {
        std::size_t next = made_;
        while (next > 0 && !isHere(next - 1)) --next;
        if (next > 0) takeStep(next - 1);
      }
      return;
    }
    case Qt::Key_P:
      if (chosen_) return pinOf(*sheet(), sheet()->placements[*chosen_]) ? letGo() : pinChosen();
      break;
    case Qt::Key_T:
      if (chosen_) return turnChosen();
      break;
    default:
      break;
  }
  StagePage::keyPressEvent(event);
}

void CutPage::typeAndKeep(const std::string&, const QString& text) {
  for (const QString& word : text.split(',')) {
    const unsigned long number = word.section('/', 1).toULong();  // 0: none
    if (word.startsWith("step/")) {
      if (number > 0) takeStep(number - 1);
    } else if (word.startsWith("piece/")) {
      if (number > 0 && sheet() != nullptr && number <= sheet()->placements.size())
        choose(number - 1);
    } else if (auto* button = findChild<QAbstractButton*>(word))
      button->click();
    desk_.settle();
  }
}

}  // namespace drapery
