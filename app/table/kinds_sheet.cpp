#include "app/table/kinds_sheet.h"

#include <QPaintEvent>
#include <QPainter>
#include <QScrollBar>
#include <algorithm>

#include "app/ink_button.h"
#include "app/table/drawn_alike.h"
#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"
#include "core/plan/planner.h"
#include "paint/fonts.h"
#include "paint/set_words.h"
#include "words/plan_text.h"

namespace drapery {

namespace {

constexpr double kTitle = 14.0, kWords = 12.5;
constexpr double kCellEm = 15.5, kDrawingEm = 10.0;
constexpr int kEdge = 12, kGap = 18;
constexpr double kDimmed = 0.3;
constexpr const char* kPortrait = "portrait";

int lineOf(double pixels) { return QFontMetrics(textFont(pixels)).lineSpacing(); }

}  // namespace

class KindsSheet::Sheet : public QWidget {
 public:
  Sheet(KindsSheet* owner, Document& document, const Palette& palette)
      : QWidget(owner), owner_(owner), document_(document), palette_(palette) {
    setObjectName("kinds.sheet");
    const QString words[kBookUses.size()] = {
        tr("lie flat"),  tr("be shown from both sides"),   tr("be written in"), tr("be read"),
        tr("be a gift"), tr("be made in an hour of class")};
    for (std::size_t i = 0; i < kBookUses.size(); ++i) {
      auto* button = new InkButton(words[i], palette_, this);
      button->setObjectName("kinds.use." + QString::fromUtf8(kBookUses[i].data()));
      button->setCheckable(true);
      connect(button, &QAbstractButton::toggled, this, [this] { renew(); });
      uses_.push_back(button);
    }
  }

  void renew() {
    std::vector<std::string> asked;
    for (std::size_t i = 0; i < uses_.size(); ++i)
      if (uses_[i]->isChecked()) asked.emplace_back(kBookUses[i]);
    isAsked_ = !asked.empty();
    leaves_ = leavesOf(document_.plan());
    cells_.clear();
    for (KindOfBook& kind : kindsOfBooks(document_.library(), asked)) {
      const QString title = titleOf(*kind.rules);
      Cell cell{std::move(kind), {}, title};
      const Plan plan = Planner(cell.kind.rules).plan(jobOfLeaves(*cell.kind.rules, leaves_)).plan;
      for (const ViewRule& view : plan.rules->views)
        if (view.figure == kPortrait) cell.drawing = drawView(view, plan);
      cells_.push_back(std::move(cell));
    }
    std::stable_partition(cells_.begin(), cells_.end(),
                          [](const Cell& cell) { return cell.kind.serves; });
    makeButtons();
    lay();
    update();
  }

  void lay() {
    const int wide = owner_->width() - owner_->verticalScrollBar()->sizeHint().width();
    const int room = wide - 2 * kEdge + kGap, cell = static_cast<int>(kCellEm * em()) + kGap;
    columns_ = static_cast<std::size_t>(std::max(1, room / cell));
    columns_ = std::min(columns_, std::max<std::size_t>(1, (cells_.size() + 1) / 2));
    column_ = room / static_cast<int>(columns_) - kGap;
    int y = layUses(wide);
    scale_ = scale();
    for (std::size_t row = 0; row * columns_ < cells_.size(); ++row) {
      const std::size_t end = std::min(cells_.size(), (row + 1) * columns_);
      int drawn = 0, told = 0;
      for (std::size_t i = row * columns_; i < end; ++i) {
        drawn = std::max(drawn, static_cast<int>(sizeAt(cells_[i].drawing, scale_).height()));
        told = std::max(told, toldHeight(cells_[i]));
      }
      for (std::size_t i = row * columns_; i < end; ++i) {
        const int x = kEdge + static_cast<int>(i - row * columns_) * (column_ + kGap);
        cells_[i].area = QRect(x, y, column_, drawn + told);
        cells_[i].drawn = drawn;
        buttons_[i]->setGeometry(x, y + drawn + told + 2, column_, lineOf(kTitle) + 6);
      }
      y += drawn + told + lineOf(kTitle) + 8 + kGap;
    }
    resize(wide, y);
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), palette_.ground);
    painter.setFont(textFont(kWords));
    painter.setPen(palette_.secondInk);
    paintWords(painter, QRect(kEdge, leavesTop_, width() - 2 * kEdge, leavesHigh_),
               Qt::AlignLeft | Qt::TextWordWrap, leavesWords());
    painter.setPen(palette_.ink);
    painter.setFont(textFont(kTitle, true));
    paintWords(painter, QRect(kEdge, 4, width(), lineOf(kTitle) + 4),
               Qt::AlignLeft | Qt::AlignVCenter, tr("The book shall"));
    for (const Cell& cell : cells_) paintCell(painter, cell);
  }

 private:
  struct Cell {
    KindOfBook kind;
    Drawing drawing;
    QString title = {};
    QRect area = {};
    int drawn = 0;  // of its height, at the top
  };

  /// Of the ground that a kind's methods stand on, where it has one; else the method's own.
  [[nodiscard]] QString titleOf(const RuleSet& rules) const {
    const std::string title = document_.library().title(rules.structure);
    return title == rules.structure ? localText(rules.title) : QString::fromStdString(title);
  }

  [[nodiscard]] QString leavesWords() const {
    const Notation notation = windowNotation(document_.plan());
    return tr("Each of leaves %1, %2 thick, all at one scale: the front cover, and opened from the "
              "head.")
        .arg(QString::fromStdString(sizeWords(leaves_.width, leaves_.height, notation)),
             QString::fromStdString(formatLength(leaves_.thickness, notation)));
  }

  /// @returns where the cells begin.
  int layUses(int wide) {
    int x = kEdge, y = lineOf(kTitle) + 10;
    const int high = lineOf(kTitle) + 6;
    for (InkButton* use : uses_) {
      const int w = use->sizeHint().width();
      if (x > kEdge && x + w > wide - kEdge) {
        x = kEdge;
        y += high;
      }
      use->setGeometry(x, y, w, high);
      x += w + kGap;
    }
    leavesTop_ = y + high + 4;
    leavesHigh_ = wordsHeight(textFont(kWords), leavesWords(), wide - 2 * kEdge);
    return leavesTop_ + leavesHigh_ + kGap / 2;
  }

  void makeButtons() {
    while (buttons_.size() < cells_.size()) {
      auto* button = new InkButton({}, palette_, this);
      const std::size_t i = buttons_.size();
      connect(button, &QAbstractButton::clicked, this,
              [this, i] { emit owner_->chosen(Subject::field(cells_[i].kind.rules->id)); });
      buttons_.push_back(button);
      button->show();
    }
    const std::string present = document_.library().structure(document_.job().method);
    for (std::size_t i = 0; i < buttons_.size(); ++i) {
      buttons_[i]->setVisible(i < cells_.size());
      if (i >= cells_.size()) continue;
      const RuleSet& rules = *cells_[i].kind.rules;
      const bool isHere = rules.structure == present;
      buttons_[i]->setObjectName("kinds.take." + QString::fromStdString(rules.id));
      buttons_[i]->setText(isHere ? tr("this book's kind") : tr("make it so"));
      buttons_[i]->setEnabled(!isHere);
      buttons_[i]->setAccessibleName(cells_[i].title + ", " + buttons_[i]->text());
      buttons_[i]->setAccessibleDescription(localText(rules.suits) + ". " + localText(rules.never));
    }
  }

  [[nodiscard]] double scale() const {
    std::vector<const Drawing*> all;
    all.reserve(cells_.size());
    for (const Cell& cell : cells_) all.push_back(&cell.drawing);
    return scaleForAll(all, {column_ - 8.0, kDrawingEm * em()});
  }

  [[nodiscard]] int wordsHigh(const QString& words, const QFont& font) const {
    return words.isEmpty() ? 0 : wordsHeight(font, words, column_ - 4) + 2;
  }
  [[nodiscard]] int toldHeight(const Cell& cell) const {
    const RuleSet& rules = *cell.kind.rules;
    return 8 + wordsHigh(cell.title, textFont(kTitle, true)) +
           wordsHigh(localText(rules.suits), textFont(kWords)) +
           wordsHigh(localText(rules.never), textFont(kWords));
  }

  void paintCell(QPainter& painter, const Cell& cell) {
    const RuleSet& rules = *cell.kind.rules;
    const bool isDimmed = isAsked_ && !cell.kind.serves;
    painter.setOpacity(isDimmed ? kDimmed : 1.0);
    const double wide = sizeAt(cell.drawing, scale_).width();
    paintStanding(painter, cell.drawing, scale_,
                  QPointF(cell.area.left() + (column_ - wide) / 2, cell.area.top() + cell.drawn),
                  palette_);
    painter.setOpacity(1.0);
    int y = cell.area.top() + cell.drawn + 8;
    const auto write = [&](const QString& words, const QFont& font, const QColor& colour) {
      const int high = wordsHigh(words, font);
      painter.setFont(font);
      painter.setPen(colour);
      paintWords(painter, QRect(cell.area.left(), y, column_ - 4, high),
                 Qt::AlignLeft | Qt::TextWordWrap, words);
      y += high;
    };
    write(cell.title, textFont(kTitle, true), isDimmed ? palette_.secondInk : palette_.ink);
    write(localText(rules.suits), textFont(kWords), isDimmed ? palette_.secondInk : palette_.ink);
    write(localText(rules.never), textFont(kWords), palette_.secondInk);
  }

  KindsSheet* owner_;
  Document& document_;
  const Palette& palette_;
  Leaves leaves_;
  std::vector<Cell> cells_;
  std::vector<InkButton*> uses_, buttons_;
  bool isAsked_ = false;
  std::size_t columns_ = 1;
  int column_ = 0;                      // width of one
  int leavesTop_ = 0, leavesHigh_ = 0;  // the words of which leaves
  double scale_ = 1.0;
};

KindsSheet::KindsSheet(Document& document, const Palette& palette, QWidget* parent)
    : TableSheet(parent), sheet_(new Sheet(this, document, palette)) {
  setObjectName("kinds");
  setFrameShape(QFrame::NoFrame);
  setWidget(sheet_);
  setFocusPolicy(Qt::NoFocus);
}

QString KindsSheet::heading() const { return tr("Another kind of book"); }

void KindsSheet::renew(const std::string&) { sheet_->renew(); }

void KindsSheet::resizeEvent(QResizeEvent* event) {
  TableSheet::resizeEvent(event);
  sheet_->lay();
}

}  // namespace drapery
