#include "app/slip_tray.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPainter>
#include <QScrollBar>
#include <QWheelEvent>
#include <algorithm>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "core/drawing/piece_shapes.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"
#include "paint/set_words.h"
#include "words/cut_moments.h"
#include "words/plan_text.h"

namespace drapery {

namespace {

constexpr double kName = 14.5;
constexpr double kFigures = 17.0;
constexpr double kBelow = 12.5;
constexpr double kCompact = 0.82;         // lettering where there is less room
constexpr double kLeastForPieces = 0.22;  // of the tray's width
constexpr double kLeastScale = 0.05;      // pixels to the mm
constexpr int kGap = 12;                  // between a piece and its lettering
constexpr int kBetween = 28;              // between slips
constexpr int kBeside = 4;                // left of a piece, for its line
constexpr int kEdge = 18;
constexpr int kTop = 6;
constexpr std::size_t kMostOpen = 8;  // pieces; more fold by the moment of cutting
constexpr int kBar = kThinBar;        // where the pieces need more room than the tray has

int heightOf(const QFont& font) { return QFontMetrics(font).height(); }
int widthOf(const QFont& font, const QString& text) { return wordsWidth(font, text); }
int letteringHeight(double size) {
  return heightOf(textFont(size * kName, true)) + heightOf(textFont(size * kFigures, true)) +
         heightOf(textFont(size * kBelow));
}

}  // namespace

Slip::Slip(QString partId, const Palette& palette, QWidget* parent)
    : QAbstractButton(parent), palette_(palette), partId_(std::move(partId)) {
  setObjectName("slip." + partId_);
  setCheckable(true);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  makeEntry();
}

/// Typed on the slip's last line, as a binder notes on the piece what it really came to.
void Slip::makeEntry() {
  entry_ = new QLineEdit(this);
  entry_->setObjectName("ascut." + partId_);
  entry_->setAccessibleName(tr("as cut, width × height"));
  entry_->setPlaceholderText(tr("as cut: width × height"));
  dressEntry(entry_, palette_, palette_.accent, palette_.accent);
  entry_->installEventFilter(this);
  entry_->hide();
  connect(entry_, &QLineEdit::textEdited, this, [this](const QString& text) {
    isTyping_ = true;
    emit asCutTyped(text);
  });
  connect(this, &QAbstractButton::toggled, this, [this](bool isChecked) {
    entry_->setVisible(isChecked);
    updateGeometry();
  });
}

void Slip::setAsCut(const QString& words) {
  asCut_ = words;
  if (!isTyping_ && entry_->text() != words) entry_->setText(words);
}

void Slip::keepTyped() {
  if (isTyping_) emit asCutKept(entry_->text());
}

void Slip::stopTyping() {
  isTyping_ = false;
  entry_->setText(asCut_);
}

bool Slip::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::FocusOut && isTyping_) {
    const auto reason = static_cast<QFocusEvent*>(event)->reason();
    if (reason != Qt::PopupFocusReason && reason != Qt::ActiveWindowFocusReason) keepTyped();
  }
  if (event->type() != QEvent::KeyPress) return QAbstractButton::eventFilter(watched, event);
  const int key = static_cast<QKeyEvent*>(event)->key();
  if (key == Qt::Key_Return || key == Qt::Key_Enter) {
    keepTyped();
    return true;
  }
  if (key == Qt::Key_Escape) {
    stopTyping();
    emit asCutLeft();
    setFocus();
    return true;
  }
  return QAbstractButton::eventFilter(watched, event);
}

void Slip::setPart(const PlannedPart& part, const Plan& plan) {
  const PartRule& rule = *part.rule;
  const QStringList before{name_, figures_, below_};
  name_ = localText(rule.title);
  const int count = part.count * plan.copies;
  if (count > 1) name_ = QString("%1 × %2").arg(count).arg(name_);
  figures_ = QString::fromStdString(sizeWords(part.cutWidth, part.cutHeight, windowNotation(plan)));
  const QString grain = rule.grain == Grain::Height  ? tr("grain head to tail")
                        : rule.grain == Grain::Width ? tr("grain across")
                                                     : QString();
  below_ = QString::fromStdString(part.material) + (grain.isEmpty() ? "" : ", " + grain);
  if (plan.isThere(part)) below_ = tr("as it was cut");
  drawing_ = pieceDrawing(part);
  if (before == QStringList{name_, figures_, below_}) return update();
  setAccessibleName(name_ + ", " + figures_ + ", " + below_);
  lettering_ = std::max(
      {widthOf(textFont(kName, true), name_), widthOf(textFont(kFigures, true), figures_),
       widthOf(textFont(kBelow), below_), widthOf(textFont(kBelow), entry_->placeholderText())});
  update();
}

void Slip::setScale(double pixelsPerMm) {
  scale_ = pixelsPerMm;
  updateGeometry();
  update();
}

QSizeF Slip::pieceSize() const {
  const Box box = boundsOf(drawing_);
  return {box.width(), box.height()};
}

QSize Slip::sizeHint() const {
  const int piece = static_cast<int>(shownSize().width());
  const int high = static_cast<int>(shownSize().height());
  return {piece + kGap + static_cast<int>(size_ * lettering_) + 12,
          std::max(high, letteringHeight(size_)) + 8};
}

/// Name, figures, and what it is made of: 0, 1, 2.
QRect Slip::lineRect(int line) const {
  const QFont fonts[]{textFont(size_ * kName, true), textFont(size_ * kFigures, true),
                      textFont(size_ * kBelow)};
  int top = (height() - letteringHeight(size_)) / 2;
  for (int i = 0; i < line; ++i) top += heightOf(fonts[i]);
  const int left = kBeside + static_cast<int>(shownSize().width()) + kGap;
  return mirrored(*this, {left, top, width() - left, heightOf(fonts[line])});
}

void Slip::resizeEvent(QResizeEvent*) {
  entry_->setFont(textFont(size_ * kBelow));
  entry_->setGeometry(lineRect(2).adjusted(-2, 0, 0, 0));
}

void Slip::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (isChecked() || hasFocus()) painter.fillRect(rect(), palette_.onAccent);
  const QSizeF piece = shownSize();
  QRectF room(QPointF(kBeside, (height() - piece.height()) / 2), piece);
  if (isRightToLeft()) room.moveRight(width() - kBeside);
  PaintStyle style;
  style.palette = &palette_;
  if (isChecked()) style.lit = Subject::part(partId_.toStdString());
  painter.setClipRect(rect());
  paintDrawing(painter, drawing_, fitted(boundsOf(drawing_), room), style);

  const auto line = [&](int which, const QFont& font, const QColor& colour, const QString& text) {
    painter.setFont(font);
    painter.setPen(colour);
    paintWords(painter, lineRect(which), Qt::AlignLeft | Qt::AlignVCenter, text);
  };
  line(0, textFont(size_ * kName, true), palette_.ink, name_);
  line(1, textFont(size_ * kFigures, true), palette_.ink, figures_);
  if (entry_->isHidden()) line(2, textFont(size_ * kBelow), palette_.secondInk, below_);
}

SlipTray::SlipTray(const Palette& palette, QWidget* parent)
    : QWidget(parent), palette_(palette), window_(new QScrollArea(this)), pieces_(new QWidget) {
  setObjectName("slips");
  setFixedHeight(std::max(124, 2 * (letteringHeight(kCompact) + kTop) + 2 * kTop + kBar));
  window_->setFrameShape(QFrame::NoFrame);
  window_->setFocusPolicy(Qt::NoFocus);
  window_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  window_->viewport()->setAutoFillBackground(false);
  thin(window_->horizontalScrollBar(), palette_);
  window_->setWidget(pieces_);
  pieces_->setAutoFillBackground(false);
}

void SlipTray::setPlan(const Plan& plan, const AsCutWords& asCut) {
  lying_.clear();  // some go now
  while (slips_.size() > plan.parts.size()) {
    delete slips_.back();
    slips_.pop_back();
  }
  for (std::size_t i = 0; i < plan.parts.size(); ++i) {
    const QString id = QString::fromStdString(plan.parts[i].rule->id);
    if (i == slips_.size()) slips_.push_back(nullptr);
    if (slips_[i] == nullptr || slips_[i]->partId() != id) replaceSlip(i, id);
    slips_[i]->setPart(plan.parts[i], plan);
    slips_[i]->setAsCut(asCut(plan.parts[i].rule->id));
  }
  isStopped_ = plan.has(Severity::Stop);
  fold(plan);
  update();
}

void SlipTray::replaceSlip(std::size_t i, const QString& id) {
  delete slips_[i];
  auto* slip = new Slip(id, palette_, pieces_);
  connect(slip, &QAbstractButton::clicked, this,
          [this, slip] { emit selected(Subject::part(slip->partId().toStdString())); });
  connect(slip, &Slip::asCutTyped, this,
          [this, id](const QString& text) { emit asCutTyped(id, text); });
  connect(slip, &Slip::asCutKept, this,
          [this, id](const QString& text) { emit asCutKept(id, text); });
  connect(slip, &Slip::asCutLeft, this, &SlipTray::asCutLeft);
  slip->setChecked(selected_.isPart(id.toStdString()));
  slip->show();
  slips_[i] = slip;
}

void SlipTray::setSelected(const Subject& subject) {
  selected_ = subject;
  for (Slip* slip : slips_) slip->setChecked(subject.isPart(slip->partId().toStdString()));
  for (std::size_t i = 0; i < folds_; ++i)
    for (const QString& part : moments_[i].parts)
      if (subject.isPart(part.toStdString()) && i != opened_) return open(i);
}

/// A line of moments over the pieces of the one that is open.
void SlipTray::fold(const Plan& plan) {
  const bool wasFolded = folds_ > 0;
  folds_ = 0;
  if (slips_.size() > kMostOpen) {
    for (const CutGroup& group : cutGroups(plan, windowNotation(plan), [](const char* english) {
           return QCoreApplication::translate("Moment", english).toStdString();
         })) {
      if (folds_ == moments_.size()) {
        const std::size_t number = moments_.size();
        moments_.push_back({new InkButton({}, palette_, this), {}});
        moments_.back().button->setObjectName(QString("slips.moment.%1").arg(number));
        moments_.back().button->setCheckable(true);
        connect(moments_.back().button, &QAbstractButton::clicked, this,
                [this, number] { open(number); });
      }
      Moment& moment = moments_[folds_++];
      moment.parts.clear();
      for (const PlannedPart* part : group.pieces)
        moment.parts << QString::fromStdString(part->rule->id);
      moment.button->setText(QString::fromStdString(group.title));
      moment.button->setAccessibleName(
          tr("%1, %2 kinds of piece").arg(moment.button->text()).arg(group.pieces.size()));
    }
  }
  for (std::size_t i = 0; i < moments_.size(); ++i) moments_[i].button->setVisible(i < folds_);
  open(wasFolded && opened_ < folds_ ? opened_ : fullest());
}

/// The moment at which most is cut.
std::size_t SlipTray::fullest() const {
  std::size_t most = 0;
  for (std::size_t i = 1; i < folds_; ++i)
    if (moments_[i].parts.size() > moments_[most].parts.size()) most = i;
  return most;
}

int SlipTray::momentsHeight() const { return moments_[0].button->sizeHint().height() + 4; }

void SlipTray::open(std::size_t moment) {
  opened_ = moment;
  lying_.clear();
  for (Slip* slip : slips_) {
    const bool lies = folds_ == 0 || moments_[opened_].parts.contains(slip->partId());
    slip->setVisible(lies);
    if (lies) lying_.push_back(slip);
  }
  for (std::size_t i = 0; i < folds_; ++i) moments_[i].button->setChecked(i == opened_);
  layOut();
}

void SlipTray::placeMoments() {
  // Where there is little room they stand closer, and at last without their counts.
  const auto wide = [&](int between) {
    int width = 2 * kEdge - between;
    for (std::size_t i = 0; i < folds_; ++i)
      width += moments_[i].button->sizeHint().width() + between;
    return width;
  };
  for (std::size_t i = 0; i < folds_; ++i)
    moments_[i].button->setHint(QString::number(moments_[i].parts.size()));
  const int between = wide(kBetween) <= width() ? kBetween : kBetween / 2;
  if (wide(between) > width())
    for (std::size_t i = 0; i < folds_; ++i) moments_[i].button->setHint({});
  int x = kEdge;
  for (std::size_t i = 0; i < folds_; ++i) {
    const QSize size = moments_[i].button->sizeHint();
    moments_[i].button->setGeometry(mirrored(*this, {x, 4, size.width(), size.height()}));
    x += size.width() + between;
  }
}

void SlipTray::tell(const QString& message) {
  if (message_ == message) return;
  message_ = message;
  update();
}

void SlipTray::keepTyped() {
  for (Slip* slip : slips_) slip->keepTyped();
}

void SlipTray::stopTyping() {
  for (Slip* slip : slips_) slip->stopTyping();
}

std::size_t SlipTray::columnsOf(const Lay& lay) const {
  const auto rows = static_cast<std::size_t>(lay.rows);
  return (lying_.size() + rows - 1) / rows;
}

std::vector<Slip*> SlipTray::column(const Lay& lay, std::size_t which) const {
  std::vector<Slip*> found;
  for (std::size_t i = which; i < lying_.size(); i += columnsOf(lay)) found.push_back(lying_[i]);
  return found;
}

double SlipTray::letteringWidth(const Lay& lay) const {
  const std::size_t columns = columnsOf(lay);
  double width = 2 * kEdge + kBetween * static_cast<double>(columns - 1);
  for (std::size_t i = 0; i < columns; ++i) {
    int widest = 0;
    for (const Slip* slip : column(lay, i)) widest = std::max(widest, slip->letteringWidth());
    width += lay.lettering * widest + kGap + 12;
  }
  return width;
}

/// One scale for all: as large as the tray's height and width allow.
void SlipTray::layOut() {
  placeMoments();
  const int top = folds_ > 0 ? momentsHeight() : 1;
  window_->setGeometry(0, top, width(), height() - top);
  window_->setVisible(!lying_.empty());
  if (lying_.empty()) return;
  Lay lay;
  for (const Lay& next : {Lay{1, 1.0}, Lay{1, kCompact}, Lay{2, kCompact}}) {
    if (next.rows > 1 && folds_ > 0) break;  // the moments have the room of a row
    lay = next;
    if (width() - letteringWidth(lay) >= kLeastForPieces * width()) break;
  }
  // The pieces that are folded away have the same scale.
  double widths = 0.0, highest = 1.0;
  for (const Slip* slip : slips_) highest = std::max(highest, slip->pieceSize().height());
  for (std::size_t i = 0; i < columnsOf(lay); ++i) {
    double widest = 0.0;
    for (const Slip* slip : column(lay, i)) {
      widest = std::max(widest, slip->pieceSize().width());
    }
    widths += widest;
  }
  const int rowHeight = (height() - top - 2 * kTop - (lay.rows > 1 ? kBar : 0)) / lay.rows;
  const double room = width() - letteringWidth(lay);
  // What is too wide is reached by moving the tray; what is too high could not be seen at all.
  const double byHeight = (rowHeight - (lay.rows == 1 ? 16 : 6)) / highest;
  const double scale = std::min(byHeight, std::max(kLeastScale, room / widths));
  int x = kEdge;
  for (std::size_t i = 0; i < columnsOf(lay); ++i) {
    int y = kTop, widest = 0;
    for (Slip* slip : column(lay, i)) {
      slip->setLetteringSize(lay.lettering);
      slip->setScale(scale);
      const int wide = slip->sizeHint().width();
      slip->setGeometry(x, y, wide, rowHeight);
      widest = std::max(widest, wide);
      y += rowHeight;
    }
    x += widest + kBetween;
  }
  pieces_->resize(x - kBetween + kEdge, height() - top - kBar);
  for (Slip* slip : lying_) slip->setGeometry(mirrored(*pieces_, slip->geometry()));
}

void SlipTray::wheelEvent(QWheelEvent* event) {
  QScrollBar* bar = window_->horizontalScrollBar();
  bar->setValue(bar->value() - event->angleDelta().y() - event->angleDelta().x());
  event->accept();
}

void SlipTray::resizeEvent(QResizeEvent*) { layOut(); }

void SlipTray::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.paper);
  painter.setPen(palette_.hairline);
  painter.drawLine(0, 0, width(), 0);
  painter.setFont(textFont(14));
  const QString told = !message_.isEmpty() ? message_ : isStopped_ ? tr("not to be cut yet") : "";
  if (!told.isEmpty()) {
    painter.setPen(palette_.stop);
    paintWords(painter, rect().adjusted(0, 4, -kEdge, 0), Qt::AlignRight | Qt::AlignTop,
               severityMark(Severity::Stop) + "  " + told);
  }
  if (!slips_.empty()) return;
  painter.setPen(palette_.secondInk);
  paintWords(painter, rect().adjusted(kEdge, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter,
             tr("The pieces will lie here once all that it needs is measured."));
}

}  // namespace drapery
