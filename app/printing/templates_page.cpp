#include "app/printing/templates_page.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/margin_column.h"
#include "app/printing/print_sheet_view.h"
#include "app/printing/screen_card.h"
#include "app/workspace/shop_room.h"
#include "app/workspace/workspace.h"
#include "exchange/print_page.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kMarginEm = 24.0, kNarrowMarginEm = 19.0;
constexpr int kEdge = 16, kBetween = 14;
constexpr double kLargest = 2.2, kLeast = 0.5;  // pixels to the mm, of sheets among others

}  // namespace

TemplatesPage::TemplatesPage(Workspace& workspace, const Palette& palette, QWidget* parent)
    : StagePage(parent),
      workspace_(workspace),
      book_(workspace.book()),
      palette_(palette),
      margin_(new MarginColumn("templates.margin", palette, this)),
      table_(new QScrollArea(this)),
      sheetsGround_(new QWidget),
      large_(new QScrollArea(this)),
      open_(new PrintSheetView(palette, nullptr)),
      card_(new ScreenCard(palette, this)),
      back_(new InkButton(tr("all sheets"), palette, this)) {
  setObjectName("templates");
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Templates as they will be printed"));
  plainArea(*table_, palette_, sheetsGround_);
  plainArea(*large_, palette_, open_);
  open_->setObjectName("templates.sheet");
  large_->setAlignment(Qt::AlignCenter);
  table_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  back_->setObjectName("templates.all");
  back_->setHint(tr("Esc"));
  connect(back_, &QAbstractButton::clicked, this, [this] { look(std::nullopt); });
  connect(open_, &PrintSheetView::pressed, this, [this](int thing) {
    choose(thing < 0 ? std::string() : print_->things[static_cast<std::size_t>(thing)].id);
  });
  connect(card_, &ScreenCard::measured, this, [this](double perMm) {
    workspace_.settings().set("screen_dots_per_mm", perMm * devicePixelRatioF());
    showSheet();
    writeMargin();
  });
  const auto stale = [this] {
    isStale_ = true;
    if (isVisible()) renew();
  };
  connect(&book_, &Document::planChanged, this, stale);
  connect(&book_, &Document::jobChanged, this, stale);
  connect(&workspace_.shop(), &ShopRoom::changed, this, stale);
}

Paper TemplatesPage::paper() const {
  const std::string& kept = workspace_.settings().text("paper");
  if (kept == "roll")
    return *paperNamed("roll:" +
                       std::to_string(static_cast<int>(workspace_.settings().number("roll_mm"))));
  if (!kept.empty()) return *paperNamed(kept);
  return *paperNamed(book_.plan().units == Units::Inches ? "letter" : "a4");
}

PrinterError TemplatesPage::error() const {
  return workspace_.shop().shop().errorOf(workspace_.settings().text("printer"));
}

const TrueSize* TemplatesPage::chosen() const {
  for (const TrueSize& each : all_)
    if (each.id == thing_) return &each;
  return nullptr;
}

PrintChoice TemplatesPage::printedNow() const {
  PrintChoice choice;
  for (const TrueSize& each : all_) {
    if (!alone_.empty()) {
      if (each.id == alone_) choice.ids.push_back(each.id);
      continue;
    }
    const bool isUsual = each.part == nullptr || each.isSticker;
    const std::string key = each.isSticker ? "labels" : each.id;
    if (isUsual != (turned_.count(key) > 0)) choice.ids.push_back(each.id);
  }
  return choice;
}

void TemplatesPage::renew() {
  isStale_ = false;
  all_.clear();
  print_.reset();
  why_.reset();
  plan_ = std::make_shared<const Plan>(book_.plan());
  if (book_.missing().empty()) {
    all_ = trueSizes(*plan_);
    const bool isThere = std::any_of(all_.begin(), all_.end(),
                                     [&](const TrueSize& each) { return each.id == alone_; });
    if (!isThere) alone_.clear();
    const PrintChoice choice = printedNow();
    if (choice.ids.empty()) {
      why_ = Issue{"print-nothing", {{"name", tr("template").toStdString()}}, {}, {}, {}};
    } else {
      auto made = makePrintJob(book_.job(), plan_, choice, paper(),
                               {workspace_.settings().text("printer"), error()});
      if (auto* issue = std::get_if<Issue>(&made))
        why_ = std::move(*issue);
      else
        print_ = std::make_shared<const PrintJob>(std::move(std::get<PrintJob>(made)));
    }
  }
  if (chosen() == nullptr) thing_.clear();
  const std::size_t count = print_ ? print_->sheets.size() : 0;
  if (openSheet_ && *openSheet_ >= count) openSheet_.reset();
  while (sheets_.size() > count) {
    delete sheets_.back();
    sheets_.pop_back();
  }
  for (std::size_t i = 0; i < count; ++i) {
    if (i == sheets_.size()) {
      sheets_.push_back(new PrintSheetView(palette_, sheetsGround_));
      sheets_.back()->setObjectName(QString("templates.sheet.%1").arg(i + 1));
      connect(sheets_.back(), &PrintSheetView::pressed, this, [this, i](int) { look(i); });
    }
    sheets_[i]->setSheet(print_, i);
    sheets_[i]->setLit(thing_);
  }
  showSheet();
  writeMargin();
  place();
}

void TemplatesPage::showSheet() {
  const bool isOpen = openSheet_.has_value();
  table_->setVisible(!isOpen && !showsCard_);
  large_->setVisible(isOpen && !showsCard_);
  card_->setVisible(showsCard_);
  back_->setVisible(isOpen || showsCard_);
  const double measured = workspace_.settings().number("screen_dots_per_mm") / devicePixelRatioF();
  if (showsCard_) card_->setScale(measured);
  if (!isOpen || !print_) return;
  open_->setSheet(print_, *openSheet_);
  open_->setLit(thing_);
  const QSizeF paper = open_->paper();
  const double fit = std::min((large_->width() - 2 * kEdge) / paper.width(),
                              (large_->height() - kEdge) / paper.height());
  open_->setScale(isTrueSize_ && measured > 0.0 ? measured : std::max(0.2, fit));
}

void TemplatesPage::look(std::optional<std::size_t> sheet) {
  const bool hadFocus = focusWidget() != nullptr;
  openSheet_ = sheet;
  showsCard_ = false;
  isTrueSize_ = isTrueSize_ && sheet.has_value();
  place();
  writeMargin();
  if (hadFocus) setFocus();
}

void TemplatesPage::lookAtCard(bool isShown) {
  showsCard_ = isShown;
  place();
  writeMargin();
  if (isShown) card_->setFocus();
}

void TemplatesPage::setTrueSize(bool isTrue) {
  isTrueSize_ = isTrue;
  if (isTrue && !openSheet_ && print_) openSheet_ = 0;
  if (isTrue && workspace_.settings().number("screen_dots_per_mm") <= 0.0) showsCard_ = true;
  place();
  writeMargin();
}

void TemplatesPage::choose(const std::string& thing) {
  thing_ = thing;
  told_.clear();
  const TrueSize* of = chosen();
  selected_ = of != nullptr && of->part != nullptr ? Subject::part(of->part->rule->id) : Subject();
  for (PrintSheetView* sheet : sheets_) sheet->setLit(thing_);
  open_->setLit(thing_);
  writeMargin();
  emit selectionChanged(selected_);
}

void TemplatesPage::select(const Subject& subject) {
  if (isStale_) renew();
  const std::string& id = subject.id;
  if (subject.kind == Subject::Kind::Part) return choose("piece/" + id);
  if (subject.kind != Subject::Kind::JobField) return choose({});
  if (id == "card") return lookAtCard(true);
  if (id.rfind("sheet/", 0) == 0) {
    const std::size_t number = std::strtoul(id.c_str() + 6, nullptr, 10);
    if (print_ && number >= 1 && number <= print_->sheets.size()) look(number - 1);
    return;
  }
  choose(id);
}

Subject TemplatesPage::closerLook() const {
  if (showsCard_) return Subject::field("card");
  return openSheet_ ? Subject::field("sheet/" + std::to_string(*openSheet_ + 1)) : Subject();
}

void TemplatesPage::setNotesFolded(bool folded) {
  isFolded_ = folded;
  place();
}

void TemplatesPage::resizeEvent(QResizeEvent*) { place(); }

void TemplatesPage::showEvent(QShowEvent*) {
  if (isStale_) renew();
  place();
}

void TemplatesPage::place() {
  const int margin = static_cast<int>((isFolded_ ? kNarrowMarginEm : kMarginEm) * em());
  margin_->setGeometry(mirrored(*this, {width() - margin, 0, margin, height()}));
  const QSize back = back_->sizeHint();
  back_->setGeometry(mirrored(*this, {kEdge, 10, back.width(), back.height()}));
  const QRect left(0, 0, width() - margin, height());
  table_->setGeometry(mirrored(*this, left));
  const QRect under = left.adjusted(0, back.height() + 14, 0, 0);
  large_->setGeometry(mirrored(*this, under));
  card_->setGeometry(mirrored(*this, under));
  showSheet();
  placeSheets();
}

/// All at one scale, the largest at which they can be seen at once, as far as they can be told
/// apart.
void TemplatesPage::placeSheets() {
  const int room = table_->width() - 2 * kEdge;
  const auto layAt = [&](double scale, bool isReal) {
    int x = kEdge, y = 12, row = 0;
    for (PrintSheetView* sheet : sheets_) {
      const double whole = room / sheet->paper().width();
      const double own = std::min(scale, whole);
      const QSize size = (sheet->paper() * own).toSize() + QSize(6, 6);
      if (x > kEdge && x + size.width() > kEdge + room) {
        x = kEdge;
        y += row + kBetween;
        row = 0;
      }
      if (isReal) {
        sheet->setScale(own);
        sheet->move(mirrored(*sheetsGround_, {x, y, sheet->width(), sheet->height()}).topLeft());
        sheet->show();
      }
      x += size.width() + kBetween;
      row = std::max(row, size.height());
    }
    return y + row + 12;
  };
  double scale = kLargest;
  while (scale > kLeast && layAt(scale, false) > table_->height()) scale *= 0.96;
  sheetsGround_->resize(table_->width(), std::max(layAt(scale, false), table_->height()));
  layAt(scale, true);
}

void TemplatesPage::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.ground);
}

void TemplatesPage::keyPressEvent(QKeyEvent* event) {
  const std::size_t count = print_ ? print_->sheets.size() : 0;
  switch (event->key()) {
    case Qt::Key_Escape:
      if (!thing_.empty()) return choose({});
      if (openSheet_ || showsCard_) return look(std::nullopt);
      break;
    case Qt::Key_Right:
    case Qt::Key_Left: {
      if (count == 0) break;
      const bool isOn = (event->key() == Qt::Key_Right) != isRightToLeft();
      if (!openSheet_) return look(isOn ? 0 : count - 1);
      if (isOn && *openSheet_ + 1 < count) return look(*openSheet_ + 1);
      if (!isOn && *openSheet_ > 0) return look(*openSheet_ - 1);
      return;
    }
    default:
      break;
  }
  StagePage::keyPressEvent(event);
}

void TemplatesPage::typeAndKeep(const std::string&, const QString& text) {
  for (const QString& word : text.split(','))
    if (auto* button = findChild<QAbstractButton*>(word)) button->click();
}

}  // namespace drapery
