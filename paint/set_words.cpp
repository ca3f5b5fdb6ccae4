#include "paint/set_words.h"

#include <QCache>
#include <QCoreApplication>
#include <QFontMetrics>
#include <QPainter>
#include <QRegularExpression>
#include <QStaticText>
#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

constexpr int kKept = 4000;  // texts; a window shows some hundreds

/// A text in a face, and how it is broken and aligned.
struct Setting {
  QString words;
  int face = 0;
  int width = 0;  // to be broken at; 0: one line
  int aligned = 0;
  bool operator==(const Setting&) const = default;
};

size_t qHash(const Setting& of, size_t seed) {
  return qHashMulti(seed, of.words, of.face, of.width, of.aligned);
}

/// Shaping is what costs: a text is shaped when it is first met.
const QStaticText& setIn(const QFont& font, Setting setting) {
  static QCache<Setting, QStaticText> kept(kKept);
  static const bool isTidied = [] {
    qAddPostRoutine([] { kept.clear(); });  // faces go with the application
    return true;
  }();
  Q_UNUSED(isTidied);
  setting.face = font.pixelSize() * 1000 + font.weight();
  if (const QStaticText* found = kept.object(setting)) return *found;
  // Qt breaks such a text at no other sign.
  QString words = setting.words;
  auto* text = new QStaticText(words.replace('\n', QChar::LineSeparator));
  text->setTextFormat(Qt::PlainText);
  QTextOption option(Qt::Alignment(setting.aligned) | Qt::AlignAbsolute);
  // Each by its own letters: a size is no other where the window is mirrored.
  option.setTextDirection(setting.words.isRightToLeft() ? Qt::RightToLeft : Qt::LeftToRight);
  option.setWrapMode(setting.width > 0 ? QTextOption::WordWrap : QTextOption::NoWrap);
  text->setTextOption(option);
  if (setting.width > 0) text->setTextWidth(setting.width);
  text->setPerformanceHint(QStaticText::AggressiveCaching);
  text->prepare({}, font);
  kept.insert(setting, text);
  return *text;
}

/// Left is right where words run from right to left.
int seenAlignment(int flags, bool isMirrored) {
  constexpr int kEither = Qt::AlignLeft | Qt::AlignRight;
  return isMirrored && (flags & kEither) != 0 ? flags ^ kEither : flags;
}

/// Where something of that length stands in a room, in whole pixels.
double placedIn(double from, double room, double length, bool isLast, bool isMiddle) {
  return std::round(from + (room - length) * (isLast ? 1.0 : isMiddle ? 0.5 : 0.0));
}

}  // namespace

int wordsWidth(const QFont& font, const QString& words) {
  return words.isEmpty() ? 0 : static_cast<int>(std::ceil(setIn(font, {words}).size().width()));
}

int wordsHeight(const QFont& font, const QString& words, double width) {
  if (words.isEmpty()) return 0;
  const int most = std::max(1, static_cast<int>(width));
  return static_cast<int>(std::ceil(setIn(font, {words, 0, most}).size().height()));
}

QString withWholeSizes(QString words) {
  static const QRegularExpression within("(?<=[0-9×]) (?=[≈0-9×]|(?:mm|m|in|yd|g/m²)(?:\\W|$))");
  return words.replace(within, QString(QChar::Nbsp));
}

QString shortened(const QFont& font, const QString& words, int width) {
  if (wordsWidth(font, words) <= width) return words;
  return QFontMetrics(font).elidedText(words, Qt::ElideRight, width);
}

void paintWords(QPainter& painter, const QRectF& place, int flags, const QString& words) {
  if (words.isEmpty()) return;
  const int seen = seenAlignment(flags, painter.layoutDirection() == Qt::RightToLeft);
  const bool isBroken = (flags & Qt::TextWordWrap) != 0;
  const QStaticText& text =
      isBroken ? setIn(painter.font(), {words, 0, std::max(1, static_cast<int>(place.width())),
                                        seen & Qt::AlignHorizontal_Mask})
               : setIn(painter.font(), {words});
  const QSizeF size = text.size();
  const double x = isBroken
                       ? std::round(place.left())
                       : placedIn(place.left(), place.width(), size.width(),
                                  (seen & Qt::AlignRight) != 0, (seen & Qt::AlignHCenter) != 0);
  const double y = placedIn(place.top(), place.height(), size.height(),
                            (seen & Qt::AlignBottom) != 0, (seen & Qt::AlignVCenter) != 0);
  const bool isCut = (flags & Qt::TextDontClip) == 0 &&
                     (size.width() > place.width() + 1 || size.height() > place.height() + 1);
  if (isCut) {
    painter.save();
    painter.setClipRect(place, Qt::IntersectClip);
  }
  painter.drawStaticText(QPointF(x, y), text);
  if (isCut) painter.restore();
}

}  // namespace drapery
