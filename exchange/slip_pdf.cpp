#include "exchange/slip_pdf.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>
#include <algorithm>

#include "core/drawing/drawing.h"
#include "exchange/slip_page.h"
#include "paint/drawing_painter.h"
#include "store/whole_file.h"
#include "words/finding_words.h"

namespace drapery {

namespace {

constexpr int kDotsPerInch = 1200;
constexpr double kEdge = 20.0;  // mm of bare paper all round

QString text(const std::string& from) { return QString::fromStdString(from); }
const Palette& colours() { return lightPalette(); }
struct Words {
  Q_DECLARE_TR_FUNCTIONS(SlipPdf)
};

/// Paints in mm from the top left of the page.
class SlipPainter {
 public:
  SlipPainter(QPdfWriter& writer, const SlipPage& page)
      : writer_(writer), page_(page), painter_(&writer) {
    painter_.scale(kDotsPerInch / kMmPerInch, kDotsPerInch / kMmPerInch);
    const QSizeF size = writer.pageLayout().pageSize().size(QPageSize::Millimeter);
    right_ = size.width() - kEdge;
    bottom_ = size.height() - kEdge;
  }

  void paint() {
    y_ = kEdge;
    heading();
    for (const SlipFinding& finding : page_.findings) findingLines(finding);
    gap(3);
    for (const SlipPiece& piece : page_.pieces) pieceLines(piece);
    section(Words::tr("Mark out"), page_.marks);
    section(Words::tr("Steps"), page_.steps);
    section(Words::tr("Tried on the book, as cut"), page_.tried);
    care();
  }

 private:
  /// A font whose pixel is a mm is too coarse for Qt: text is set at ten times its size and scaled.
  static constexpr double kFine = 10.0;

  QFont font(double mm, bool bold) const {
    QFont face("IBM Plex Sans");
    face.setPixelSize(static_cast<int>(mm * kFine));
    face.setWeight(bold ? QFont::DemiBold : QFont::Normal);
    return face;
  }

  /// Wraps the text between x and the right edge, and moves down.
  void write(double x, double mm, const QString& what, bool bold = false,
             const QColor& colour = colours().ink) {
    painter_.save();
    painter_.setFont(font(mm, bold));
    painter_.setPen(colour);
    const QRectF room(0, 0, (right_ - x) * kFine, 10000);
    const double height = painter_.boundingRect(room, Qt::TextWordWrap, what).height() / kFine;
    if (y_ + height > bottom_) newPage();
    painter_.translate(x, y_);
    painter_.scale(1 / kFine, 1 / kFine);
    painter_.drawText(QRectF(0, 0, room.width(), height * kFine + 10), Qt::TextWordWrap, what);
    painter_.restore();
    y_ += height;
  }

  void newPage() {
    writer_.newPage();
    y_ = kEdge;
  }
  void gap(double mm) { y_ += mm; }
  void rule() {
    painter_.setPen(QPen(colours().hairline, 0.25));
    painter_.drawLine(QPointF(kEdge, y_), QPointF(right_, y_));
  }

  void heading() {
    write(kEdge, 7.0, text(page_.title), true);
    gap(0.5);
    write(kEdge, 3.8, text(page_.method), false, colours().secondInk);
    write(kEdge, 3.8, text(page_.book));
    write(kEdge, 3.8, text(page_.rule));
    gap(3);
    rule();
    gap(3);
  }

  void findingLines(const SlipFinding& finding) {
    write(kEdge, 4.2, word(finding.severity) + " – " + text(finding.says), true,
          colours().of(finding.severity));
    write(kEdge, 3.8, text(finding.remedy));
    gap(2);
  }

  static QString word(Severity severity) {
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

  /// A box to tick, the count, name and figures large, the rest below, and the piece's own shape.
  void pieceLines(const SlipPiece& piece) {
    constexpr double kShape = 22.0;
    if (y_ + kShape > bottom_) newPage();
    const double top = y_;
    painter_.setPen(QPen(colours().ink, 0.35));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(QRectF(kEdge, top + 1.2, 4.2, 4.2));
    outline(piece, QRectF(kEdge + 8, top, 30, kShape - 3));
    const double x = kEdge + 44;
    write(x, 6.2, text(piece.count) + "  " + text(piece.name) + "   " + text(piece.figures), true);
    QString below = text(piece.material);
    if (!piece.grain.empty()) below += ", " + text(piece.grain);
    write(x, 3.8, below, false, colours().secondInk);
    if (!piece.note.empty()) write(x, 3.8, text(piece.note));
    y_ = std::max(y_, top + kShape);
    gap(2);
  }

  /// All pieces at one scale.
  void outline(const SlipPiece& piece, const QRectF& room) {
    double largest = 1.0;
    for (const SlipPiece& other : page_.pieces) {
      const Box box = boundsOf(other.drawing);
      largest = std::max({largest, box.width() / room.width(), box.height() / room.height()});
    }
    const Box box = boundsOf(piece.drawing);
    QRectF target(0, 0, box.width() / largest, box.height() / largest);
    target.moveCenter(room.center());
    paintDrawing(painter_, piece.drawing, fitted(box, target), pageStyle(lightPalette()));
  }

  void section(const QString& title, const std::vector<std::string>& lines) {
    if (lines.empty()) return;
    gap(2);
    write(kEdge, 4.2, title, true);
    for (const std::string& line : lines) write(kEdge, 3.8, text(line));
  }

  void care() {
    gap(4);
    rule();
    gap(2);
    write(kEdge, 3.2,
          Words::tr(
              "Knife: stand, metal rule, fresh blade, several light passes, fingers behind the "
              "edge. Shear "
              "and guillotine: trained hands only, guards in place. Children: an adult cuts. The "
              "rules of "
              "your workshop come first."),
          false, colours().secondInk);
  }

  QPdfWriter& writer_;
  const SlipPage& page_;
  QPainter painter_;
  double right_ = 0.0;
  double bottom_ = 0.0;
  double y_ = 0.0;
};

}  // namespace

std::optional<Issue> writeSlipPdf(const Job& job, const Plan& plan, const QString& path,
                                  const std::function<bool()>& isCancelled) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  {
    QPdfWriter writer(&buffer);
    writer.setTitle(text(job.title));
    writer.setCreator("Drapery");
    writer.setPageSize(QPageSize(plan.units == Units::Inches ? QPageSize::Letter : QPageSize::A4));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
    writer.setResolution(kDotsPerInch);
    const SlipPage page = slipPage(job, plan);
    SlipPainter(writer, page).paint();
  }
  if (isCancelled && isCancelled()) return std::nullopt;
  const QByteArray bytes = buffer.data();
  return writeWhole(path.toStdString(),
                    {bytes.constData(), static_cast<std::size_t>(bytes.size())});
}

}  // namespace drapery
