#include "app/slip_tray.h"

#include <QPainter>
#include <algorithm>

#include "app/words/window_words.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"
#include "words/plan_text.h"

namespace drapery {

namespace {

constexpr double kName = 14.5;
constexpr double kFigures = 17.0;
constexpr double kBelow = 12.5;
constexpr double kSmallest = 0.5;
constexpr double kCompact = 0.82;         // lettering where pieces would get too little room
constexpr double kLeastForPieces = 0.22;  // of the tray's width
constexpr int kGap = 12;                  // between a piece and its lettering
constexpr int kBetween = 28;              // between slips
constexpr int kEdge = 18;

int heightOf(const QFont& font) { return QFontMetrics(font).height(); }
int widthOf(const QFont& font, const QString& text) {
  return QFontMetrics(font).horizontalAdvance(text);
}
int letteringHeight(double size) {
  return heightOf(textFont(size * kName, true)) + heightOf(textFont(size * kFigures, true)) +
         heightOf(textFont(size * kBelow));
}

}  // namespace

Slip::Slip(QString partId, const Palette& palette, QWidget* parent)
    : QAbstractButton(parent), palette_(palette), partId_(std::move(partId)) {
  setObjectName("slip." + partId_);
  setCheckable(true);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
}

void Slip::setPart(const PlannedPart& part, const Plan& plan) {
  const PartRule& rule = *part.rule;
  name_ = QString::fromStdString(rule.title.text);
  if (part.count > 1) name_ = QString("%1 × %2").arg(part.count).arg(name_);
  figures_ = QString::fromStdString(sizeWords(part.cutWidth, part.cutHeight, windowNotation(plan)));
  const QString grain = rule.grain == Grain::Height  ? tr("grain head to tail")
                        : rule.grain == Grain::Width ? tr("grain across")
                                                     : QString();
  below_ =
      QString::fromStdString(std::string(part.material)) + (grain.isEmpty() ? "" : ", " + grain);
  piece_ = QSizeF(part.cutWidth.mm(), part.cutHeight.mm());
  outline_.clear();
  for (const Point& p : part.outline)
    outline_ << QPointF(p.x / part.width.mm(), 1 - p.y / part.height.mm());
  grainAcross_ = rule.grain == Grain::Width;
  setAccessibleName(name_ + ", " + figures_ + ", " + below_);
  update();
}

void Slip::setScale(double pixelsPerMm) {
  scale_ = pixelsPerMm;
  updateGeometry();
  update();
}

int Slip::letteringWidth() const {
  return std::max({widthOf(textFont(size_ * kName, true), name_),
                   widthOf(textFont(size_ * kFigures, true), figures_),
                   widthOf(textFont(size_ * kBelow), below_)});
}

QSize Slip::sizeHint() const {
  const int piece = static_cast<int>(piece_.width() * scale_);
  const int high = static_cast<int>(piece_.height() * scale_);
  return {piece + kGap + letteringWidth() + 12, std::max(high, letteringHeight(size_)) + 8};
}

void Slip::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (isChecked() || hasFocus()) painter.fillRect(rect(), palette_.onAccent);
  const double w = piece_.width() * scale_;
  const double h = piece_.height() * scale_;
  const double x = 4;
  const double y = (height() - h) / 2;
  QPolygonF outline;
  for (const QPointF& p : outline_) outline << QPointF(x + p.x() * w, y + p.y() * h);
  painter.setPen(QPen(isChecked() ? palette_.accent : palette_.ink, isChecked() ? 2.0 : 1.2));
  painter.setBrush(palette_.leaves);
  painter.drawPolygon(outline);
  painter.setPen(QPen(palette_.secondInk, 1.0));
  const QPointF middle(x + w / 2, y + h / 2);
  const QPointF reach = grainAcross_ ? QPointF(w * 0.3, 0) : QPointF(0, h * 0.3);
  paintGrainArrow(painter, middle - reach, middle + reach);

  int top = (height() - letteringHeight(size_)) / 2;
  const int left = static_cast<int>(x + w) + kGap;
  const auto line = [&](const QFont& font, const QColor& colour, const QString& text) {
    painter.setFont(font);
    painter.setPen(colour);
    painter.drawText(QRect(left, top, width() - left, heightOf(font)),
                     Qt::AlignLeft | Qt::AlignVCenter, text);
    top += heightOf(font);
  };
  line(textFont(size_ * kName, true), palette_.ink, name_);
  line(textFont(size_ * kFigures, true), palette_.ink, figures_);
  line(textFont(size_ * kBelow), palette_.secondInk, below_);
}

SlipTray::SlipTray(const Palette& palette, QWidget* parent) : QWidget(parent), palette_(palette) {
  setObjectName("slips");
  setFixedHeight(static_cast<int>(124 * std::max(1.0, fontScale() * 0.85)));
}

void SlipTray::setPlan(const Plan& plan) {
  while (slips_.size() > plan.parts.size()) {
    delete slips_.back();
    slips_.pop_back();
  }
  for (std::size_t i = 0; i < plan.parts.size(); ++i) {
    const QString id = QString::fromStdString(plan.parts[i].rule->id);
    if (i == slips_.size()) slips_.push_back(nullptr);
    if (slips_[i] == nullptr || slips_[i]->partId() != id) replaceSlip(i, id);
    slips_[i]->setPart(plan.parts[i], plan);
  }
  isStopped_ = plan.has(Severity::Stop);
  layOut();
  update();
}

void SlipTray::replaceSlip(std::size_t i, const QString& id) {
  delete slips_[i];
  auto* slip = new Slip(id, palette_, this);
  connect(slip, &QAbstractButton::clicked, this, [this, slip] { emit selected(slip->partId()); });
  slip->setChecked(id == selected_);
  slip->show();
  slips_[i] = slip;
}

void SlipTray::setSelected(const QString& subject) {
  selected_ = subject;
  for (Slip* slip : slips_) slip->setChecked(slip->partId() == subject);
}

double SlipTray::letteringWidth(double size) const {
  double width = 2 * kEdge + kBetween * static_cast<double>(slips_.size() - 1);
  for (Slip* slip : slips_) {
    slip->setLetteringSize(size);
    width += slip->letteringWidth() + kGap + 12;
  }
  return width;
}

/// One scale for all: as large as the tray's height and width allow.
void SlipTray::layOut() {
  if (slips_.empty()) return;
  double widths = 0.0;
  double highest = 1.0;
  for (const Slip* slip : slips_) {
    widths += slip->pieceSize().width();
    highest = std::max(highest, slip->pieceSize().height());
  }
  double lettering = letteringWidth(1.0);
  for (double size = kCompact; width() - lettering < kLeastForPieces * width() && size > kSmallest;
       size *= kCompact)
    lettering = letteringWidth(size);
  const double room = std::max(60.0, width() - lettering);
  const double scale = std::min((height() - 28) / highest, room / widths);
  int x = kEdge;
  for (Slip* slip : slips_) {
    slip->setScale(scale);
    const QSize size = slip->sizeHint();
    slip->setGeometry(x, 8, size.width(), height() - 14);
    x += size.width() + kBetween;
  }
}

void SlipTray::resizeEvent(QResizeEvent*) { layOut(); }

void SlipTray::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.paper);
  painter.setPen(palette_.hairline);
  painter.drawLine(0, 0, width(), 0);
  painter.setFont(textFont(14));
  if (isStopped_) {
    painter.setPen(palette_.stop);
    painter.drawText(rect().adjusted(0, 10, -kEdge, 0), Qt::AlignRight | Qt::AlignTop,
                     severityMark(Severity::Stop) + "  " + tr("not to be cut yet"));
  }
  if (!slips_.empty()) return;
  painter.setPen(palette_.secondInk);
  painter.drawText(rect().adjusted(kEdge, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter,
                   tr("The pieces will lie here once the block and the board are measured."));
}

}  // namespace drapery
