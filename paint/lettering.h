// Letters measured in mm of the medium, on the screen and on paper alike.
#pragma once

#include <QColor>
#include <QFont>
#include <QPointF>
#include <QString>
#include <QStringList>

class QPainter;

namespace drapery {

class Lettering {
 public:
  /// @param perMm the painter's units to a mm of the medium
  /// @param isOutlined letters become shapes, for who has not got the face
  Lettering(QPainter& painter, double perMm, bool isOutlined = false)
      : painter_(painter), perMm_(perMm), isOutlined_(isOutlined) {}

  /// In mm.
  [[nodiscard]] double widthOf(const QString& text, double mm, bool isBold = false) const;
  [[nodiscard]] static double lineHeight(double mm) { return 1.32 * mm; }
  /// Broken at blanks into lines of at most so many mm; a longer word stays whole.
  [[nodiscard]] QStringList broken(const QString& text, double mm, double width) const;
  /// Cut short where it is wider.
  [[nodiscard]] QString shortened(const QString& text, double mm, double width,
                                  bool isBold = false) const;

  /// In one line with its middle there, in the painter's units; turned by degrees clockwise.
  void writeMiddle(const QPointF& middle, const QString& text, double mm, const QColor& colour,
                   bool isBold = false, double turn = 0.0);
  /// From there on, the line's top at that height.
  void write(const QPointF& topLeft, const QString& text, double mm, const QColor& colour,
             bool isBold = false);

 private:
  /// Letters of so many mm, and what the painter has to be scaled by for them.
  struct Face {
    QFont font;
    double fine = 1.0;
  };
  [[nodiscard]] Face faceOf(double mm, bool isBold) const;
  void draw(const QPointF& baseline, const QString& text, const Face& face, const QColor& colour);

  QPainter& painter_;
  double perMm_;
  bool isOutlined_;
};

}  // namespace drapery
