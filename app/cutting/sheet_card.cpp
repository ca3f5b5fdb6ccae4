#include "app/cutting/sheet_card.h"

#include <QApplication>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <utility>

#include "app/cutting/piece_tip.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {
constexpr double kTitle = 13.5;
constexpr double kBelow = 12.5;
constexpr int kEdge = 6;
constexpr int kLeastWidthEm = 17;
/// At smaller scales lines are finer, so that strips do not run together.
constexpr double kFullLines = 0.3;  // pixels to the mm
constexpr double kFinestLines = 0.35;
/// "6 × Grey bo…, 700 × 1000 mm": the size at its end stays whole.
QString shortenedBeforeSize(const QFont& font, const QString& title, int width) {
  const qsizetype end = title.lastIndexOf(", ");
  if (end < 0 || wordsWidth(font, title) <= width) return shortened(font, title, width);
  const QString size = title.mid(end);
  const QString name = shortened(font, title.left(end), width - wordsWidth(font, size));
  return shortened(font, name + size, width);  // the end of a name may be no size
}

}  // namespace

SheetCard::SheetCard(const Palette& palette, QWidget* parent)
    : QAbstractButton(parent), palette_(palette) {
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setAttribute(Qt::WA_Hover);
}

void SheetCard::setSheet(SheetDrawing drawing, QString title, QStringList below,
                         std::function<SheetWords(std::size_t)> words) {
  drawing_ = std::move(drawing);
  bounds_ = boundsOf(drawing_.drawing);
  if (title != title_ || below != below_) words_.reset();
  title_ = std::move(title);
  below_ = std::move(below);
  wordsOn_ = std::move(words);
  held_.reset();
  setAccessibleName(title_ + ", " + below_.first());
  updateGeometry();
  update();
}

void SheetCard::setLit(const Subject& subject) {
  if (lit_ == subject) return;
  lit_ = subject;
  update();
}

void SheetCard::setScale(double scale) {
  if (scale_ == scale) return;
  scale_ = scale;
  updateGeometry();
  update();
}

QSizeF SheetCard::sheetSize() const { return {bounds_.width(), bounds_.height()}; }

int SheetCard::lettering() const {
  return QFontMetrics(textFont(kTitle, true)).height() + QFontMetrics(textFont(kBelow)).height();
}

const SheetCard::Words& SheetCard::words() const {
  if (words_ && words_->scale == fontScale()) return *words_;
  words_ = {fontScale(), wordsWidth(textFont(kTitle, true), title_), lettering(), {}};
  for (const QString& way : below_) words_->below.push_back(wordsWidth(textFont(kBelow), way));
  return *words_;
}

std::size_t SheetCard::belowIn(int width) const {
  const std::vector<int>& all = words().below;
  const auto fits = std::find_if(all.begin(), all.end(), [&](int of) { return of <= width; });
  return static_cast<std::size_t>((fits != all.end() ? fits : all.end() - 1) - all.begin());
}

/// Wide enough for its words, as far as that is little.
QSize SheetCard::sizeAt(double scale) const {
  const int most = static_cast<int>(kLeastWidthEm * em());
  const int wide = std::max(words().title, words().below[belowIn(most)]);
  const QSizeF sheet = sheetSize() * scale;
  return {std::max(static_cast<int>(sheet.width()), std::min(wide, most)) + 2 * kEdge,
          static_cast<int>(sheet.height()) + words().height + 2 * kEdge + 4};
}

QRectF SheetCard::sheetPlace() const {
  const QRect room = rect().adjusted(kEdge, kEdge, -kEdge, -kEdge);
  const QSizeF sheet = sheetSize() * scale_;
  QRectF place(QPointF(room.left(), room.bottom() - lettering() - 4 - sheet.height()), sheet);
  if (isRightToLeft()) place.moveRight(room.right());
  return place;
}

std::optional<SheetCard::Shown> SheetCard::pieceAt(QPointF at) const {
  const QTransform toCard = fitted(bounds_, sheetPlace());
  for (const SheetDrawing::Piece& piece : drawing_.pieces) {
    const QRectF place = toCard.mapRect(
        QRectF(QPointF(piece.box.left, piece.box.bottom), QPointF(piece.box.right, piece.box.top)));
    if (place.contains(at)) return Shown{piece.placement, place};
  }
  return std::nullopt;
}

bool SheetCard::event(QEvent* event) {
  if (event->type() != QEvent::ToolTip) return QAbstractButton::event(event);
  const auto* help = static_cast<QHelpEvent*>(event);
  const auto piece = pieceAt(help->pos());
  return piece ? tellPiece(*help, wordsOn_(piece->placement), piece->place, this) : tellNothing();
}

void SheetCard::mousePressEvent(QMouseEvent* event) {
  QAbstractButton::mousePressEvent(event);
  held_.reset();
  if (event->button() != Qt::LeftButton) return;
  if (const auto piece = pieceAt(event->position())) held_ = Held{*piece, event->position(), false};
}

void SheetCard::mouseMoveEvent(QMouseEvent* event) {
  if (!held_) return QAbstractButton::mouseMoveEvent(event);
  const double moved = (event->position() - held_->grip).manhattanLength();
  if (!held_->isCarried && moved < QApplication::startDragDistance()) return;
  setDown(false);  // it is not pressed any more
  held_->isCarried = true;
  emit carried(held_->piece.placement, event->globalPosition().toPoint(),
               held_->piece.place.size().toSize());
}

void SheetCard::mouseReleaseEvent(QMouseEvent* event) {
  const std::optional<Held> held = std::exchange(held_, std::nullopt);
  QAbstractButton::mouseReleaseEvent(event);
  if (held && held->isCarried)
    emit putDown(held->piece.placement, event->globalPosition().toPoint());
}

void SheetCard::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (hasFocus() || underMouse()) painter.fillRect(rect(), palette_.onAccent);
  const QRect room = rect().adjusted(kEdge, kEdge, -kEdge, -kEdge);
  SheetLook look;
  look.style.palette = &palette_;
  look.style.lit = lit_;
  const double lines = std::clamp(scale_ / kFullLines, kFinestLines, 1.0);
  look.style.perMm *= lines;
  look.style.leastWidth *= lines;
  look.letters = fontScale() / lines;
  look.showsCuts = false;
  look.words = wordsOn_;
  paintSheet(painter, drawing_, fitted(bounds_, sheetPlace()), look);
  const QRect words(room.left(), room.bottom() - lettering(), room.width(), lettering());
  const QFont title = textFont(kTitle, true), below = textFont(kBelow);
  painter.setFont(title);
  painter.setPen(palette_.ink);
  paintWords(painter, words, Qt::AlignLeft | Qt::AlignTop,
             shortenedBeforeSize(title, title_, words.width()));
  painter.setFont(below);
  painter.setPen(palette_.secondInk);
  paintWords(
      painter, words, Qt::AlignLeft | Qt::AlignBottom,
      shortened(below, below_[static_cast<qsizetype>(belowIn(words.width()))], words.width()));
}

}  // namespace drapery
