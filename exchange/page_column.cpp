#include "exchange/page_column.h"

#include <QCoreApplication>
#include <QTextLayout>
#include <algorithm>

#include "core/quantity/length.h"

namespace drapery {

namespace {

constexpr int kDotsPerInch = 1200;
constexpr double kSmall = 3.2;
/// A font whose pixel is a mm is too coarse for Qt: text is set at ten times its size and scaled.
constexpr double kFine = 10.0;
/// A paragraph of so many lines may be parted by the end of a page.
constexpr std::size_t kLong = 8;
constexpr double kNewPage = 1e6;  // higher than any page

struct Words {
  Q_DECLARE_TR_FUNCTIONS(SlipPdf)
};

QFont fontOf(const TextStyle& style) {
  QFont font("IBM Plex Sans");
  font.setPixelSize(static_cast<int>(style.size * kFine));
  font.setWeight(style.isBold ? QFont::DemiBold : QFont::Normal);
  font.setHintingPreference(QFont::PreferNoHinting);
  return font;
}

}  // namespace

void setUpPages(QPdfWriter& writer, const QString& title, bool isInches) {
  writer.setTitle(title);
  writer.setCreator("Drapery");
  writer.setPageSize(QPageSize(isInches ? QPageSize::Letter : QPageSize::A4));
  writer.setPageMargins(QMarginsF(0, 0, 0, 0));
  writer.setResolution(kDotsPerInch);
}

QString careWords() {
  return Words::tr(
      "Knife: stand, metal rule, fresh blade, several light passes, fingers behind the "
      "edge. Shear and guillotine: trained hands only, guards in place. Children: an "
      "adult cuts. The rules of your workshop come first.");
}

PageColumn::PageColumn(QPdfWriter& writer, const QString& title)
    : writer_(writer), title_(title), painter_(&writer) {
  painter_.scale(kDotsPerInch / kMmPerInch, kDotsPerInch / kMmPerInch);
  const QSizeF size = writer.pageLayout().pageSize().size(QPageSize::Millimeter);
  right_ = size.width() - kEdge;
  bottom_ = size.height() - kEdge;
}

/// Words that are longer than a line are broken.
std::vector<QString> PageColumn::broken(double x, const TextStyle& style,
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

void PageColumn::paintLine(double x, double top, const TextStyle& style, const QString& line) {
  painter_.save();
  painter_.setFont(fontOf(style));
  painter_.setPen(style.colour);
  painter_.translate(x, top);
  painter_.scale(1 / kFine, 1 / kFine);
  painter_.drawText(QPointF(0, QFontMetricsF(fontOf(style)).ascent()), line);
  painter_.restore();
}

double PageColumn::lineHeight(const TextStyle& style) {
  return QFontMetricsF(fontOf(style)).height() / kFine;
}

void PageColumn::add(FlowBlock block) {
  block.before += before_;
  before_ = 0.0;
  blocks_.push_back(std::move(block));
}

void PageColumn::write(double x, const TextStyle& style, const QString& what, bool keepsWithNext) {
  const std::vector<QString> lines = broken(x, style, what);
  for (std::size_t i = 0; i < lines.size(); ++i) {
    const bool isLast = i + 1 == lines.size();
    add({lineHeight(style), 0.0, isLast ? keepsWithNext : lines.size() < kLong,
         [this, x, style, line = lines[i]](double top) { paintLine(x, top, style, line); }});
  }
}

void PageColumn::rule() {
  add({0.25, 0.0, true, [this](double top) { paintRule(top); }});
}

void PageColumn::paintRule(double top) {
  painter_.setPen(QPen(lightPalette().hairline, 0.25));
  painter_.drawLine(QPointF(kEdge, top), QPointF(right_, top));
}

void PageColumn::tick(double x) {
  add({0.0, 0.0, true, [this, x](double top) {
         painter_.setPen(QPen(lightPalette().ink, 0.35));
         painter_.setBrush(Qt::NoBrush);
         painter_.drawRect(QRectF(x, top + 1.0, 3.4, 3.4));
       }});
}

void PageColumn::pageBreak() { before_ = kNewPage; }

double PageColumn::heightFrom(std::size_t block) const {
  double height = 0.0;
  for (std::size_t i = block; i < blocks_.size(); ++i) height += blocks_[i].height;
  return height;
}

std::vector<FlowPlace> PageColumn::places(double firstBottom) const {
  return flowOverPages(blocks_,
                       [&](int page) { return (page == 0 ? firstBottom : bottom_) - kEdge; });
}

void PageColumn::clear() {
  blocks_.clear();
  before_ = 0.0;
}

void PageColumn::finish(double firstBottom, const std::function<void()>& alsoOnFirst) {
  const auto lie = places(firstBottom);
  const int pages = lie.back().page + 1;
  for (std::size_t i = 0; i < blocks_.size(); ++i) {
    if (i > 0 && lie[i].page != lie[i - 1].page) writer_.newPage();
    const bool isFirstOfPage = i == 0 || lie[i].page != lie[i - 1].page;
    if (isFirstOfPage && pages > 1) paintFoot(lie[i].page + 1, pages);
    if (blocks_[i].paint) blocks_[i].paint(kEdge + lie[i].top);
    if (i == 0 && alsoOnFirst) alsoOnFirst();
  }
}

/// Sheets that come apart find each other again.
void PageColumn::paintFoot(int page, int pages) {
  const TextStyle small{kSmall, false, lightPalette().secondInk};
  const QFontMetricsF metrics(fontOf(small));
  const QString number = Words::tr("page %1 of %2").arg(page).arg(pages);
  const double x = right_ - metrics.horizontalAdvance(number) / kFine;
  paintLine(x, bottom_ + kEdge / 4, small, number);
  const double room = (x - kEdge - kSmall) * kFine;
  paintLine(kEdge, bottom_ + kEdge / 4, small, metrics.elidedText(title_, Qt::ElideRight, room));
}

}  // namespace drapery
