// The stage Sew: the strip with its thread, step by step, or sewn by a learner and judged; beside
// it the patterns, the thread and what to beware of.
#pragma once

#include <memory>
#include <optional>

#include "app/document/document.h"
#include "app/stage/stage_page.h"
#include "core/sewing/learner.h"
#include "core/sewing/sew_book.h"
#include "paint/palette.h"

class QLabel;
class QLineEdit;
class QSlider;

namespace drapery {

class InkButton;
class MarginColumn;
class StripView;
class ThreadBar;
class Workspace;

class SewPage : public StagePage {
  Q_OBJECT

 public:
  SewPage(Workspace& workspace, const Palette& palette, QWidget* parent = nullptr);

  void setStage(const Stage&) override {}
  void select(const Subject& subject) override;
  [[nodiscard]] const Subject& selected() const override { return selected_; }
  /// "step/12", "practice", "practice/6+ 5-": what a screenshot asks for.
  [[nodiscard]] Subject closerLook() const override;
  void setNotesFolded(bool folded) override;
  void startTyping() override { setFocus(); }
  void keepTyped() override {}
  [[nodiscard]] TypedTexts typed() const override { return {}; }
  void typeAgain(const TypedTexts&) override {}
  /// A learner's steps, where they are practised.
  void typeAndKeep(const std::string& value, const QString& text) override;

  /// The move that is shown: 0 before the first.
  [[nodiscard]] std::size_t move() const { return move_; }
  [[nodiscard]] std::size_t moves() const { return starts_.size(); }
  [[nodiscard]] QString words() const;

 protected:
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void renew();
  void place();
  void fitWords();
  void showMove();
  void showSections();
  void goTo(std::size_t move);
  void setPractice(bool isOn);
  void press(const SewToken& token);
  void pressHole(std::size_t hole);
  void drawBack();
  void readTokens();
  void showPractice();
  void writeMargin();
  void writePatterns();
  void writeThread();
  void keep(const std::function<void(JobSewing&)>& change);
  [[nodiscard]] const SewnStab* stab() const { return std::get_if<SewnStab>(&book_->sewn); }
  [[nodiscard]] const Plan* plan() const;
  [[nodiscard]] std::vector<QString> sentences() const;

  Workspace& workspace_;
  Document& document_;
  const Palette& palette_;
  std::unique_ptr<PatternLibrary> patterns_;
  std::unique_ptr<SewnBook> book_;
  std::vector<QString> sentences_;   // one for each move
  std::vector<std::size_t> starts_;  // the step with which a move begins
  std::size_t move_ = 0;

  MarginColumn* margin_;
  StripView* strip_;
  ThreadBar* thread_;
  QLabel* words_;
  QLabel* aside_;  // which move, ties
  QSlider* slider_;
  QLineEdit* entry_;
  std::vector<InkButton*> commands_;
  std::vector<QString> hints_;  // the keys that do the same

  std::optional<Learner> learner_;
  std::vector<SewToken> made_;
  std::vector<SewStep> madeSteps_;
  QString judged_;
  Severity judgedAs_ = Severity::Note;
  Subject selected_;
  bool isPractice_ = false, isFromBack_ = false, isFolded_ = false, isStale_ = true;
};

}  // namespace drapery
