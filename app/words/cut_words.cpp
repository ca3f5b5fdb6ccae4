#include "app/words/cut_words.h"

#include <QCoreApplication>
#include <QLocale>
#include <algorithm>
#include <cmath>

#include "app/words/window_words.h"
#include "core/cutting/shortfall.h"
#include "words/cut_words.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Cut)
};

std::string translated(const char* english) {
  return QCoreApplication::translate(kCutContext, english).toStdString();
}

QString money(double amount) { return QLocale().toString(std::round(amount * 100) / 100, 'f', 2); }

}  // namespace

int withoutRoom(const CutDesk::Found& found) {
  int count = 0;
  for (const Unplaced& each : found.layout.unplaced)
    if (shortfallOf(found.work.problem, each.piece)) count += each.count;
  return count;
}

QString takenWords(int sheets, Micrometres ofRoll, const Notation& notation) {
  QStringList parts;
  if (sheets > 0)
    parts << (sheets == 1 ? Words::tr("1 sheet") : Words::tr("%1 sheets").arg(sheets));
  if (ofRoll > 0 && notation.units == Units::Inches)
    parts << Words::tr("%1 of roll").arg(cutLength(ofRoll, notation));
  else if (ofRoll > 0)
    parts << Words::tr("%1 m of roll").arg(QLocale().toString(metresUp(ofRoll), 'f', 2));
  return parts.join(", ");
}

QString cutStatusWords(const CutDesk::Found& found, const Notation& notation) {
  int sheets = 0, nowhere = 0;
  Micrometres length = 0;
  for (const MaterialCost& cost : found.layout.materials) {
    sheets += cost.sheets;
    length += cost.length;
  }
  nowhere = withoutRoom(found);
  if (nowhere > 0)
    return nowhere == 1 ? Words::tr("1 piece finds no room")
                        : Words::tr("%1 pieces find no room").arg(nowhere);
  if (found.work.problem.pieces.empty()) return Words::tr("all is cut");
  return takenWords(sheets, length, notation);
}

QString cutLength(Micrometres length, const Notation& notation) {
  return QString::fromStdString(cutLengthWords(length, notation));
}

QString rollLength(Micrometres length, const Notation& notation) {
  return QString::fromStdString(rollLengthWords(length, notation));
}

QString cutSize(Micrometres across, Micrometres along, const Notation& notation) {
  return QString::fromStdString(cutSizeWords(across, along, notation));
}

QString stockSize(const StockItem& item, const Notation& notation) {
  return QString::fromStdString(stockSizeWords(item, notation, translated));
}

QString pieceTitle(const CutDesk::Found& found, std::size_t piece) {
  const CutWork::Piece& of = found.work.pieces[piece];
  return pieceTitle(found, of.book, *of.part);
}

QString pieceTitle(const CutDesk::Found& found, std::size_t book, const PlannedPart& part) {
  QString title = localText(part.rule->title);
  if (book == 0) return title;
  return title + " · " + QString::fromStdString(bookName(*found.books[book].job));
}

QString piecesTitle(const CutDesk::Found& found, std::size_t piece, int rectangles) {
  const int count = rectangles * found.work.pieces[piece].each;
  const QString title = pieceTitle(found, piece);
  return count > 1 ? QString("%1 × %2").arg(count).arg(title) : title;
}

QString percent(double part) { return QLocale().toString(100 * part, 'f', part < 0.1 ? 1 : 0); }

QStringList percents(const std::vector<double>& shares) {
  const bool isFine = std::any_of(shares.begin(), shares.end(), [](double of) { return of < 0.1; });
  const double units = isFine ? 1000.0 : 100.0;
  QStringList said;
  double sum = 0.0, told = 0.0;
  for (const double share : shares) {
    // Each is what the sum so far, rounded, goes on by: so no rounding adds to another.
    sum += units * share;
    const double upTo = std::round(sum);
    said << QLocale().toString(100 * (upTo - told) / units, 'f', isFine ? 1 : 0);
    told = upTo;
  }
  return said;
}

QString materialTitle(const std::string& material) {
  QString title = QString::fromStdString(material);
  return title.replace('_', ' ');
}

QString whyNowhere(const CutDesk::Found& found, std::size_t piece, const Notation& notation) {
  return QString::fromStdString(whyUnplaced(found.work.problem, piece, notation, translated));
}

QString pinFaultWords(PinFault fault) {
  switch (fault) {
    case PinFault::TooMany:
      return Words::tr("There are no more of it to be put anywhere.");
    case PinFault::Elsewhere:
      return Words::tr(
          "No sheet of that stock is left, or it is another material or another thickness.");
    case PinFault::Grain:
      return Words::tr("Lying so, its grain would run the wrong way.");
    case PinFault::Pattern:
      return Words::tr("Lying so, the pattern would lie on its side.");
    case PinFault::Outside:
      return Words::tr("It would stand out over the edge that can be used.");
    case PinFault::Overlaps:
      return Words::tr("Another piece that was put there is in its way.");
    case PinFault::NoEdgeToEdge:
      break;
  }
  return Words::tr("No cuts from edge to edge would free it there.");
}

QString grainWords(const CutPiece& piece) {
  switch (piece.grain) {
    case PieceGrain::Height:
      return Words::tr(
          "Its grain has to run head to tail, so it lies along the sheet's. Turned, it would pull "
          "against the others and warp.");
    case PieceGrain::Width:
      return Words::tr("Its grain has to run across, for stiffness: it lies this way only.");
    case PieceGrain::Free:
      break;
  }
  return Words::tr("Its grain may run either way.");
}

QString settingText(const GaugeStep& step, const Notation& notation, Micrometres longest) {
  return QString::fromStdString(settingWords(step, notation, longest, translated));
}

QString inTwoText(int rectangles, const QString& pieces) {
  return QString::fromStdString(inTwoWords(rectangles, pieces.toStdString(), translated));
}

QString costWords(const CutDesk::Found& found, const MaterialCost& cost, StockFirst first) {
  QString words = Words::tr("costs %1").arg(money(found.work.costOf(found.layout, cost.material)));
  if (!cost.isWhole) return words + "; " + Words::tr("there is not stock enough for all");
  if (first == StockFirst::OffCuts && found.work.isLeastOfWhole(found.layout, cost))
    return words + "; " + Words::tr("no lay-out takes less from whole sheets");
  if (cost.isProven) {
    if (first == StockFirst::WholeSheets)
      return words + "; " + Words::tr("whole sheets wherever they suffice");
    return words + "; " + Words::tr("nothing is cheaper");
  }
  if (first == StockFirst::LeastCost)
    return words + "; " + Words::tr("none can cost less than %1").arg(money(cost.bound));
  return words + "; " + Words::tr("there may be a better one");
}

QString patternText(const CutStock& stock) {
  return QString::fromStdString(patternWords(stock, translated));
}

QString cutOtherwiseText(const CutOtherwise& piece, const QString& title,
                         const Notation& notation) {
  return QString::fromStdString(cutOtherwiseWords(piece.was, piece.is, piece.isTooSmall,
                                                  title.toStdString(), notation, translated));
}

QString grainTestText(const StockItem& item) {
  return QString::fromStdString(grainTestWords(item, translated));
}

}  // namespace drapery
