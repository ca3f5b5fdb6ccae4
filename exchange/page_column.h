// A column of text and drawings that flows over the pages of a PDF. All lengths are mm from the
// left edge of the paper.
#pragma once

#include <QColor>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>
#include <QString>
#include <functional>
#include <vector>

#include "exchange/page_flow.h"
#include "paint/palette.h"

namespace drapery {

/// mm of the paper.
struct TextStyle {
  double size = 3.8;
  bool isBold = false;
  QColor colour = lightPalette().ink;
};

class PageColumn {
 public:
  static constexpr double kEdge = 20.0;  // bare paper all round

  /// Pages of A4, or Letter where one works in inches; nothing is written before `finish`.
  PageColumn(QPdfWriter& writer, const QString& title);

  [[nodiscard]] double right() const { return right_; }
  [[nodiscard]] double bottom() const { return bottom_; }
  [[nodiscard]] double height() const { return bottom_ - kEdge; }  // of a page
  [[nodiscard]] QPainter& painter() { return painter_; }

  /// Free room above what comes next.
  void leave(double mm) { before_ += mm; }
  void add(FlowBlock block);
  /// Broken into lines between x and the right edge.
  void write(double x, const TextStyle& style, const QString& what, bool keepsWithNext = false);
  [[nodiscard]] std::vector<QString> broken(double x, const TextStyle& style,
                                            const QString& what) const;
  void rule();
  /// A box to tick beside what is written next.
  void tick(double x);
  /// Begins a page anew.
  void pageBreak();
  [[nodiscard]] std::size_t count() const { return blocks_.size(); }
  [[nodiscard]] double heightFrom(std::size_t block) const;
  [[nodiscard]] double heightOf(std::size_t block) const { return blocks_[block].height; }
  /// Where the blocks lie so far; tops are below `kEdge`.
  [[nodiscard]] std::vector<FlowPlace> places(double firstBottom) const;
  /// As if nothing had been written.
  void clear();

  // While pages are painted.
  void paintLine(double x, double top, const TextStyle& style, const QString& line);
  void paintRule(double top);
  static double lineHeight(const TextStyle& style);

  /// Paints them; the first page ends where `firstBottom` says, and `alsoOnFirst` is painted there.
  void finish(double firstBottom, const std::function<void()>& alsoOnFirst = {});

 private:
  void paintFoot(int page, int pages);

  QPdfWriter& writer_;
  QString title_;
  QPainter painter_;
  std::vector<FlowBlock> blocks_;
  double before_ = 0.0;
  double right_ = 0.0;
  double bottom_ = 0.0;
};

/// A writer with pages of that size, without margins of its own, as fine as a plotter.
void setUpPages(QPdfWriter& writer, const QString& title, bool isInches);

/// What is said of knives and shears at the foot of a list to cut by.
QString careWords();

}  // namespace drapery
