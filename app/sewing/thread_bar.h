// Thread to scale: what this book takes, of what it is made, its pieces, and the rule of thumb
// beneath.
#pragma once

#include <QPixmap>
#include <QWidget>
#include <vector>

#include "core/sewing/thread_parts.h"
#include "paint/palette.h"

namespace drapery {

class ThreadBar : public QWidget {
  Q_OBJECT

 public:
  ThreadBar(const Palette& palette, QWidget* parent);

  struct Lengths {
    std::vector<std::vector<ThreadPart>> pieces;
    double byRule = 0.0;  // mm; 0: none
    QString words, ruleWords;
    QStringList kinds;  // a word for each kind of part, with its length; empty: there is none
  };
  void setLengths(const Lengths& lengths);
  /// Of all moves so far.
  void setDone(std::size_t steps);
  /// mm that are drawn by then.
  [[nodiscard]] double drawn() const;
  [[nodiscard]] const Lengths& lengths() const { return lengths_; }
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  void paintParts(QPainter& painter, const QRectF& room, bool isDrawn) const;
  void paintKinds(QPainter& painter, const QRectF& room) const;
  [[nodiscard]] double most() const;
  [[nodiscard]] QPixmap picture(bool isDrawn) const;

  const Palette& palette_;
  Lengths lengths_;
  std::size_t done_ = 0;
  QPixmap bare_, full_;  // the thread before it is drawn, and after
};

}  // namespace drapery
