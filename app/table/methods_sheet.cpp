#include "app/table/methods_sheet.h"

#include <QPainter>
#include <QScrollBar>
#include <algorithm>

#include "app/ink_button.h"
#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kHeading = 14.0, kFigure = 14.0, kTitle = 12.0;
constexpr double kHeadColumnEm = 11.0, kColumnEm = 10.5;
constexpr double kDrawingEm = 9.0;  // the joints, at most so high

/// Without measuring lines, so that what is drawn is the work alone.
Drawing bare(Drawing drawing) {
  std::erase_if(drawing.shapes, [](const Shape& shape) { return shape.layer == Layer::Measures; });
  return drawing;
}

int lineOf(double pixels) { return QFontMetrics(textFont(pixels)).lineSpacing(); }

}  // namespace

class MethodsSheet::Sheet : public QWidget {
 public:
  Sheet(MethodsSheet* owner, Document& document, const Palette& palette)
      : QWidget(owner), owner_(owner), document_(document), palette_(palette) {
    setObjectName("methods.sheet");
  }

  void renew(const std::string& view) {
    comparison_ = compareMethods(document_.job(), document_.library());
    rows_ = comparedRows(comparison_, windowNotation);
    drawings_.clear();
    for (const ComparedMethod& method : comparison_.methods) {
      Drawing drawing;
      for (const ViewRule& each : method.rules->views)
        if (each.id == view && method.issues.empty()) drawing = bare(drawView(each, method.plan));
      drawings_.push_back(std::move(drawing));
    }
    placeButtons();
    lay();
    update();
  }

  /// At least as wide as the window onto it.
  void lay() {
    const auto count = static_cast<int>(comparison_.methods.size());
    const int wide = std::max(owner_->width() - owner_->verticalScrollBar()->sizeHint().width(),
                              static_cast<int>((kHeadColumnEm + count * kColumnEm) * em()));
    column_ = count > 0 ? (wide - head()) / count : 0;
    findings_ = 0;
    for (const ComparedMethod& method : comparison_.methods)
      findings_ = std::max(findings_, heightOf(findingWords(method), textFont(kTitle)));
    heading_ = headingHeight();
    scale_ = scale();
    drawn_ = 0;
    for (const Drawing& drawing : drawings_)
      drawn_ = std::max(drawn_, static_cast<int>(boundsOf(drawing).height() * scale_));
    top_ = heading_ + drawn_ + findings_ + 24;
    resize(wide, top_ + static_cast<int>(rows_.size() + 1) * rowHeight());
    for (std::size_t i = 0; i < buttons_.size(); ++i)
      buttons_[i]->setGeometry(left(i), heading_ - lineOf(kHeading) - 8, column_ - 8,
                               lineOf(kHeading) + 6);
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), palette_.ground);
    for (std::size_t i = 0; i < comparison_.methods.size(); ++i) paintMethod(painter, i);
    for (std::size_t r = 0; r < rows_.size(); ++r) paintRow(painter, r);
  }

 private:
  [[nodiscard]] int head() const { return static_cast<int>(kHeadColumnEm * em()); }
  [[nodiscard]] int left(std::size_t i) const { return head() + static_cast<int>(i) * column_; }
  [[nodiscard]] static int rowHeight() { return lineOf(kFigure) + 4; }
  [[nodiscard]] bool isPresent(const ComparedMethod& method) const {
    return method.rules->id == document_.job().method;
  }
  [[nodiscard]] static QString title(const ComparedMethod& method) {
    const QString title = localText(method.rules->title);
    return method.isHouse ? tr("%1 (house)").arg(title) : title;
  }
  [[nodiscard]] int heightOf(const QString& words, const QFont& font) const {
    return QFontMetrics(font)
        .boundingRect(0, 0, column_ - 10, 4000, Qt::TextWordWrap, words)
        .height();
  }
  [[nodiscard]] int headingHeight() const {
    int height = 0;
    for (const ComparedMethod& method : comparison_.methods)
      height = std::max(height, heightOf(title(method), textFont(kHeading, true)));
    return height + lineOf(kHeading) + 18;
  }

  /// What stands against it on this book, in a word each.
  [[nodiscard]] static QString findingWords(const ComparedMethod& method) {
    if (!method.issues.empty())
      return tr("Not for this book: %1")
          .arg(issueText(method.issues.front(), windowNotation(method.plan)));
    QStringList words;
    for (const Severity severity : {Severity::Stop, Severity::Mind}) {
      const auto count = std::count_if(
          method.plan.findings.begin(), method.plan.findings.end(),
          [&](const PlannedFinding& finding) { return finding.rule->severity == severity; });
      if (count > 0)
        words << QString("%1 %2 × %3")
                     .arg(severityMark(severity), severityWords(severity))
                     .arg(count);
    }
    return words.join("   ");
  }

  void placeButtons() {
    while (buttons_.size() < comparison_.methods.size()) {
      auto* button = new InkButton(tr("take this up"), palette_, this);
      const std::size_t i = buttons_.size();
      connect(button, &QAbstractButton::clicked, this,
              [this, i] { emit owner_->chosen(Subject::field(comparison_.methods[i].rules->id)); });
      buttons_.push_back(button);
    }
    for (std::size_t i = 0; i < buttons_.size(); ++i) {
      const bool isThere = i < comparison_.methods.size();
      buttons_[i]->setVisible(isThere);
      if (!isThere) continue;
      const ComparedMethod& method = comparison_.methods[i];
      const bool isHere = isPresent(method);
      buttons_[i]->setObjectName("take." + QString::fromStdString(method.rules->id));
      buttons_[i]->setEnabled(!isHere && method.issues.empty());
      buttons_[i]->setText(isHere                  ? tr("taken up")
                           : method.issues.empty() ? tr("take this up")
                                                   : "");
      buttons_[i]->setAccessibleName(title(method) + ", " + buttons_[i]->text());
      buttons_[i]->setAccessibleDescription(toldOf(i));
    }
  }
  /// All of a column in words.
  [[nodiscard]] QString toldOf(std::size_t i) const {
    QStringList words;
    if (const QString found = findingWords(comparison_.methods[i]); !found.isEmpty())
      words << found;
    for (const ComparedRow& row : rows_)
      words << localText(row.title) + " " + QString::fromStdString(row.cells[i]);
    return words.join("; ");
  }

  /// One scale for all.
  [[nodiscard]] double scale() const {
    double least = 1e9;
    for (const Drawing& drawing : drawings_) {
      const drapery::Box box = boundsOf(drawing);
      if (box.width() <= 0.0 || box.height() <= 0.0) continue;
      least =
          std::min({least, (column_ - 14.0) / box.width(), (kDrawingEm - 1) * em() / box.height()});
    }
    return least;
  }

  void paintMethod(QPainter& painter, std::size_t i) {
    const ComparedMethod& method = comparison_.methods[i];
    const int x = left(i);
    if (isPresent(method))
      painter.fillRect(QRect(x - 6, 0, column_ - 2, height()), palette_.onAccent);
    painter.setFont(textFont(kHeading, true));
    painter.setPen(palette_.ink);
    painter.drawText(QRect(x, 6, column_ - 10, heading_), Qt::AlignLeft | Qt::TextWordWrap,
                     title(method));
    const drapery::Box box = boundsOf(drawings_[i]);
    if (box.width() > 0.0) {
      const QSizeF size(box.width() * scale_, box.height() * scale_);
      const double bottom = heading_ + drawn_ + 4;
      PaintStyle style;
      style.palette = &palette_;
      paintDrawing(painter, drawings_[i],
                   fitted(box, QRectF(QPointF(x, bottom - size.height()), size)), style);
    }
    const bool isStop = !method.issues.empty() || method.plan.has(Severity::Stop);
    painter.setFont(textFont(kTitle));
    painter.setPen(isStop ? palette_.stop : palette_.mind);
    painter.drawText(QRect(x, top_ - findings_ - 6, column_ - 10, findings_ + 4),
                     Qt::AlignLeft | Qt::TextWordWrap, findingWords(method));
  }

  void paintRow(QPainter& painter, std::size_t r) {
    const int y = top_ + static_cast<int>(r) * rowHeight();
    painter.setPen(QPen(palette_.hairline, 0.8));
    painter.drawLine(8, y, width() - 8, y);
    painter.setFont(textFont(kTitle));
    painter.setPen(palette_.secondInk);
    const QFontMetrics metrics(textFont(kTitle));
    painter.drawText(QRect(12, y, head() - 18, rowHeight()), Qt::AlignLeft | Qt::AlignVCenter,
                     metrics.elidedText(localText(rows_[r].title), Qt::ElideRight, head() - 18));
    painter.setFont(textFont(kFigure));
    painter.setPen(palette_.ink);
    for (std::size_t i = 0; i < rows_[r].cells.size(); ++i)
      painter.drawText(QRect(left(i), y, column_ - 6, rowHeight()),
                       Qt::AlignLeft | Qt::AlignVCenter, QString::fromStdString(rows_[r].cells[i]));
  }

  MethodsSheet* owner_;
  Document& document_;
  const Palette& palette_;
  Comparison comparison_;
  std::vector<ComparedRow> rows_;
  std::vector<Drawing> drawings_;  // by method; empty where there is none
  std::vector<InkButton*> buttons_;
  int column_ = 0;                              // width of one
  int heading_ = 0, drawn_ = 0, findings_ = 0;  // heights above the rows
  int top_ = 0;                                 // of the rows
  double scale_ = 1.0;
};

MethodsSheet::MethodsSheet(Document& document, const Palette& palette, QWidget* parent)
    : QScrollArea(parent), document_(document), sheet_(new Sheet(this, document, palette)) {
  setObjectName("methods");
  setFrameShape(QFrame::NoFrame);
  setWidget(sheet_);
  setFocusPolicy(Qt::NoFocus);
}

void MethodsSheet::renew(const std::string& view) { sheet_->renew(view); }

}  // namespace drapery
