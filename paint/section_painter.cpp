#include "paint/section_painter.h"

#include <QCoreApplication>
#include <QPainter>
#include <algorithm>

#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kThin = 1.0, kDrawn = 2.2, kHeavy = 3.8;  // pixels
constexpr double kLeastRow = 2.4, kMostRow = 40.0;         // pixels from section to section
constexpr double kLabels = 26.0, kEnds = 34.0;             // pixels, below and beside

/// A row for each section, the first at the top, and the folds' length to scale.
class Rows {
 public:
  Rows(QPainter& painter, int sections, double length, const SewnPart& part, const QRectF& target,
       const Palette& palette)
      : painter_(painter), part_(part), palette_(palette), sections_(sections), length_(length) {
    perMm_ = (target.width() - 2 * kEnds) / std::max(1.0, length);
    row_ = std::clamp((target.height() - kLabels) / std::max(1, sections), kLeastRow, kMostRow);
    left_ = target.left() + kEnds;
    top_ = target.center().y() - (row_ * sections + kLabels) / 2;
    painter_.setRenderHint(QPainter::Antialiasing);
  }

 protected:
  [[nodiscard]] double x(double along) const { return left_ + along * perMm_; }
  [[nodiscard]] double y(double section) const { return top_ + (section - 0.5) * row_; }

  void drawFolds() {
    painter_.setFont(textFont(kLabelPixels));
    for (int section = 1; section <= sections_; ++section) {
      const QRectF fold(x(0), y(section) - 0.42 * row_, length_ * perMm_, 0.84 * row_);
      painter_.setPen(QPen(palette_.hairline, kThin));
      painter_.setBrush(palette_.leaves);
      painter_.drawRoundedRect(fold, 0.3 * row_, 0.3 * row_);
      painter_.setPen(palette_.secondInk);
      if (row_ > 13.0)
        painter_.drawText(QRectF(x(0) - kEnds, y(section) - 8, kEnds - 14, 16),
                          Qt::AlignRight | Qt::AlignVCenter, QString::number(section));
    }
  }
  void tell(double along, const QString& words) {
    painter_.setFont(textFont(kLabelPixels));
    painter_.setPen(palette_.secondInk);
    painter_.drawText(QRectF(x(along) - 60, top_ + row_ * sections_ + 6, 120, 18), Qt::AlignCenter,
                      words);
  }
  void ink(bool isInside = false) {
    const auto how = part_.how;
    QPen pen(how == SewnPart::How::Present ? palette_.accent
             : how == SewnPart::How::Drawn ? palette_.ink
                                           : palette_.hairline,
             how == SewnPart::How::Present ? kHeavy
             : how == SewnPart::How::Drawn ? kDrawn
                                           : kThin);
    pen.setCapStyle(isInside ? Qt::FlatCap : Qt::RoundCap);
    if (isInside) pen.setDashPattern({3, 2.5});
    painter_.setPen(pen);
    painter_.setBrush(Qt::NoBrush);
  }
  void dot(double along, double section) {
    const bool isPresent = part_.how == SewnPart::How::Present;
    const bool isDone = part_.how != SewnPart::How::ToCome;
    const double radius = isPresent ? 4.5 : std::min(3.0, 0.4 * row_);
    painter_.setPen(QPen(isDone ? palette_.ink : palette_.hairline, kThin));
    painter_.setBrush(isPresent ? palette_.accent : isDone ? palette_.ink : palette_.ground);
    painter_.drawEllipse(QPointF(x(along), y(section)), radius, radius);
  }

  QPainter& painter_;
  const SewnPart& part_;
  const Palette& palette_;
  int sections_;
  double length_, perMm_ = 1.0, row_ = 20.0, left_ = 0.0, top_ = 0.0;
};

class LinkPainting : Rows {
 public:
  LinkPainting(QPainter& painter, const SewnLink& sewn, const SewnPart& part, const QRectF& target,
               const Palette& palette)
      : Rows(painter, static_cast<int>(sewn.rows.front().order.size()), sewn.height, part, target,
             palette),
        sewn_(sewn),
        slotHead_(sewn.slotHead),
        slotTail_(sewn.height - sewn.slotTail) {}

  void run() {
    if (part_.how == SewnPart::How::ToCome) drawGround();
    std::size_t step = 0;
    for (const LinkRow& row : sewn_.rows)
      for (const LinkStep& each : row.steps)
        if (part_.has(step++)) draw(row, each);
  }

 private:
  void drawGround() {
    drawFolds();
    // The card that the loops go round, at both ends of the slot.
    painter_.setPen(QPen(palette_.secondInk, kThin));
    QColor card = palette_.cloth;
    card.setAlpha(70);
    painter_.setBrush(card);
    for (const auto& [from, to] : {std::pair(0.0, slotHead_), {slotTail_, length_}})
      painter_.drawRect(QRectF(x(from), top_, (to - from) * perMm_, row_ * sections_));
    tell(0, QCoreApplication::translate("Stitches", "head"));
    tell((slotHead_ + slotTail_) / 2, QCoreApplication::translate("Stitches", "slot"));
    tell(length_, QCoreApplication::translate("Stitches", "tail"));
  }
  void draw(const LinkRow& row, const LinkStep& step) {
    const bool isHead = row.end == Round::Head;
    const double edge = isHead ? slotHead_ : slotTail_;
    const double beyond = (isHead ? -9.0 : length_ * perMm_ + 9.0) / perMm_;
    switch (step.what) {
      case LinkStep::Do::Pass:
        dot(edge, step.section);
        break;
      case LinkStep::Do::Loop:  // outside continuous, inside the fold dashed
        ink();
        painter_.drawLine(QPointF(x(edge), y(step.section) - 3),
                          QPointF(x(beyond), y(step.section) - 3));
        painter_.drawLine(QPointF(x(beyond), y(step.section) - 3),
                          QPointF(x(beyond), y(step.section) + 3));
        ink(true);
        painter_.drawLine(QPointF(x(edge), y(step.section) + 3),
                          QPointF(x(beyond), y(step.section) + 3));
        break;
      case LinkStep::Do::Knot:
        ink();
        painter_.drawEllipse(QPointF(x(edge) + (isHead ? 9 : -9), y(step.section)), 4, 4);
        break;
      case LinkStep::Do::Bridge:
        ink();
        painter_.drawLine(QPointF(x(edge), y(step.from)), QPointF(x(edge), y(step.to)));
        break;
      case LinkStep::Do::Link:
        ink();
        painter_.drawArc(QRectF(x(edge) - 6, y((step.from + step.to) / 2.0) - 4, 12, 8), 0,
                         360 * 16);
        break;
    }
  }

  const SewnLink& sewn_;
  double slotHead_, slotTail_;
};

class TapesPainting : Rows {
 public:
  TapesPainting(QPainter& painter, const SewnTapes& sewn, const SewnPart& part,
                const QRectF& target, const Palette& palette)
      : Rows(painter, sewn.sections, sewn.height, part, target, palette), sewn_(sewn) {}

  void run() {
    if (part_.how == SewnPart::How::ToCome) drawGround();
    for (std::size_t i = part_.from; i < std::min(part_.to, sewn_.steps.size()); ++i)
      draw(sewn_.steps[i]);
  }

 private:
  void drawGround() {
    drawFolds();
    painter_.setPen(QPen(palette_.secondInk, kThin));
    QColor tape = palette_.cloth;
    tape.setAlpha(110);
    painter_.setBrush(tape);
    for (std::size_t i = 1; i + 2 < sewn_.stations.size(); i += 2)
      painter_.drawRect(QRectF(x(sewn_.stations[i]), top_ - 8,
                               (sewn_.stations[i + 1] - sewn_.stations[i]) * perMm_,
                               row_ * sections_ + 16));
    tell(0, QCoreApplication::translate("Stitches", "head"));
    tell(length_, QCoreApplication::translate("Stitches", "tail"));
  }
  [[nodiscard]] double station(int number) const {
    return sewn_.stations[static_cast<std::size_t>(number - 1)];
  }
  void line(const TapeStep& step, bool isInside) {
    ink(isInside);
    painter_.drawLine(QPointF(x(station(step.from)), y(step.section)),
                      QPointF(x(station(step.station)), y(step.section)));
  }
  void draw(const TapeStep& step) {
    const double at = station(step.station);
    switch (step.what) {
      case TapeStep::Do::Pass:
        dot(at, step.section);
        break;
      case TapeStep::Do::Run:
        line(step, true);
        break;
      case TapeStep::Do::Tape:
        line(step, false);
        break;
      case TapeStep::Do::Climb:
        ink();
        painter_.drawLine(QPointF(x(at), y(step.from)), QPointF(x(at), y(step.to)));
        break;
      case TapeStep::Do::Tie:
      case TapeStep::Do::Kettle:
        ink();
        painter_.drawEllipse(QPointF(x(at), y((step.section + step.section - 1) / 2.0)), 6, 4);
        break;
      case TapeStep::Do::Knot:
        ink();
        painter_.drawEllipse(QPointF(x(at), y(step.section)), 5, 5);
        break;
    }
  }

  const SewnTapes& sewn_;
};

}  // namespace

void paintLink(QPainter& painter, const SewnLink& sewn, const SewnPart& part, const QRectF& target,
               const Palette& palette) {
  painter.save();
  LinkPainting(painter, sewn, part, target, palette).run();
  painter.restore();
}

void paintTapes(QPainter& painter, const SewnTapes& sewn, const SewnPart& part,
                const QRectF& target, const Palette& palette) {
  painter.save();
  TapesPainting(painter, sewn, part, target, palette).run();
  painter.restore();
}

}  // namespace drapery
