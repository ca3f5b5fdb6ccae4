// The stage Cut: the book's pieces on the sheets that lie there. All sheets at one scale, or one of
// them large; beside them what they cost, the cuts in their order, and what the binder decides.
#pragma once

#include <QFrame>
#include <functional>
#include <optional>
#include <vector>

#include "app/cutting/cut_desk.h"
#include "app/stage/stage_page.h"
#include "core/drawing/sheet_drawing.h"
#include "paint/palette.h"
#include "paint/sheet_painter.h"

class QLabel;
class QScrollArea;

namespace drapery {

class MarginColumn;
class InkButton;
class SheetCard;
class SheetView;
class StockSheet;
class Workspace;

class CutPage : public StagePage {
  Q_OBJECT

 public:
  CutPage(Workspace& workspace, const Palette& palette, QWidget* parent = nullptr);

  void setStage(const Stage&) override {}
  void select(const Subject& subject) override;
  [[nodiscard]] const Subject& selected() const override { return selected_; }
  /// The sheet that is looked at, "sheet/1".
  [[nodiscard]] Subject closerLook() const override;
  void setNotesFolded(bool folded) override;
  void startTyping() override { setFocus(); }
  void keepTyped() override;
  [[nodiscard]] TypedTexts typed() const override { return {}; }
  void typeAgain(const TypedTexts&) override {}
  /// Commands of the margin by their names, "step/3" and "piece/2", one after the other.
  void typeAndKeep(const std::string& value, const QString& text) override;

  [[nodiscard]] const CutDesk& desk() const { return desk_; }

 protected:
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void hideEvent(QHideEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void paintEvent(QPaintEvent* event) override;

 private:
  void renew();
  void showCards(const BenchWork& before);
  void findAgain(const BenchWork& before);
  void remember();
  void writeMargin();
  void writeOverview();
  void writeEnough();
  void writeFaults();
  void writeMaterial(const MaterialCost& cost);
  void writeShopping();
  void writeOtherMakes();
  void writeSpare(const std::string& material);
  void putOnShelf(const ToGet& wanted, const SoldSize& size);
  void writeWishes();
  void writeDone();
  void writeDone(const CutDone& done, std::size_t which);
  void writeSpoiling(const CutDone& done, std::size_t which);
  [[nodiscard]] QString cutPieces(const CutDone& done, const std::string& piece, int count) const;
  [[nodiscard]] QStringList cutPieces(const CutDone& done,
                                      const std::map<std::string, int>& of) const;
  [[nodiscard]] const BookToCut* bookOf(const CutDone& done) const;
  [[nodiscard]] QString bookTitle(const CutDone& done) const;
  void writeKept();
  void writeSheet();
  void writeSteps();
  void writePiece();
  void place();
  void placeCards();
  /// Where the cards lie, and the moments that begin there.
  struct Rows {
    std::vector<QRect> cards;
    std::vector<double> scales;  // of the cards
    std::vector<std::pair<int, QPoint>> captions;
    int height = 0;
  };
  [[nodiscard]] double widestScale(const SheetCard& card) const;
  [[nodiscard]] Rows rowsAt(double scale) const;
  static int captionHeight();
  void look(std::optional<std::size_t> sheet);
  void lookAtStock(bool isShown);
  void showSheet();
  void takeStep(std::size_t made);
  void choose(std::optional<std::size_t> placement);

  [[nodiscard]] const CutLayout& layOut() const { return found_->layout; }
  /// As it is cut at the bench.
  [[nodiscard]] const CutLayout& shown() const { return bench_->layout; }
  [[nodiscard]] const CutProblem& problem() const { return found_->work.problem; }
  [[nodiscard]] const CutSheet* sheet() const;
  [[nodiscard]] const CutStock& stockOf(const CutSheet& sheet) const {
    return problem().stocks[sheet.stock];
  }
  [[nodiscard]] int momentOf(const CutSheet& sheet) const;
  [[nodiscard]] SheetWords wordsOn(const CutSheet& sheet, std::size_t placement) const;
  [[nodiscard]] QString titleOf(const CutSheet& sheet) const;
  [[nodiscard]] QStringList belowOf(const CutSheet& sheet) const;

  // What the binder decides.
  void change(const std::function<void(JobCutting&)>& edit);
  void tryPin(JobPin pin, std::size_t instead);
  void pinChosen();
  void letGo();
  void turnChosen();
  void moveChosen(double x, double y);
  void moveTo(std::size_t stock, int sheet);
  void movePiece(const CutSheet& of, const CutPlacement& at, std::size_t stock, int sheet);
  void carry(const QPoint& at, const QSize& size);
  void putDown(std::size_t card, std::size_t placement, const QPoint& at);
  void cutTogetherWith(const QString& path);
  void keepLayOut();
  void takeUp(std::size_t kept);
  [[nodiscard]] QString keptWords(const KeptLayOut& kept) const;
  void cutSheetDone(int times);
  [[nodiscard]] std::vector<CutDone> doneOf(const CutSheet& sheet, int times) const;
  [[nodiscard]] QString whyNotYet() const;
  void spoil(std::size_t which, const std::map<std::string, int>& pieces);
  void spoilSheet();
  void keepCut(const QString& step, const StockChange& made, JobCutting cutting);
  void refuse(const Issue& issue);
  void writeGrainTest(const StockItem& item);
  [[nodiscard]] int pinNumber(const CutSheet& sheet) const;
  [[nodiscard]] std::optional<std::size_t> pinOf(const CutSheet& sheet,
                                                 const CutPlacement& at) const;
  void tell(const QString& words) { told_ = words; }

  Workspace& workspace_;
  Document& book_;
  CutDesk& desk_;
  /// What is shown; while the page is hidden the desk may have another.
  std::shared_ptr<const CutDesk::Found> found_;
  std::shared_ptr<const BenchWork> bench_;
  const Palette& palette_;
  MarginColumn* margin_;
  QScrollArea* table_;
  QWidget* cardsSheet_;
  SheetView* view_;
  StockSheet* stock_;
  QFrame* carried_;  // the outline of a piece on its way to another sheet
  InkButton* back_;
  QLabel* wrong_;  // with what was typed in the stock
  std::vector<SheetCard*> cards_;
  std::vector<QLabel*> captions_;
  std::vector<std::size_t> order_;   // of the cards: sheets by the moment of their first cut
  std::optional<std::size_t> open_;  // the sheet that is looked at
  /// The same by its name, and the piece that is chosen: another lay-out numbers them otherwise.
  struct Names {
    std::string stock, piece;
    std::size_t nth = 0;  // of that stock's
  };
  Names names_;
  std::size_t made_ = 0;  // settings that were made on it
  bool isStepping_ = false;
  Subject selected_;
  std::optional<std::size_t> chosen_;  // a placement of the open sheet
  QString told_;                       // why something cannot be done
  bool isFolded_ = false;
  bool showsStock_ = false;  // in place of the sheets
  bool isStale_ = true;      // other sheets are laid out than those that are shown
};

}  // namespace drapery
