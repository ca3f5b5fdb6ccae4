// A pattern as it would lie on this book, small, to be chosen.
#pragma once

#include <QAbstractButton>

#include "paint/stitch_painter.h"

namespace drapery {

class PatternButton : public QAbstractButton {
  Q_OBJECT

 public:
  /// Without a graph, why it does not go on this book.
  PatternButton(const QString& title, std::optional<StitchGraph> graph, double thickness,
                const Palette& palette, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  std::optional<StitchGraph> graph_;
  double thickness_;
  const Palette& palette_;
};

}  // namespace drapery
