#include "paint/section_painter.h"

#include <QCoreApplication>
#include <QPainter>
#include <algorithm>

#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kThin = 1.0, kDrawn = 2.2, kHeavy = 3.8;  // pixels
constexpr double kLeastRow = 9.0, kMostRow = 40.0;         // pixels from section to section
constexpr double kLabels = 26.0, kEnds = 34.0;             // pixels, below and beside

/// A row for each section, the first at the top, and the folds' length to scale.
class Rows {
 public:
  Rows(QPainter& painter, int sections, double length, const SewnSoFar& far, const QRectF& target,
       const Palette& palette)
      : painter_(painter), far_(far), palette_(palette), sections_(sections), length_(length) {
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
  void ink(std::size_t step, bool isInside = false) {
    const bool isDone = step < far_.done, isPresent = isDone && step >= far_.present;
    QPen pen(isPresent ? palette_.accent
             : isDone  ? palette_.ink
                       : palette_.hairline,
             isPresent ? kHeavy
             : isDone  ? kDrawn
                       : kThin);
    pen.setCapStyle(isInside ? Qt::FlatCap : Qt::RoundCap);
    if (isInside) pen.setDashPattern({3, 2.5});
    painter_.setPen(pen);
    painter_.setBrush(Qt::NoBrush);
  }
  void dot(double along, double section, std::size_t step) {
    const bool isDone = step < far_.done, isPresent = isDone && step >= far_.present;
    const double radius = isPresent ? 4.5 : 3.0;
    painter_.setPen(QPen(isDone ? palette_.ink : palette_.hairline, kThin));
    painter_.setBrush(isPresent ? palette_.accent : isDone ? palette_.ink : palette_.ground);
    painter_.drawEllipse(QPointF(x(along), y(section)), radius, radius);
  }

  QPainter& painter_;
  const SewnSoFar& far_;
  const Palette& palette_;
  int sections_;
  double length_, perMm_ = 1.0, row_ = 20.0, left_ = 0.0, top_ = 0.0;
};

class LinkPainting : Rows {
 public:
  LinkPainting(QPainter& painter, const SewnLink& sewn, const SewnSoFar& far, const QRectF& target,
               const Palette& palette)
      : Rows(painter, static_cast<int>(sewn.rows.front().order.size()), sewn.height, far, target,
             palette),
        sewn_(sewn),
        slotHead_(sewn.slotHead),
        slotTail_(sewn.height - sewn.slotTail) {}

  void run() {
    drawFolds();
    // The card that the loops go round, at both ends of the slot.
    painter_.setPen(QPen(palette_.secondInk, kThin));
    QColor card = palette_.cloth;
    card.setAlpha(70);
    painter_.setBrush(card);
    for (const auto& [from, to] : {std::pair(0.0, slotHead_), {slotTail_, length_}})
      painter_.drawRect(QRectF(x(from), top_, (to - from) * perMm_, row_ * sections_));
    std::size_t step = 0;
    for (const LinkRow& row : sewn_.rows)
      for (const LinkStep& each : row.steps) draw(row, each, step++);
    tell(0, QCoreApplication::translate("Stitches", "head"));
    tell((slotHead_ + slotTail_) / 2, QCoreApplication::translate("Stitches", "slot"));
    tell(length_, QCoreApplication::translate("Stitches", "tail"));
  }

 private:
  void draw(const LinkRow& row, const LinkStep& step, std::size_t index) {
    const bool isHead = row.end == Round::Head;
    const double edge = isHead ? slotHead_ : slotTail_;
    const double beyond = (isHead ? -9.0 : length_ * perMm_ + 9.0) / perMm_;
    switch (step.what) {
      case LinkStep::Do::Pass:
        dot(edge, step.section, index);
        break;
      case LinkStep::Do::Loop:  // outside continuous, inside the fold dashed
        ink(index);
        painter_.drawLine(QPointF(x(edge), y(step.section) - 3),
                          QPointF(x(beyond), y(step.section) - 3));
        painter_.drawLine(QPointF(x(beyond), y(step.section) - 3),
                          QPointF(x(beyond), y(step.section) + 3));
        ink(index, true);
        painter_.drawLine(QPointF(x(edge), y(step.section) + 3),
                          QPointF(x(beyond), y(step.section) + 3));
        break;
      case LinkStep::Do::Knot:
        ink(index);
        painter_.drawEllipse(QPointF(x(edge) + (isHead ? 9 : -9), y(step.section)), 4, 4);
        break;
      case LinkStep::Do::Bridge:
        ink(index);
        painter_.drawLine(QPointF(x(edge), y(step.from)), QPointF(x(edge), y(step.to)));
        break;
      case LinkStep::Do::Link:
        ink(index);
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
  TapesPainting(QPainter& painter, const SewnTapes& sewn, const SewnSoFar& far,
                const QRectF& target, const Palette& palette)
      : Rows(painter, sewn.sections, sewn.height, far, target, palette), sewn_(sewn) {}

  void run() {
    drawFolds();
    painter_.setPen(QPen(palette_.secondInk, kThin));
    QColor tape = palette_.cloth;
    tape.setAlpha(110);
    painter_.setBrush(tape);
    for (std::size_t i = 1; i + 2 < sewn_.stations.size(); i += 2)
      painter_.drawRect(QRectF(x(sewn_.stations[i]), top_ - 8,
                               (sewn_.stations[i + 1] - sewn_.stations[i]) * perMm_,
                               row_ * sections_ + 16));
    for (std::size_t i = 0; i < sewn_.steps.size(); ++i) draw(sewn_.steps[i], i);
    tell(0, QCoreApplication::translate("Stitches", "head"));
    tell(length_, QCoreApplication::translate("Stitches", "tail"));
  }

 private:
  [[nodiscard]] double station(int number) const {
    return sewn_.stations[static_cast<std::size_t>(number - 1)];
  }
  void line(const TapeStep& step, std::size_t index, bool isInside) {
    ink(index, isInside);
    painter_.drawLine(QPointF(x(station(step.from)), y(step.section)),
                      QPointF(x(station(step.station)), y(step.section)));
  }
  void draw(const TapeStep& step, std::size_t index) {
    const double at = station(step.station);
    switch (step.what) {
      case TapeStep::Do::Pass:
        dot(at, step.section, index);
        break;
      case TapeStep::Do::Run:
        line(step, index, true);
        break;
      case TapeStep::Do::Tape:
        line(step, index, false);
        break;
      case TapeStep::Do::Climb:
        ink(index);
        painter_.drawLine(QPointF(x(at), y(step.from)), QPointF(x(at), y(step.to)));
        break;
      case TapeStep::Do::Tie:
      case TapeStep::Do::Kettle:
        ink(index);
        painter_.drawEllipse(QPointF(x(at), y((step.section + step.section - 1) / 2.0)), 6, 4);
        break;
      case TapeStep::Do::Knot:
        ink(index);
        painter_.drawEllipse(QPointF(x(at), y(step.section)), 5, 5);
        break;
    }
  }

  const SewnTapes& sewn_;
};

}  // namespace

void paintLink(QPainter& painter, const SewnLink& sewn, const SewnSoFar& far, const QRectF& target,
               const Palette& palette) {
  painter.save();
  LinkPainting(painter, sewn, far, target, palette).run();
  painter.restore();
}

void paintTapes(QPainter& painter, const SewnTapes& sewn, const SewnSoFar& far,
                const QRectF& target, const Palette& palette) {
  painter.save();
  TapesPainting(painter, sewn, far, target, palette).run();
  painter.restore();
}

}  // namespace drapery
