// What a learner has sewn, or is asked about a sewing: steps, words and answers, without the page.
#pragma once

#include <QCoreApplication>
#include <QString>
#include <optional>
#include <vector>

#include "app/sewing/step_line.h"
#include "core/quantity/format_length.h"
#include "core/sewing/drill.h"
#include "core/sewing/thread_parts.h"

namespace drapery {

class SewPractice {
  Q_DECLARE_TR_FUNCTIONS(SewPractice)

 public:
  /// From the beginning, on a book that is sewn through its side and lasts as long as this does;
  /// then steps that were right before.
  void begin(const SewnBook& book, std::vector<SewToken> made = {});
  void end();
  /// Of the book that is sewn; none where it is another that this pattern has no such drill for.
  void drill(std::optional<Drill::Kind> kind);
  /// The same once more, made otherwise.
  void another();
  [[nodiscard]] std::optional<Drill::Kind> kind() const { return kind_; }
  [[nodiscard]] bool hasBegun() const { return learner_.has_value(); }
  [[nodiscard]] const std::vector<SewToken>& made() const { return made_; }

  /// Whether steps are made: else there is something to be found.
  [[nodiscard]] bool isSewing() const { return !kind_ || *kind_ == Drill::Kind::GoOn; }
  /// Whether one goes through what somebody has sewn.
  [[nodiscard]] bool isLookingOn() const { return kind_ == Drill::Kind::FindSlip; }
  [[nodiscard]] std::size_t lookedAt() const { return shown_; }
  [[nodiscard]] std::size_t toLookAt() const { return drill_ ? drill_->tokens.size() : 0; }
  void lookAt(std::size_t tokens);

  /// Whether the step was right.
  bool press(const SewToken& token);
  void pressHole(std::size_t hole);
  void drawBack();
  /// What is typed; gives back what is left to be read behind a wrong step.
  QString read(const QString& text, const Notation& notation);
  /// The slip is the step that is looked at.
  void sayHere();

  [[nodiscard]] QString words(const Notation& notation) const;
  /// The steps so far, or those of somebody else, the one that is looked at marked.
  [[nodiscard]] StepLine steps() const;
  [[nodiscard]] QString entryAsks() const;
  /// "hole 5, near row, 2 of 3 passes, to the back", for each that may be pressed; else none.
  [[nodiscard]] QStringList holeNames() const;
  /// Where the thread stands.
  [[nodiscard]] Face face() const { return learner_ ? learner_->face() : Face::Front; }
  [[nodiscard]] const std::vector<SewStep>& drawn() const { return drawn_; }
  /// Of these the ones from here on are new.
  [[nodiscard]] std::size_t present() const;

 private:
  void make();
  void redraw();
  void answerWrap(const QString& text);
  void answerThread(const QString& text, const Notation& notation);
  QString readSteps(const QString& text);

  void askThread();

  const SewnBook* book_ = nullptr;
  const SewnStab* sewn_ = nullptr;
  std::optional<Learner> learner_;
  std::vector<SewToken> made_;
  std::vector<SewStep> drawn_;
  QString answer_;
  std::optional<Drill::Kind> kind_;
  std::optional<Drill> drill_;
  std::size_t shown_ = 0;
  SewnBook other_;          // HowMuch: the same with thicker or thinner leaves
  double thickness_ = 0.0;  // its leaves', mm
  std::uint32_t seed_ = 1;
};

}  // namespace drapery
