// What the stage Cut says: sheets, pieces, settings, reasons, in the book's units.
#pragma once

#include <QString>
#include <QStringList>
#include <vector>

#include "app/cutting/cut_desk.h"
#include "core/cutting/cut_order.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// Pieces that find no room on what lies there of their material; what has no such stock at all is
/// not cut from the shelf.
int withoutRoom(const CutDesk::Found& found);

/// "2 sheets, 0.42 m of roll"; in inches "16 1/2 in of roll".
QString takenWords(int sheets, Micrometres ofRoll, const Notation& notation);
/// The same of all that is laid, or how much finds no room.
QString cutStatusWords(const CutDesk::Found& found, const Notation& notation);

QString cutLength(Micrometres length, const Notation& notation);
/// Of a roll, as it is asked for: in metres or yards.
QString rollLength(Micrometres length, const Notation& notation);
/// "700 × 1000 mm"; of a stock kept in the other unit in its own too.
QString cutSize(Micrometres across, Micrometres along, const Notation& notation);
QString stockSize(const StockItem& item, const Notation& notation);
/// "19", below a tenth "5.2"
QString percent(double part);
/// Shares of one whole, which come to 100 together: "81", "19", or as soon as one is below a tenth
/// "80.6", "18.7", "0.7".
QStringList percents(const std::vector<double>& shares);

/// "Board", with the book where there are several.
QString pieceTitle(const CutDesk::Found& found, std::size_t piece);
QString pieceTitle(const CutDesk::Found& found, std::size_t book, const PlannedPart& part);
/// "4 × Corner" of two rectangles that come to two each.
QString piecesTitle(const CutDesk::Found& found, std::size_t piece, int rectangles);
/// The same in a few letters, for a piece on a sheet.
QString materialTitle(const std::string& material);

/// "needs 12 mm more across the grain than grey board 700 x 1000 has"
QString whyNowhere(const CutDesk::Found& found, std::size_t piece, const Notation& notation);
QString pinFaultWords(PinFault fault);
/// Which way its grain runs, and why it may not be turned; or that it may.
QString grainWords(const CutPiece& piece);

/// "set to 216.5 mm, 3 cuts"
QString settingText(const GaugeStep& step, const Notation& notation, Micrometres longest);

/// What no gauge is set for: of rectangles from which two come.
QString inTwoText(int rectangles, const QString& pieces);

/// "cost 6.40, and nothing is cheaper" or what no lay-out goes below.
QString costWords(const CutDesk::Found& found, const MaterialCost& cost, StockFirst first);

QString cutOtherwiseText(const CutOtherwise& piece, const QString& title, const Notation& notation);

/// How the grain of a sheet was found, or how it can be.
QString grainTestText(const StockItem& item);
QString patternText(const CutStock& stock);

}  // namespace drapery
