#include "paint/link_painter.h"

#include <QCoreApplication>
#include <QPainter>
#include <algorithm>

#include "paint/fonts.h"
#include "paint/stamp.h"

namespace drapery {

namespace {

constexpr double kThin = 1.0;                             // pixels
constexpr double kLeastColumn = 2.4, kMostColumn = 56.0;  // from section to section
constexpr double kBeyond = 9.0;                           // a loop over the card's end
constexpr double kAbove = 20.0, kBeside = 64.0;           // for numbers and words
constexpr double kBreak = 14.0;                           // where the slot is broken off
constexpr double kLinkReach = 6.0, kLinkHeight = 10.0;
constexpr double kKnot = 4.0;

class LinkPainting {
 public:
  LinkPainting(QPainter& painter, const SewnLink& sewn, const SewnPart& part, const QRectF& target,
               const Palette& palette)
      : painter_(painter),
        sewn_(sewn),
        part_(part),
        palette_(palette),
        sections_(std::max(1, static_cast<int>(sewn.rows.front().order.size()))),
        slotTail_(sewn.height - sewn.slotTail) {
    top_ = target.top() + kAbove + kBeyond;
    bottom_ = target.bottom() - kBeyond;
    column_ = std::clamp((target.width() - 2 * kBeside) / sections_, kLeastColumn, kMostColumn);
    right_ = target.center().x() + column_ * sections_ / 2;
    breakOff();
    painter_.setRenderHint(QPainter::Antialiasing);
  }

  void run() {
    if (part_.how == SewnPart::How::ToCome) drawGround();
    std::size_t step = 0;
    for (const LinkRow& row : sewn_.rows)
      for (const LinkStep& each : row.steps)
        if (part_.has(step++)) draw(row, each);
  }

 private:
  /// A slot that is much longer than the card beside it is shown at its ends.
  void breakOff() {
    const double room = bottom_ - top_;
    const double shown = std::max(sewn_.slotHead, sewn_.slotTail) / 2;
    const double broken = (room - kBreak) / (sewn_.slotHead + sewn_.slotTail + 2 * shown);
    perMm_ = room / std::max(1.0, sewn_.height);
    isBroken_ = broken > 1.25 * perMm_;
    if (isBroken_) perMm_ = broken;
  }
  [[nodiscard]] double x(double section) const { return right_ - (section - 0.5) * column_; }
  [[nodiscard]] double y(double along) const {
    return along < sewn_.height / 2 ? top_ + along * perMm_
                                    : bottom_ - (sewn_.height - along) * perMm_;
  }
  [[nodiscard]] double left() const { return right_ - sections_ * column_; }
  /// Where the thread lies beside the middle of its fold.
  [[nodiscard]] double beside() const { return std::min(3.5, 0.22 * column_); }

  void drawGround() {
    const QSizeF size(0.84 * column_, bottom_ - top_);
    const Stamp fold(painter_, size, [&](QPainter& painter) {
      painter.setPen(QPen(palette_.hairline, kThin));
      painter.setBrush(palette_.leaves);
      painter.drawRoundedRect(QRectF({-size.width() / 2, -size.height() / 2}, size), 0.3 * column_,
                              0.3 * column_);
    });
    for (int section = 1; section <= sections_; ++section)
      fold.put(painter_, {x(section), (top_ + bottom_) / 2});
    // The card that the loops go round, at both ends of the slot.
    painter_.setPen(QPen(palette_.secondInk, kThin));
    QColor card = palette_.cloth;
    card.setAlpha(70);
    painter_.setBrush(card);
    for (const auto& [from, to] :
         {std::pair(top_, y(sewn_.slotHead)), std::pair(y(slotTail_), bottom_)})
      painter_.drawRect(QRectF(left(), from, right_ - left(), to - from));
    if (isBroken_) drawBreak();
    drawWords();
  }

  void drawBreak() {
    const double middle = (y(sewn_.height / 2 - 1e-6) + y(sewn_.height / 2)) / 2;
    const double from = left() - 6, to = right_ + 6;
    painter_.fillRect(QRectF(from, middle - kBreak / 2, to - from, kBreak), palette_.ground);
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(QPen(palette_.secondInk, kThin));
    for (const double line : {middle - kBreak / 2, middle + kBreak / 2}) {
      const double half = (from + to) / 2;
      const QPointF path[] = {{from, line},         {half - 5, line}, {half - 2, line - 4},
                              {half + 2, line + 4}, {half + 5, line}, {to, line}};
      painter_.drawPolyline(path, 6);
    }
  }

  void drawWords() {
    painter_.setFont(textFont(kLabelPixels));
    painter_.setPen(palette_.secondInk);
    const auto tell = [this](double along, const QString& words) {
      painter_.drawText(QRectF(left() - kBeside, along - 9, kBeside - 12, 18),
                        Qt::AlignRight | Qt::AlignVCenter, words);
    };
    tell(top_ + 6, QCoreApplication::translate("Stitches", "head"));
    tell((y(sewn_.slotHead) + y(slotTail_)) / 2, QCoreApplication::translate("Stitches", "slot"));
    tell(bottom_ - 6, QCoreApplication::translate("Stitches", "tail"));
    const double above = top_ - kBeyond - kAbove;
    painter_.drawText(QRectF(right_ + 4, above, kBeside - 4, 18), Qt::AlignLeft | Qt::AlignVCenter,
                      QCoreApplication::translate("Stitches", "front"));
    painter_.drawText(QRectF(left() - kBeside, above, kBeside - 4, 18),
                      Qt::AlignRight | Qt::AlignVCenter,
                      QCoreApplication::translate("Stitches", "back"));
    // As many as have room beside one another, and the last one always.
    const int every = 1 + static_cast<int>(20.0 / column_);
    for (int section = 1; section <= sections_; ++section)
      if (section == sections_ || (section % every == 0 && sections_ - section >= every) ||
          section == 1)
        painter_.drawText(QRectF(x(section) - 12, above, 24, 18), Qt::AlignCenter,
                          QString::number(section));
  }

  void draw(const LinkRow& row, const LinkStep& step) {
    const bool isHead = row.end == Round::Head;
    const double edge = y(isHead ? sewn_.slotHead : slotTail_);
    const double beyond = isHead ? top_ - kBeyond : bottom_ + kBeyond;
    const double slotward = isHead ? 1.0 : -1.0;
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(threadPen(part_, palette_));
    switch (step.what) {
      case LinkStep::Do::Pass:
        paintPass(painter_, part_, palette_, {x(step.section), edge}, 0.4 * column_);
        break;
      case LinkStep::Do::Loop: {  // outside continuous, inside the fold dashed
        const double outside = x(step.section) - beside(), inside = x(step.section) + beside();
        painter_.drawLine(QPointF(outside, edge), QPointF(outside, beyond));
        painter_.drawLine(QPointF(outside, beyond), QPointF(inside, beyond));
        painter_.setPen(threadPen(part_, palette_, true));
        painter_.drawLine(QPointF(inside, edge), QPointF(inside, beyond));
        break;
      }
      case LinkStep::Do::Knot:
        painter_.drawEllipse(QPointF(x(step.section), edge + slotward * 2.2 * kKnot), kKnot, kKnot);
        break;
      case LinkStep::Do::Bridge:
        painter_.drawLine(QPointF(x(step.from), edge), QPointF(x(step.to), edge));
        break;
      case LinkStep::Do::Link: {
        const double reach = std::min(kLinkReach, 0.36 * column_);
        painter_.drawEllipse(QPointF(x((step.from + step.to) / 2.0), edge), reach, kLinkHeight / 2);
        break;
      }
    }
  }

  QPainter& painter_;
  const SewnLink& sewn_;
  const SewnPart& part_;
  const Palette& palette_;
  int sections_;
  double slotTail_;
  bool isBroken_ = false;
  double perMm_ = 1.0, column_ = 20.0, right_ = 0.0, top_ = 0.0, bottom_ = 0.0;
};

}  // namespace

void paintLink(QPainter& painter, const SewnLink& sewn, const SewnPart& part, const QRectF& target,
               const Palette& palette) {
  painter.save();
  LinkPainting(painter, sewn, part, target, palette).run();
  painter.restore();
}

}  // namespace drapery
