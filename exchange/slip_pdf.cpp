#include "exchange/slip_pdf.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QPainter>
#include <QPdfWriter>
#include <algorithm>

#include "core/drawing/drawing.h"
#include "exchange/page_column.h"
#include "exchange/slip_page.h"
#include "exchange/whole_bytes.h"
#include "paint/drawing_painter.h"
#include "words/finding_words.h"

namespace drapery {

namespace {

// mm on the paper.
constexpr double kEdge = PageColumn::kEdge;
constexpr double kTitle = 7.0;
constexpr double kLeastTitle = 4.5;
constexpr double kHeading = 4.2;
constexpr double kText = 3.8;
constexpr double kSmall = 3.2;
constexpr double kPiece = 4.8;   // a piece's name and figures
constexpr double kShape = 11.0;  // what a piece takes at least
constexpr double kShapeWidth = 14.0;
constexpr double kPieceText = 24.0;  // where its words begin
QString text(const std::string& from) { return QString::fromStdString(from); }
const Palette& colours() { return lightPalette(); }
struct Words {
  Q_DECLARE_TR_FUNCTIONS(SlipPdf)
};

QString word(Severity severity) {
  switch (severity) {
    case Severity::Stop:
      return Words::tr("Stop: do not cut");
    case Severity::Mind:
      return Words::tr("Mind");
    case Severity::Note:
      break;
  }
  return Words::tr("Note");
}

/// Lays the slip out as blocks, mm from the left edge of the paper, and paints them page by page.
class SlipPainter {
 public:
  SlipPainter(QPdfWriter& writer, const SlipPage& page)
      : page_(page), column_(writer, text(page.title)) {}

  void paint() {
    heading();
    for (const SlipFinding& finding : page_.findings)
      if (finding.severity != Severity::Note) findingLines(finding);
    section(Words::tr("First, at the bench"), page_.card);
    for (const SlipGroup& group : page_.groups) groupLines(group);
    section(Words::tr("Mark out"), page_.marks);
    section(Words::tr("Tried on the book, as cut"), page_.tried);
    for (const SlipFinding& finding : page_.findings)
      if (finding.severity == Severity::Note) findingLines(finding);
    section(Words::tr("Sew"), page_.sewing);
    section(Words::tr("And"), page_.asides);
    section(Words::tr("Steps"), page_.steps);
    paintPages();
  }

 private:
  /// A long title is set smaller before it takes a third line.
  void heading() {
    TextStyle title{kTitle, true};
    while (title.size > kLeastTitle && column_.broken(kEdge, title, text(page_.title)).size() > 2)
      title.size -= 0.5;
    const TextStyle second{kText, false, colours().secondInk};
    column_.write(kEdge, title, text(page_.title), true);
    column_.leave(0.5);
    column_.write(kEdge, second, text(page_.method + ", " + page_.date), true);
    column_.write(kEdge, {}, text(page_.book), true);
    column_.write(kEdge, {}, text(page_.rule), true);
    column_.leave(3);
    column_.rule();
    column_.leave(3);
  }

  void findingLines(const SlipFinding& finding) {
    column_.leave(1.5);
    const double size = finding.severity == Severity::Note ? kText : kHeading;
    column_.write(kEdge, {size, true, colours().of(finding.severity)},
                  word(finding.severity) + " – " + text(finding.says), true);
    column_.write(kEdge, {}, text(finding.remedy));
  }

  void groupLines(const SlipGroup& group) {
    column_.leave(2.5);
    column_.write(kEdge, {kHeading, true}, text(group.title), true);
    for (const std::string& line : group.first)
      column_.write(kEdge, {kText, false, colours().secondInk}, text(line), true);
    column_.leave(1);
    for (const SlipPiece& piece : group.pieces) pieceLines(piece);
  }

  /// A box to tick, the count, name and figures, the rest below, and the piece's own shape.
  void pieceLines(const SlipPiece& piece) {
    const double x = kEdge + kPieceText;
    column_.add({0.0, 0.0, true, [this, &piece](double top) { paintShape(piece, top); }});
    const std::size_t first = column_.count();
    column_.write(x, {kPiece, true},
                  text(piece.count) + "  " + text(piece.name) + "   " + text(piece.figures), true);
    QString below = text(piece.material);
    if (!piece.grain.empty()) below += ", " + text(piece.grain);
    if (!piece.note.empty()) below += ". " + text(piece.note);
    column_.write(x, {kSmall, false, colours().secondInk}, below, true);
    column_.add({std::max(kShape - column_.heightFrom(first), 0.0), 0.0, false, {}});
    column_.leave(1);
  }

  void paintShape(const SlipPiece& piece, double top) {
    QPainter& painter = column_.painter();
    painter.setPen(QPen(colours().ink, 0.35));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(QRectF(kEdge, top + 1.0, 3.8, 3.8));
    outline(piece, QRectF(kEdge + 7, top + 0.5, kShapeWidth, kShape - 1.5));
  }

  /// All pieces at one scale.
  void outline(const SlipPiece& piece, const QRectF& room) {
    double largest = 1.0;
    for (const SlipGroup& group : page_.groups)
      for (const SlipPiece& other : group.pieces) {
        const Box box = boundsOf(other.drawing);
        largest = std::max({largest, box.width() / room.width(), box.height() / room.height()});
      }
    const Box box = boundsOf(piece.drawing);
    QRectF target(0, 0, box.width() / largest, box.height() / largest);
    target.moveCenter(room.center());
    paintDrawing(column_.painter(), piece.drawing, fitted(box, target), pageStyle(lightPalette()));
  }

  void section(const QString& title, const std::vector<std::string>& lines) {
    if (lines.empty()) return;
    column_.leave(2);
    column_.write(kEdge, {kHeading, true}, title, true);
    for (const std::string& line : lines) column_.write(kEdge, {}, text(line));
  }

  /// The caution lies at the foot of the first page, whatever else there is.
  void paintPages() {
    constexpr double kAboveCare = 4.0;
    const TextStyle small{kSmall, false, colours().secondInk};
    const std::vector<QString> care = column_.broken(kEdge, small, careWords());
    const double careTop =
        column_.bottom() - PageColumn::lineHeight(small) * static_cast<double>(care.size());
    column_.finish(careTop - kAboveCare, [&] {
      column_.paintRule(careTop - 1.5);
      for (std::size_t line = 0; line < care.size(); ++line)
        column_.paintLine(kEdge,
                          careTop + PageColumn::lineHeight(small) * static_cast<double>(line),
                          small, care[line]);
    });
  }

  const SlipPage& page_;
  PageColumn column_;
};

}  // namespace

QByteArray slipPdf(const Job& job, const Plan& plan, const SewnBook& sewn) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  QPdfWriter writer(&buffer);
  setUpPages(writer, text(job.title), plan.units == Units::Inches);
  const SlipPage page = slipPage(job, plan, sewn);
  SlipPainter(writer, page).paint();
  return buffer.data();
}

std::optional<Issue> writeSlipPdf(const Job& job, const Plan& plan, const std::string& path,
                                  const std::function<bool()>& isCancelled, const SewnBook& sewn) {
  return writePainted(slipPdf(job, plan, sewn), path, isCancelled);
}

}  // namespace drapery
