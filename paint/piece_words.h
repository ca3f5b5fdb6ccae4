// What of a piece's words finds room on it, and where: beside the numbers that stand there.
#pragma once

#include <QRectF>
#include <QStringList>
#include <map>
#include <optional>
#include <tuple>
#include <vector>

#include "paint/lettering.h"

namespace drapery {

class PieceWords {
 public:
  /// @param perMm the painter's units to a mm of the medium; @param letters against their usual
  /// size. The lettering outlives it.
  PieceWords(const Lettering& lettering, double perMm, double letters)
      : lettering_(lettering), perMm_(perMm), letters_(letters) {}

  struct Line {
    QString text;
    double size = 0.0;  // of its letters, mm
    bool isName = true;
  };
  struct Written {
    std::vector<Line> lines;
    qsizetype told = 0;  // of what was to be written: name, size
    bool isTurned = false;
    QPointF middle;
    QSizeF extent;  // as it is read, in the painter's units
  };

  /// As much as finds room, so that it is read best: smaller, turned along a high piece, or the
  /// name in two lines, before anything is left out, the last first.
  /// @param lines name, then what else. @param taken what nothing may lie on.
  /// @returns nothing where not even the name finds room.
  std::optional<Written> on(const QStringList& lines, const QRectF& box,
                            const std::vector<QRectF>& taken);
  /// A short word that has to stand there anyway.
  Written mark(const QString& text, const QRectF& box, const std::vector<QRectF>& taken);

 private:
  /// What can be written: names, then figures.
  struct Choice {
    QStringList texts;
    qsizetype names = 1, told = 1;
  };
  static std::vector<Choice> choices(const QStringList& lines);
  static QStringList inTwo(const QString& name);
  [[nodiscard]] double units(double mm) const { return mm * perMm_; }
  double widthOf(const QString& text, double mm, bool isBold);
  Written written(const Choice& choice, bool isTurned, double smaller);
  [[nodiscard]] bool fits(const Written& written, const QSizeF& size) const;
  /// All that fits a piece of that size, best first; reckoned once: hundreds of pieces are alike.
  const std::vector<Written>& allOn(const QStringList& lines, const QSizeF& size);
  /// Near its middle.
  [[nodiscard]] std::optional<QPointF> freePlace(const Written& written, const QRectF& box,
                                                 const std::vector<QRectF>& taken) const;

  const Lettering& lettering_;
  double perMm_;
  double letters_;
  std::map<std::tuple<QString, double, bool>, double> widths_;
  std::map<std::tuple<QStringList, int, int>, std::vector<Written>> written_;
};

}  // namespace drapery
