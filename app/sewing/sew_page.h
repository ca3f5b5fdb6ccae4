// The stage Sew: the strip with its thread, step by step, or sewn by a learner and judged; beside
// it the patterns, the thread and what to beware of.
#pragma once

#include <memory>
#include <optional>

#include "app/document/document.h"
#include "app/sewing/sew_practice.h"
#include "app/stage/stage_page.h"
#include "core/cutting/stock.h"
#include "paint/palette.h"
#include "paint/stitch_painter.h"
#include "words/sewing_words.h"

class QLabel;
class QLineEdit;

namespace drapery {

class InkButton;
class MarginColumn;
class MoveSlider;
class SewTags;
class StripView;
class ThreadBar;
class Workspace;

/// What a learner may be asked, and the names that ask for it.
inline constexpr std::pair<const char*, Drill::Kind> kDrills[]{
    {"drill/go-on", Drill::Kind::GoOn},
    {"drill/slip", Drill::Kind::FindSlip},
    {"drill/wrap", Drill::Kind::MissingWrap},
    {"drill/thread", Drill::Kind::HowMuch}};

class SewPage : public StagePage {
  Q_OBJECT

 public:
  SewPage(Workspace& workspace, const Palette& palette, QWidget* parent = nullptr);

  void setStage(const Stage&) override {}
  void select(const Subject& subject) override;
  [[nodiscard]] const Subject& selected() const override { return selected_; }
  /// "step/12", "practice", "drill/slip": what a screenshot asks for.
  [[nodiscard]] Subject closerLook() const override;
  void setNotesFolded(bool folded) override;
  void startTyping() override { setFocus(); }
  void keepTyped() override;
  [[nodiscard]] TypedTexts typed() const override;
  void typeAgain(const TypedTexts& texts) override;
  /// A learner's steps, where they are practised; else a size of the sewing.
  void typeAndKeep(const std::string& value, const QString& text) override;

  /// The move that is shown: 0 before the first.
  [[nodiscard]] std::size_t move() const { return move_; }
  [[nodiscard]] std::size_t moves() const { return moves_.size(); }
  [[nodiscard]] QString words() const;

 protected:
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void dress();
  void makeCommands();
  void renew();
  void markTurnings();
  void showPlayer(bool isShown);
  [[nodiscard]] std::size_t at() const;
  [[nodiscard]] std::size_t last() const;
  void recallPlace();
  void place();
  void fitWords();
  [[nodiscard]] int asideLines(int width) const;
  [[nodiscard]] QString moveAside(std::size_t move) const;
  [[nodiscard]] static QString tieComesOff(std::size_t hole);
  /// Whether the words are to be read from two metres.
  [[nodiscard]] bool isFromAfar() const;
  void showMove();
  [[nodiscard]] QString whyNot() const;
  void showSections();
  [[nodiscard]] StitchPicture pictureOf(const std::vector<SewStep>& steps) const;
  void addLands(StitchPicture& picture) const;
  void goTo(std::size_t move);
  void setPractice(bool isOn);
  void setDrill(std::optional<Drill::Kind> kind);
  void pressHole(std::size_t hole);
  void pressEdge(Round round);
  void drawBack();
  void readEntry();
  void sayHere();
  void showPractice();
  void writeSteps();
  void writeMargin();
  void writeChoices();
  void writeDrills();
  void writeFindings(bool areNotes);
  void writePatterns();
  void lookFrom(bool back);
  void writeThread();
  void writeSizes();
  void writeShelf();
  void takeThread(const StockChange& change, const QString& name);
  void keep(const std::function<void(JobSewing&)>& change);
  [[nodiscard]] const SewnStab* stab() const { return std::get_if<SewnStab>(&book_->sewn); }
  [[nodiscard]] Notation notation() const;
  [[nodiscard]] std::size_t stepsDone() const;

  Workspace& workspace_;
  Document& document_;
  const Palette& palette_;
  std::shared_ptr<const SewnBook> book_ = std::make_shared<const SewnBook>();
  std::vector<std::size_t> moves_;  // the step with which each begins
  std::size_t move_ = 0;
  std::string placeOf_;  // the book whose place was recalled

  MarginColumn* margin_;
  StripView* strip_;
  SewTags* tags_;
  ThreadBar* thread_;
  QLabel* words_;
  QLabel* aside_;  // which move, ties
  MoveSlider* slider_;
  QLineEdit* entry_;
  std::vector<InkButton*> commands_;
  std::vector<QString> hints_;  // the keys that do the same

  SewPractice practice_;
  Subject selected_;
  bool isPractice_ = false, isFromBack_ = false, isFolded_ = false, isStale_ = true;
  bool isPictured_ = false;  // the picture goes on
  int topSection_ = 1;       // of those shown
  bool hasSizes_ = false;    // the list of sizes is open
};

}  // namespace drapery
