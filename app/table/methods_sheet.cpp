#include "app/table/methods_sheet.h"

#include <QLineEdit>
#include <QPaintEvent>
#include <QPainter>
#include <QScrollBar>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/table/drawn_alike.h"
#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {

constexpr double kHeading = 14.0, kFigure = 14.0, kTitle = 12.0;
constexpr double kHeadColumnEm = 11.0, kColumnEm = 10.5;
constexpr double kDrawingEm = 9.0, kOpenedEm = 7.0;  // joints and opened covers, at most so high

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
    setLayoutDirection(Qt::LeftToRight);  // a table of figures
    why_ = new QLineEdit(this);
    why_->setObjectName("methods.why");
    why_->setAccessibleName(tr("Why this method"));
    why_->setPlaceholderText(tr("why this one?"));
    dressEntry(why_, palette_, palette_.ink, palette_.accent);
    connect(why_, &QLineEdit::editingFinished, this, &Sheet::keepWhy);
  }

  void renew(const std::string& view) {
    comparison_ = compareMethods(document_.shownJob(), document_.library());
    rows_ = comparedRows(comparison_, windowNotation);
    drawings_.clear();
    opened_.clear();
    if (!why_->isModified()) why_->setText(QString::fromStdString(document_.job().why));
    for (const ComparedMethod& method : comparison_.methods) {
      Drawing drawing, opened;
      constexpr Pose kTurnedOver{180.0, false};
      for (const ViewRule& each : method.rules->views) {
        if (!method.issues.empty()) break;
        if (each.id == view) drawing = bare(drawView(each, method.plan));
        if (each.detailOf != view || !each.when.formula.holds(method.plan.table())) continue;
        Drawing turned = drawView(each, method.plan, kTurnedOver);
        if (turned.grip) opened = bare(std::move(turned));
      }
      drawings_.push_back(std::move(drawing));
      opened_.push_back(std::move(opened));
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
    scale_ = scale(drawings_, kDrawingEm);
    openedScale_ = scale(opened_, kOpenedEm);
    drawn_ = tallest(drawings_, scale_);
    const int label = lineOf(kTitle) + 4;
    openedDrawn_ = tallest(opened_, openedScale_);
    if (openedDrawn_ > 0) openedDrawn_ += label;
    top_ = heading_ + drawn_ + openedDrawn_ + findings_ + 30;
    resize(wide, top_ + static_cast<int>(rows_.size() + 1) * rowHeight());
    for (std::size_t i = 0; i < buttons_.size(); ++i)
      buttons_[i]->setGeometry(left(i), heading_ - 2 * lineOf(kHeading) - 12, column_ - 8,
                               lineOf(kHeading) + 6);
    for (std::size_t i = 0; i < comparison_.methods.size(); ++i)
      if (isPresent(comparison_.methods[i]))
        why_->setGeometry(left(i) - 2, heading_ - lineOf(kHeading) - 6, column_ - 8,
                          lineOf(kHeading) + 6);
    why_->setFont(textFont(kTitle + 1));
  }

  void keepWhy() {
    if (!why_->isModified()) return;
    why_->setModified(false);
    const std::string said = why_->text().trimmed().toStdString();
    document_.keep("why", said.empty() ? std::nullopt : FieldValue(Entry{said, {}}));
  }

 protected:
  void paintEvent(QPaintEvent* event) override {
    QPainter painter(this);
    painter.setLayoutDirection(layoutDirection());
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), palette_.ground);
    // What is scrolled out of sight costs nothing.
    const QRect seen = event->rect();
    for (std::size_t i = 0; i < comparison_.methods.size(); ++i)
      if (seen.intersects(QRect(left(i) - 6, 0, column_, height()))) paintMethod(painter, i, seen);
    for (std::size_t r = 0; r < rows_.size(); ++r)
      if (seen.intersects(QRect(0, rowTop(r), width(), rowHeight()))) paintRow(painter, r);
  }

 private:
  [[nodiscard]] int head() const { return static_cast<int>(kHeadColumnEm * em()); }
  [[nodiscard]] int left(std::size_t i) const { return head() + static_cast<int>(i) * column_; }
  [[nodiscard]] int rowTop(std::size_t r) const { return top_ + static_cast<int>(r) * rowHeight(); }
  [[nodiscard]] static int rowHeight() { return lineOf(kFigure) + 4; }
  [[nodiscard]] bool isPresent(const ComparedMethod& method) const {
    return method.rules->id == document_.job().method;
  }
  [[nodiscard]] static QString title(const ComparedMethod& method) {
    const QString title = localText(method.rules->title);
    return method.isHouse ? tr("%1 (house)").arg(title) : title;
  }
  [[nodiscard]] int heightOf(const QString& words, const QFont& font) const {
    return wordsHeight(font, words, column_ - 10);
  }
  [[nodiscard]] int headingHeight() const {
    int height = 0;
    for (const ComparedMethod& method : comparison_.methods)
      height = std::max(height, heightOf(title(method), textFont(kHeading, true)));
    return height + 2 * lineOf(kHeading) + 22;
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
  [[nodiscard]] double scale(const std::vector<Drawing>& drawings, double high) const {
    std::vector<const Drawing*> all;
    all.reserve(drawings.size());
    for (const Drawing& drawing : drawings) all.push_back(&drawing);
    return scaleForAll(all, {column_ - 14.0, (high - 1) * em()});
  }
  [[nodiscard]] static int tallest(const std::vector<Drawing>& drawings, double scale) {
    int most = 0;
    for (const Drawing& drawing : drawings)
      most = std::max(most, static_cast<int>(sizeAt(drawing, scale).height()));
    return most;
  }

  void paintMethod(QPainter& painter, std::size_t i, const QRect& seen) {
    const ComparedMethod& method = comparison_.methods[i];
    const int x = left(i);
    if (isPresent(method))
      painter.fillRect(QRect(x - 6, 0, column_ - 2, height()), palette_.onAccent);
    if (seen.top() > top_) return;
    painter.setFont(textFont(kHeading, true));
    painter.setPen(palette_.ink);
    paintWords(painter, QRect(x, 6, column_ - 10, heading_), Qt::AlignLeft | Qt::TextWordWrap,
               title(method));
    paintStanding(painter, drawings_[i], scale_, QPointF(x, heading_ + drawn_ + 4), palette_);
    const double bottom = heading_ + drawn_ + openedDrawn_ + 10;
    paintStanding(painter, opened_[i], openedScale_, QPointF(x, bottom - lineOf(kTitle)), palette_);
    painter.setFont(textFont(kTitle));
    painter.setPen(palette_.secondInk);
    if (opened_[i].grip)
      paintWords(painter, QRectF(x, bottom - lineOf(kTitle), column_ - 8, lineOf(kTitle) + 2),
                 Qt::AlignLeft | Qt::AlignVCenter,
                 tr("opens to %1°").arg(std::lround(opened_[i].grip->most)));
    const bool isStop = !method.issues.empty() || method.plan.has(Severity::Stop);
    painter.setFont(textFont(kTitle));
    painter.setPen(isStop ? palette_.stop : palette_.mind);
    paintWords(painter, QRect(x, top_ - findings_ - 6, column_ - 10, findings_ + 4),
               Qt::AlignLeft | Qt::TextWordWrap, findingWords(method));
  }

  void paintRow(QPainter& painter, std::size_t r) {
    const int y = rowTop(r);
    painter.fillRect(QRect(8, y, width() - 16, 1), palette_.hairline);
    painter.setFont(textFont(kTitle));
    painter.setPen(palette_.secondInk);
    paintWords(painter, QRect(12, y, head() - 18, rowHeight()), Qt::AlignLeft | Qt::AlignVCenter,
               shortened(textFont(kTitle), localText(rows_[r].title), head() - 18));
    painter.setFont(textFont(kFigure));
    painter.setPen(palette_.ink);
    for (std::size_t i = 0; i < rows_[r].cells.size(); ++i)
      paintWords(painter, QRect(left(i), y, column_ - 6, rowHeight()),
                 Qt::AlignLeft | Qt::AlignVCenter, QString::fromStdString(rows_[r].cells[i]));
  }

  MethodsSheet* owner_;
  Document& document_;
  const Palette& palette_;
  Comparison comparison_;
  std::vector<ComparedRow> rows_;
  std::vector<Drawing> drawings_, opened_;  // by method; empty where there is none
  QLineEdit* why_ = nullptr;                // the present method, and no other
  std::vector<InkButton*> buttons_;
  int column_ = 0;                                                // width of one
  int heading_ = 0, drawn_ = 0, openedDrawn_ = 0, findings_ = 0;  // heights above the rows
  int top_ = 0;                                                   // of the rows
  double scale_ = 1.0, openedScale_ = 1.0;
};

MethodsSheet::MethodsSheet(Document& document, const Palette& palette, QWidget* parent)
    : TableSheet(parent), document_(document), sheet_(new Sheet(this, document, palette)) {
  setObjectName("methods");
  setFrameShape(QFrame::NoFrame);
  setWidget(sheet_);
  setFocusPolicy(Qt::NoFocus);
}

QString MethodsSheet::heading() const { return tr("This book by every method"); }

void MethodsSheet::renew(const std::string& view) { sheet_->renew(view); }

void MethodsSheet::keepTyped() { sheet_->keepWhy(); }

}  // namespace drapery
