#include "exchange/slip_pdf.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>
#include <QTextLayout>
#include <algorithm>

#include "core/drawing/drawing.h"
#include "exchange/page_flow.h"
#include "exchange/slip_page.h"
#include "paint/drawing_painter.h"
#include "store/whole_file.h"
#include "words/finding_words.h"

namespace drapery {

namespace {

// mm on the paper.
constexpr int kDotsPerInch = 1200;
constexpr double kEdge = 20.0;  // bare paper all round
constexpr double kTitle = 7.0;
constexpr double kLeastTitle = 4.5;
constexpr double kHeading = 4.2;
constexpr double kText = 3.8;
constexpr double kSmall = 3.2;
constexpr double kPiece = 4.8;   // a piece's name and figures
constexpr double kShape = 11.0;  // what a piece takes at least
constexpr double kShapeWidth = 14.0;
constexpr double kPieceText = 24.0;  // where its words begin
/// A font whose pixel is a mm is too coarse for Qt: text is set at ten times its size and scaled.
constexpr double kFine = 10.0;
/// A paragraph of so many lines may be parted by the end of a page.
constexpr std::size_t kLong = 8;

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

struct TextStyle {
  double size = kText;
  bool isBold = false;
  QColor colour = colours().ink;
};

QFont fontOf(const TextStyle& style) {
  QFont font("IBM Plex Sans");
  font.setPixelSize(static_cast<int>(style.size * kFine));
  font.setWeight(style.isBold ? QFont::DemiBold : QFont::Normal);
  font.setHintingPreference(QFont::PreferNoHinting);
  return font;
}

/// Lays the slip out as blocks, mm from the left edge of the paper, and paints them page by page.
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
    heading();
    for (const SlipFinding& finding : page_.findings)
      if (finding.severity != Severity::Note) findingLines(finding);
    section(Words::tr("First, at the bench"), page_.card);
    for (const SlipGroup& group : page_.groups) groupLines(group);
    section(Words::tr("Mark out"), page_.marks);
    section(Words::tr("Tried on the book, as cut"), page_.tried);
    for (const SlipFinding& finding : page_.findings)
      if (finding.severity == Severity::Note) findingLines(finding);
    section(Words::tr("And"), page_.asides);
    section(Words::tr("Steps"), page_.steps);
    paintPages();
  }

 private:
  /// The lines of a text between x and the right edge; words that are longer are broken.
  [[nodiscard]] std::vector<QString> broken(double x, const TextStyle& style,
                                            const QString& what) const {
    std::vector<QString> lines;
    for (const QString& paragraph : what.split('\n')) {
      QTextLayout layout(paragraph, fontOf(style));
      QTextOption option;
      option.setWrapMode(QTextOption::WrapAtWordBoundaryOrAnywhere);
      layout.setTextOption(option);
      layout.beginLayout();
      for (QTextLine line = layout.createLine(); line.isValid(); line = layout.createLine()) {
        line.setLineWidth((right_ - x) * kFine);
        lines.push_back(paragraph.mid(line.textStart(), line.textLength()));
      }
      layout.endLayout();
    }
    return lines;
  }

  void paintLine(double x, double top, const TextStyle& style, const QString& line) {
    painter_.save();
    painter_.setFont(fontOf(style));
    painter_.setPen(style.colour);
    painter_.translate(x, top);
    painter_.scale(1 / kFine, 1 / kFine);
    painter_.drawText(QPointF(0, QFontMetricsF(fontOf(style)).ascent()), line);
    painter_.restore();
  }
  static double lineHeight(const TextStyle& style) {
    return QFontMetricsF(fontOf(style)).height() / kFine;
  }

  void leave(double mm) { before_ += mm; }
  void add(FlowBlock block) {
    block.before += before_;
    before_ = 0.0;
    blocks_.push_back(std::move(block));
  }
  void write(double x, const TextStyle& style, const QString& what, bool keepsWithNext = false) {
    const std::vector<QString> lines = broken(x, style, what);
    for (std::size_t i = 0; i < lines.size(); ++i) {
      const bool isLast = i + 1 == lines.size();
      add({lineHeight(style), 0.0, isLast ? keepsWithNext : lines.size() < kLong,
           [this, x, style, line = lines[i]](double top) { paintLine(x, top, style, line); }});
    }
  }
  void rule() {
    add({0.25, 0.0, true, [this](double top) { paintRule(top); }});
  }
  void paintRule(double top) {
    painter_.setPen(QPen(colours().hairline, 0.25));
    painter_.drawLine(QPointF(kEdge, top), QPointF(right_, top));
  }

  /// A long title is set smaller before it takes a third line.
  void heading() {
    TextStyle title{kTitle, true};
    while (title.size > kLeastTitle && broken(kEdge, title, text(page_.title)).size() > 2)
      title.size -= 0.5;
    const TextStyle second{kText, false, colours().secondInk};
    write(kEdge, title, text(page_.title), true);
    leave(0.5);
    write(kEdge, second, text(page_.method), true);
    write(kEdge, {}, text(page_.book), true);
    write(kEdge, {}, text(page_.rule), true);
    leave(3);
    rule();
    leave(3);
  }

  void findingLines(const SlipFinding& finding) {
    leave(1.5);
    const double size = finding.severity == Severity::Note ? kText : kHeading;
    write(kEdge, {size, true, colours().of(finding.severity)},
          word(finding.severity) + " – " + text(finding.says), true);
    write(kEdge, {}, text(finding.remedy));
  }

  void groupLines(const SlipGroup& group) {
    leave(2.5);
    write(kEdge, {kHeading, true}, text(group.title), true);
    for (const std::string& line : group.first)
      write(kEdge, {kText, false, colours().secondInk}, text(line), true);
    leave(1);
    for (const SlipPiece& piece : group.pieces) pieceLines(piece);
  }

  /// A box to tick, the count, name and figures, the rest below, and the piece's own shape.
  void pieceLines(const SlipPiece& piece) {
    const double x = kEdge + kPieceText;
    add({0.0, 0.0, true, [this, &piece](double top) { paintShape(piece, top); }});
    const std::size_t first = blocks_.size();
    write(x, {kPiece, true},
          text(piece.count) + "  " + text(piece.name) + "   " + text(piece.figures), true);
    QString below = text(piece.material);
    if (!piece.grain.empty()) below += ", " + text(piece.grain);
    if (!piece.note.empty()) below += ". " + text(piece.note);
    write(x, {kSmall, false, colours().secondInk}, below, true);
    double height = 0.0;
    for (std::size_t i = first; i < blocks_.size(); ++i) height += blocks_[i].height;
    add({std::max(kShape - height, 0.0), 0.0, false, {}});
    leave(1);
  }

  void paintShape(const SlipPiece& piece, double top) {
    painter_.setPen(QPen(colours().ink, 0.35));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(QRectF(kEdge, top + 1.0, 3.8, 3.8));
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
    paintDrawing(painter_, piece.drawing, fitted(box, target), pageStyle(lightPalette()));
  }

  void section(const QString& title, const std::vector<std::string>& lines) {
    if (lines.empty()) return;
    leave(2);
    write(kEdge, {kHeading, true}, title, true);
    for (const std::string& line : lines) write(kEdge, {}, text(line));
  }

  /// The caution lies at the foot of the first page, whatever else there is.
  void paintPages() {
    constexpr double kAboveCare = 4.0;
    const TextStyle small{kSmall, false, colours().secondInk};
    const std::vector<QString> care = broken(
        kEdge, small,
        Words::tr("Knife: stand, metal rule, fresh blade, several light passes, fingers behind the "
                  "edge. Shear and guillotine: trained hands only, guards in place. Children: an "
                  "adult cuts. The rules of your workshop come first."));
    const double careTop = bottom_ - lineHeight(small) * static_cast<double>(care.size());
    const auto places = flowOverPages(
        blocks_, [&](int page) { return (page == 0 ? careTop - kAboveCare : bottom_) - kEdge; });
    const int pages = places.back().page + 1;
    for (std::size_t i = 0; i < blocks_.size(); ++i) {
      if (i > 0 && places[i].page != places[i - 1].page) writer_.newPage();
      const bool isFirstOfPage = i == 0 || places[i].page != places[i - 1].page;
      if (isFirstOfPage && pages > 1) paintFoot(places[i].page + 1, pages);
      if (blocks_[i].paint) blocks_[i].paint(kEdge + places[i].top);
      if (i > 0) continue;
      paintRule(careTop - 1.5);
      for (std::size_t line = 0; line < care.size(); ++line)
        paintLine(kEdge, careTop + lineHeight(small) * static_cast<double>(line), small,
                  care[line]);
    }
  }

  /// Sheets that come apart find each other again.
  void paintFoot(int page, int pages) {
    const TextStyle small{kSmall, false, colours().secondInk};
    const QFontMetricsF metrics(fontOf(small));
    const QString number = Words::tr("page %1 of %2").arg(page).arg(pages);
    const double x = right_ - metrics.horizontalAdvance(number) / kFine;
    paintLine(x, bottom_ + kEdge / 4, small, number);
    const double room = (x - kEdge - kSmall) * kFine;
    paintLine(kEdge, bottom_ + kEdge / 4, small,
              metrics.elidedText(text(page_.title), Qt::ElideRight, room));
  }

  QPdfWriter& writer_;
  const SlipPage& page_;
  QPainter painter_;
  std::vector<FlowBlock> blocks_;
  double before_ = 0.0;
  double right_ = 0.0;
  double bottom_ = 0.0;
};

}  // namespace

std::optional<Issue> writeSlipPdf(const Job& job, const Plan& plan, const std::string& path,
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
  return writeWhole(path, {bytes.constData(), static_cast<std::size_t>(bytes.size())});
}

}  // namespace drapery
