// Words that are set once, and then painted in every frame. In faces of textFont's: they are told
// apart by size and weight alone.
#pragma once

#include <QFont>
#include <QRectF>
#include <QString>

class QPainter;

namespace drapery {

/// The width of words in one line, in pixels, rounded up.
int wordsWidth(const QFont& font, const QString& words);

/// The height of words that are broken into lines of at most that width, in pixels, rounded up.
int wordsHeight(const QFont& font, const QString& words, double width);

/// The words with no break at the end of a line within a size: "≈3 13/64 × ≈35 7/16 in".
QString withWholeSizes(QString words);

/// The words, cut short where they are wider than that.
QString shortened(const QFont& font, const QString& words, int width);

/// Paints them in the painter's font and pen as QPainter::drawText does: `flags` are an alignment,
/// mirrored where words run from right to left, Qt::TextWordWrap and Qt::TextDontClip.
void paintWords(QPainter& painter, const QRectF& place, int flags, const QString& words);

}  // namespace drapery
