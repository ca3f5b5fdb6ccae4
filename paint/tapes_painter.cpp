#include "paint/tapes_painter.h"

#include <QCoreApplication>
#include <QPainter>
#include <algorithm>

#include "paint/fonts.h"
#include "paint/stamp.h"

namespace drapery {

namespace {

constexpr double kThin = 1.0;                        // pixels
constexpr double kLeastRow = 12.0, kMostRow = 40.0;  // from section to section
constexpr double kLabels = 26.0, kEnds = 34.0;       // below and beside
constexpr double kPast = 8.0;                        // of a tape beyond the sections

/// How many sections there is room for.
int roomFor(const QRectF& target) {
  return std::max(3, static_cast<int>((target.height() - kLabels) / kLeastRow));
}

class TapesPainting {
 public:
  TapesPainting(QPainter& painter, const SewnTapes& sewn, const SewnPart& part, int top,
                const QRectF& target, const Palette& palette)
      : painter_(painter),
        sewn_(sewn),
        part_(part),
        palette_(palette),
        first_(top),
        last_(std::min(sewn.sections, top + roomFor(target) - 1)) {
    const int rows = std::max(1, last_ - first_ + 1);
    perMm_ = (target.width() - 2 * kEnds) / std::max(1.0, sewn.height);
    row_ = std::min((target.height() - kLabels) / rows, kMostRow);
    left_ = target.left() + kEnds;
    top_ = target.center().y() - (row_ * rows + kLabels) / 2;
    bottom_ = top_ + row_ * rows;
    painter_.setRenderHint(QPainter::Antialiasing);
  }

  void run() {
    if (part_.how == SewnPart::How::ToCome) drawGround();
    painter_.setClipRect(
        QRectF(0, top_ - kPast, left_ + sewn_.height * perMm_ + kEnds, bottom_ - top_ + 2 * kPast));
    const Stamp pass(painter_, {12, 12}, [this](QPainter& painter) {
      paintPass(painter, part_, palette_, {0, 0}, 0.4 * row_);
    });
    for (std::size_t i = part_.from; i < std::min(part_.to, sewn_.steps.size()); ++i)
      if (isShown(sewn_.steps[i])) draw(sewn_.steps[i], pass);
  }

 private:
  [[nodiscard]] double x(double along) const { return left_ + along * perMm_; }
  [[nodiscard]] double y(double section) const { return top_ + (section - first_ + 0.5) * row_; }
  [[nodiscard]] bool isShown(const TapeStep& step) const {
    if (step.what == TapeStep::Do::Climb)
      return std::max(step.from, step.to) >= first_ && std::min(step.from, step.to) <= last_;
    return step.section >= first_ && step.section <= last_ + 1;
  }
  [[nodiscard]] double station(int number) const {
    return sewn_.stations[static_cast<std::size_t>(number - 1)];
  }

  void drawGround() {
    drawFolds();
    painter_.setPen(QPen(palette_.secondInk, kThin));
    QColor tape = palette_.cloth;
    tape.setAlpha(110);
    painter_.setBrush(tape);
    for (std::size_t i = 1; i + 2 < sewn_.stations.size(); i += 2)
      painter_.drawRect(QRectF(x(sewn_.stations[i]), top_ - kPast,
                               (sewn_.stations[i + 1] - sewn_.stations[i]) * perMm_,
                               bottom_ - top_ + 2 * kPast));
    tell(0, QCoreApplication::translate("Stitches", "head"));
    tell(sewn_.height, QCoreApplication::translate("Stitches", "tail"));
  }
  void drawFolds() {
    painter_.setFont(textFont(kLabelPixels));
    const QSizeF size(sewn_.height * perMm_, 0.84 * row_);
    const Stamp fold(painter_, size, [&](QPainter& painter) {
      painter.setPen(QPen(palette_.hairline, kThin));
      painter.setBrush(palette_.leaves);
      painter.drawRoundedRect(QRectF({-size.width() / 2, -size.height() / 2}, size), 0.3 * row_,
                              0.3 * row_);
    });
    painter_.setPen(palette_.secondInk);
    for (int section = first_; section <= last_; ++section) {
      fold.put(painter_, {x(sewn_.height / 2), y(section)});
      painter_.drawText(QRectF(x(0) - kEnds, y(section) - 8, kEnds - 14, 16),
                        Qt::AlignRight | Qt::AlignVCenter, QString::number(section));
    }
  }
  void tell(double along, const QString& words) {
    painter_.setFont(textFont(kLabelPixels));
    painter_.setPen(palette_.secondInk);
    painter_.drawText(QRectF(x(along) - 60, bottom_ + 6, 120, 18), Qt::AlignCenter, words);
  }

  void line(const TapeStep& step, bool isInside) {
    painter_.setPen(threadPen(part_, palette_, isInside));
    painter_.drawLine(QPointF(x(station(step.from)), y(step.section)),
                      QPointF(x(station(step.station)), y(step.section)));
  }
  void draw(const TapeStep& step, const Stamp& pass) {
    const double at = station(step.station);
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(threadPen(part_, palette_));
    switch (step.what) {
      case TapeStep::Do::Pass:
        pass.put(painter_, {x(at), y(step.section)});
        break;
      case TapeStep::Do::Run:
        line(step, true);
        break;
      case TapeStep::Do::Tape:
        line(step, false);
        break;
      case TapeStep::Do::Climb:
        painter_.drawLine(QPointF(x(at), y(step.from)), QPointF(x(at), y(step.to)));
        break;
      case TapeStep::Do::Tie:
      case TapeStep::Do::Kettle:
        painter_.drawEllipse(QPointF(x(at), y((step.section + step.section - 1) / 2.0)), 6, 4);
        break;
      case TapeStep::Do::Knot:
        painter_.drawEllipse(QPointF(x(at), y(step.section)), 5, 5);
        break;
    }
  }

  QPainter& painter_;
  const SewnTapes& sewn_;
  const SewnPart& part_;
  const Palette& palette_;
  int first_, last_;
  double perMm_ = 1.0, row_ = 20.0, left_ = 0.0, top_ = 0.0, bottom_ = 0.0;
};

}  // namespace

int topSection(const SewnTapes& sewn, std::size_t done, const QRectF& target) {
  const int room = roomFor(target);
  if (sewn.sections <= room || done == 0 || sewn.steps.empty()) return 1;
  // Some sections before the present one stay in sight; a page turns when it comes to the last.
  const TapeStep& step = sewn.steps[std::min(done, sewn.steps.size()) - 1];
  const int present = step.what == TapeStep::Do::Climb ? step.to : step.section;
  const int page = std::max(1, room - 3);
  return std::clamp((present - 2) / page * page + 1, 1, sewn.sections - room + 1);
}

void paintTapes(QPainter& painter, const SewnTapes& sewn, const SewnPart& part, int top,
                const QRectF& target, const Palette& palette) {
  painter.save();
  TapesPainting(painter, sewn, part, top, target, palette).run();
  painter.restore();
}

}  // namespace drapery
