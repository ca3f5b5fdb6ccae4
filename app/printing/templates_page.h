// The stage Templates: the sheets as they will be printed, and beside them what each template is
// for, the shop's own gauges in its place, the printer and how it is off.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <set>
#include <vector>

#include "app/document/document.h"
#include "app/stage/stage_page.h"
#include "exchange/print_job.h"
#include "paint/palette.h"

class QLineEdit;
class QPrinter;
class QScrollArea;

namespace drapery {

class InkButton;
class MarginColumn;
class PrintSheetView;
class ScreenCard;
class Workspace;

class TemplatesPage : public StagePage {
  Q_OBJECT

 public:
  TemplatesPage(Workspace& workspace, const Palette& palette, QWidget* parent = nullptr);

  void setStage(const Stage&) override {}
  void select(const Subject& subject) override;
  [[nodiscard]] const Subject& selected() const override { return selected_; }
  /// The sheet that is looked at, "sheet/1".
  [[nodiscard]] Subject closerLook() const override;
  void setNotesFolded(bool folded) override;
  void startTyping() override { setFocus(); }
  void keepTyped() override;
  [[nodiscard]] TypedTexts typed() const override;
  void typeAgain(const TypedTexts& texts) override;
  /// Commands of the margin by their names, one after the other.
  void typeAndKeep(const std::string& value, const QString& text) override;

  /// Asks for a printer, or takes it as it is; false where nothing is to be printed.
  using PrinterQuestion = std::function<bool(QPrinter&, QWidget*)>;
  void askForPrinter(PrinterQuestion question) { askPrinter_ = std::move(question); }
  /// None while the book is not measured or the paper has no room.
  [[nodiscard]] const PrintJob* print() const { return print_.get(); }

 protected:
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void paintEvent(QPaintEvent* event) override;

 private:
  void renew();
  void place();
  void placeSheets();
  void showSheet();
  void look(std::optional<std::size_t> sheet);
  void lookAtCard(bool isShown);
  void setTrueSize(bool isTrue);
  void choose(const std::string& thing);

  void writeMargin();
  void writePaper();
  void writeThing(const TrueSize& thing);
  void writeGauges(const TrueSize& thing);
  void writeList();
  void writePrinter();
  void writeScreen();
  QLineEdit* field(const QString& name, const QString& label, const QString& asking);
  void keepInShop(const std::vector<QLineEdit*>& entries, const std::function<Issues()>& keep);
  void keepPrinter();
  void keepGauge();
  void tell(const Issues& issues);
  void holdTyped();

  [[nodiscard]] Paper paper() const;
  [[nodiscard]] PrinterError error() const;
  [[nodiscard]] ShopPrinter printerFor(const QString& chosen) const;
  [[nodiscard]] const TrueSize* chosen() const;
  [[nodiscard]] PrintChoice printedNow() const;
  void setPaper(const std::string& id);
  void toggle(const std::string& thing);
  void printAlone(const std::string& thing);
  void printOut();
  void writeFile(const char* as);

  Workspace& workspace_;
  Document& book_;
  const Palette& palette_;
  MarginColumn* margin_;
  QScrollArea* table_;
  QWidget* sheetsGround_;
  std::vector<PrintSheetView*> sheets_;
  QScrollArea* large_;
  PrintSheetView* open_;
  ScreenCard* card_;
  InkButton* back_;
  PrinterQuestion askPrinter_;

  std::shared_ptr<const PrintJob> print_;
  std::shared_ptr<const Plan> plan_;
  std::vector<TrueSize> all_;
  std::optional<Issue> why_;      // nothing is printed
  std::string alone_;             // the one thing that is printed; empty: as usual
  std::set<std::string> turned_;  // things whose usual printing, yes or no, was turned round
  std::optional<std::size_t> openSheet_;
  std::string thing_;
  Subject selected_;
  TypedTexts held_;  // half typed, also where its entry is not to be seen now
  QString told_;
  Severity toldAs_ = Severity::Note;
  bool isTrueSize_ = false, showsCard_ = false, isFolded_ = false, isStale_ = true;
};

}  // namespace drapery
