#include "words/sewing_words.h"

#include <fmt/format.h>

#include <array>
#include <cmath>
#include <numeric>
#include <set>

#include "words/said.h"

namespace drapery {

namespace {

using Do = SewStep::Do;

constexpr const char* kStretches[2][2]{
    {QT_TRANSLATE_NOOP("Sewing", "On the front to hole {0}, and through it to the back."),
     QT_TRANSLATE_NOOP("Sewing", "On the front to hole {0}.")},
    {QT_TRANSLATE_NOOP("Sewing", "On the back to hole {0}, and through it to the front."),
     QT_TRANSLATE_NOOP("Sewing", "On the back to hole {0}.")}};
// By the edge that is gone round; then to the front, to the back, and the last of all.
constexpr const char* kWraps[3][3]{
    {QT_TRANSLATE_NOOP("Sewing", "Round the spine, and through hole {0} again to the front."),
     QT_TRANSLATE_NOOP("Sewing", "Round the spine, and through hole {0} again to the back."),
     QT_TRANSLATE_NOOP("Sewing", "Round the spine to the back, to hole {0}.")},
    {QT_TRANSLATE_NOOP("Sewing", "Round the head, and through hole {0} again to the front."),
     QT_TRANSLATE_NOOP("Sewing", "Round the head, and through hole {0} again to the back."),
     QT_TRANSLATE_NOOP("Sewing", "Round the head to the back, to hole {0}.")},
    {QT_TRANSLATE_NOOP("Sewing", "Round the tail, and through hole {0} again to the front."),
     QT_TRANSLATE_NOOP("Sewing", "Round the tail, and through hole {0} again to the back."),
     QT_TRANSLATE_NOOP("Sewing", "Round the tail to the back, to hole {0}.")}};

class StepWords {
 public:
  StepWords(const std::vector<SewStep>& steps, const SewingNotes& notes, const Notation& notation,
            const Translate& translate)
      : steps_(steps), notes_(notes), notation_(notation), translate_(translate) {}

  [[nodiscard]] std::string of(std::size_t i) const {
    const SewStep& step = steps_[i];
    const std::size_t hole = step.hole + 1;
    switch (step.what) {
      case Do::Pass:
        return passWords(i);
      case Do::Stretch:
        return said(translate_, kStretches[step.to == Face::Front ? 0 : 1][isFollowed(i) ? 0 : 1],
                    hole);
      case Do::Wrap: {
        const auto round = static_cast<std::size_t>(step.round);
        // The pass after it leads back to the face that it came from.
        const std::size_t how = !isFollowed(i) ? 2 : step.to == Face::Back ? 0 : 1;
        return said(translate_, kWraps[round][how], hole);
      }
      case Do::Knot:
        return said(translate_,
                    notes_.finish == Finish::Glued
                        ? QT_TRANSLATE_NOOP("Sewing",
                                            "Knot with the tail, close to hole {0}. A drop of glue "
                                            "on it; cut both threads.")
                        : QT_TRANSLATE_NOOP("Sewing", "Knot with the tail, close to hole {0}."),
                    hole);
      case Do::Thread:
        return said(translate_, QT_TRANSLATE_NOOP(
                                    "Sewing", "A second thread, of another colour or for beads."));
    }
    return {};
  }

 private:
  [[nodiscard]] bool isFollowed(std::size_t i) const {
    return i + 1 < steps_.size() && steps_[i + 1].what == Do::Pass && !steps_[i + 1].hides;
  }
  [[nodiscard]] std::string passWords(std::size_t i) const {
    const SewStep& step = steps_[i];
    const std::size_t hole = step.hole + 1;
    if (step.hides)
      return said(translate_,
                  QT_TRANSLATE_NOOP("Sewing",
                                    "Through hole {0} once more: draw the knot in, cut both "
                                    "threads flush."),
                  hole);
    if (i == 0 || steps_[i - 1].what == Do::Thread)
      return said(translate_,
                  QT_TRANSLATE_NOOP("Sewing",
                                    "From the back to the front through hole {0}. Leave {1} at the "
                                    "back, under a clip."),
                  hole, formatLength(Length::fromMm(notes_.startTail), notation_));
    return said(translate_,
                step.to == Face::Front
                    ? QT_TRANSLATE_NOOP("Sewing", "Through hole {0} to the front.")
                    : QT_TRANSLATE_NOOP("Sewing", "Through hole {0} to the back."),
                hole);
  }

  const std::vector<SewStep>& steps_;
  const SewingNotes& notes_;
  const Notation& notation_;
  const Translate& translate_;
};

}  // namespace

std::vector<std::string> stepWords(const std::vector<SewStep>& steps, const SewingNotes& notes,
                                   const Notation& notation, const Translate& translate) {
  const StepWords words(steps, notes, notation, translate);
  std::vector<std::string> all;
  for (std::size_t i = 0; i < steps.size(); ++i) all.push_back(words.of(i));
  return all;
}

namespace {

/// Whether the sentence before told it already.
bool isToldBefore(const std::vector<SewStep>& steps, std::size_t step) {
  return step > 0 && steps[step].what == Do::Pass && !steps[step].hides &&
         (steps[step - 1].what == Do::Stretch || steps[step - 1].what == Do::Wrap);
}

}  // namespace

std::vector<std::size_t> sewMoves(const SewnStab& sewn) {
  std::vector<std::size_t> moves;
  for (std::size_t i = 0; i < sewn.trail.steps.size(); ++i)
    if (!isToldBefore(sewn.trail.steps, i)) moves.push_back(i);
  return moves;
}

std::vector<std::size_t> sewMoves(const SewnBook& book) {
  if (const auto* stab = std::get_if<SewnStab>(&book.sewn)) return sewMoves(*stab);
  std::size_t count = 0;
  if (const auto* link = std::get_if<SewnLink>(&book.sewn))
    for (const LinkRow& row : link->rows) count += row.steps.size();
  else if (const auto* tapes = std::get_if<SewnTapes>(&book.sewn))
    count = tapes->steps.size();
  std::vector<std::size_t> moves(count);
  std::iota(moves.begin(), moves.end(), 0);
  return moves;
}

std::string moveWords(const SewingJob& job, const SewnStab& sewn, std::size_t step,
                      const Notation& notation, const Translate& translate) {
  const SewingNotes notes{job.finish, sewn.plan.number("start_tail").value_or(0.0)};
  return StepWords(sewn.trail.steps, notes, notation, translate).of(step);
}

std::string moveWords(const SewnBook& book, std::size_t step, const Notation& notation,
                      const Translate& translate) {
  if (const auto* stab = std::get_if<SewnStab>(&book.sewn))
    return moveWords(book.job, *stab, step, notation, translate);
  if (const auto* tapes = std::get_if<SewnTapes>(&book.sewn))
    return tapeStepWords(tapes->steps[step], tapes->tapes(), step == 0, translate);
  if (const auto* link = std::get_if<SewnLink>(&book.sewn))
    for (const LinkRow& row : link->rows) {
      if (step < row.steps.size()) return linkStepWords(row.steps[step], row, step == 0, translate);
      step -= row.steps.size();
    }
  return {};
}

std::string tiedHoles(const SewnStab& sewn) {
  std::set<std::size_t> holes;
  for (const Tie& tie : sewn.ties) holes.insert(tie.hole + 1);
  return fmt::format("{}", fmt::join(holes, ", "));
}

std::string threadWords(double mm, const Notation& notation) {
  constexpr double kRounding = 1e-9;
  const double step = notation.units == Units::Inches ? kMmPerInch / 4.0 : 5.0;
  return formatLength(Length::fromMm(std::ceil(mm / step - kRounding) * step), notation);
}

std::string linkStepWords(const LinkStep& step, const LinkRow& row, bool isFirst,
                          const Translate& translate) {
  const bool isHead = row.end == Round::Head;
  switch (step.what) {
    case LinkStep::Do::Pass:
      if (isFirst)
        return said(translate,
                    QT_TRANSLATE_NOOP("Sewing",
                                      "Out of section {0} beside the slot. Leave the tail in the "
                                      "fold."),
                    step.section);
      return said(translate,
                  step.isIn ? QT_TRANSLATE_NOOP("Sewing", "Into section {0} beside the slot.")
                            : QT_TRANSLATE_NOOP("Sewing", "Out of section {0} beside the slot."),
                  step.section);
    case LinkStep::Do::Loop:
      if (step.isIn)
        return said(translate,
                    isHead ? QT_TRANSLATE_NOOP("Sewing",
                                               "Up the outside to the head, over it, down inside "
                                               "the fold of section {0}.")
                           : QT_TRANSLATE_NOOP("Sewing",
                                               "Down the outside to the tail, round it, up inside "
                                               "the fold of section {0}."),
                    step.section);
      return said(translate,
                  isHead ? QT_TRANSLATE_NOOP("Sewing",
                                             "Inside the fold of section {0} to the head, over it, "
                                             "down the outside.")
                         : QT_TRANSLATE_NOOP("Sewing",
                                             "Inside the fold of section {0} to the tail, round "
                                             "it, up the outside."),
                  step.section);
    case LinkStep::Do::Knot:
      return said(translate,
                  step.section == row.order.back()
                      ? QT_TRANSLATE_NOOP(
                            "Sewing", "Knot the thread round itself inside section {0}, and cut.")
                      : QT_TRANSLATE_NOOP("Sewing", "Knot with the tail inside section {0}."),
                  step.section);
    case LinkStep::Do::Bridge:
      return said(translate, QT_TRANSLATE_NOOP("Sewing", "Across the spine from {0} to {1}."),
                  step.from, step.to);
    case LinkStep::Do::Link:
      return said(translate,
                  QT_TRANSLATE_NOOP("Sewing", "Under the thread between {0} and {1}, draw tight."),
                  step.from, step.to);
  }
  return {};
}

std::string tapeStepWords(const TapeStep& step, int tapes, bool isFirst,
                          const Translate& translate) {
  const int last = 2 * tapes + 2;
  const bool isKettle = step.station == 1 || step.station == last;
  const int tape = step.station / 2;
  switch (step.what) {
    case TapeStep::Do::Pass:
      if (isFirst)
        return said(translate,
                    QT_TRANSLATE_NOOP("Sewing",
                                      "Into section {0} at the kettle. Leave the tail "
                                      "outside."),
                    step.section);
      if (isKettle)
        return said(translate,
                    step.isIn ? QT_TRANSLATE_NOOP("Sewing", "Into section {0} at the kettle.")
                              : QT_TRANSLATE_NOOP("Sewing", "Out of section {0} at the kettle."),
                    step.section);
      return said(translate,
                  step.isIn ? QT_TRANSLATE_NOOP("Sewing", "Into section {0} beside tape {1}.")
                            : QT_TRANSLATE_NOOP("Sewing", "Out of section {0} beside tape {1}."),
                  step.section, tape);
    case TapeStep::Do::Run:
      return isKettle
                 ? said(translate, QT_TRANSLATE_NOOP("Sewing", "Along the fold to the kettle."))
                 : said(translate, QT_TRANSLATE_NOOP("Sewing", "Along the fold to tape {0}."),
                        tape);
    case TapeStep::Do::Tape:
      return said(translate, QT_TRANSLATE_NOOP("Sewing", "Round tape {0}, outside."), step.tape);
    case TapeStep::Do::Tie:
      return said(translate,
                  QT_TRANSLATE_NOOP("Sewing",
                                    "Draw tight along the fold, tie with the first tail: "
                                    "sections {0} and {1}."),
                  step.to, step.section);
    case TapeStep::Do::Kettle:
      return said(translate,
                  QT_TRANSLATE_NOOP("Sewing", "Under the thread that joins {0} and {1}, draw up."),
                  step.to, step.to + 1);
    case TapeStep::Do::Climb:
      return said(translate, QT_TRANSLATE_NOOP("Sewing", "Up to section {0}."), step.to);
    case TapeStep::Do::Knot:
      return said(translate, QT_TRANSLATE_NOOP("Sewing", "Knot at the kettle, and cut."));
  }
  return {};
}

namespace {

/// With the thread on the front, on the back; {0} the hole where it is, {1} the one that the slip
/// is about, {2} the edge.
struct SlipPhrase {
  const char* onFront;
  const char* onBack;
};
constexpr SlipPhrase alike(const char* phrase) { return {phrase, phrase}; }

constexpr const char* kBegins =
    QT_TRANSLATE_NOOP("Sewing", "It begins at the back, through a hole to the front.");
// By kind.
constexpr std::array<SlipPhrase, 12> kSlips{
    {{QT_TRANSLATE_NOOP("Sewing",
                        "The thread lies on the front already; hole {1} leads it to the back."),
      QT_TRANSLATE_NOOP("Sewing",
                        "The thread lies on the back already; hole {1} leads it to the front.")},
     alike(QT_TRANSLATE_NOOP("Sewing",
                             "There is more to sew before the knot, or the thread is not at the "
                             "start hole on the back.")),
     alike(QT_TRANSLATE_NOOP("Sewing", "Hole {1} still wants a wrap.")),
     alike(QT_TRANSLATE_NOOP("Sewing",
                             "Through hole {0} again, without a way round anything: that draws the "
                             "thread back out.")),
     alike(QT_TRANSLATE_NOOP("Sewing", "Hole {1} was passed over.")),
     alike(QT_TRANSLATE_NOOP("Sewing", "No stretch of this pattern joins holes {0} and {1}.")),
     {QT_TRANSLATE_NOOP("Sewing", "From hole {0} to hole {1} a thread lies on the front already."),
      QT_TRANSLATE_NOOP("Sewing", "From hole {0} to hole {1} a thread lies on the back already.")},
     alike(QT_TRANSLATE_NOOP("Sewing", "In this pattern hole {0} is not wrapped round the {2}.")),
     alike(QT_TRANSLATE_NOOP("Sewing", "Hole {0} is wrapped round the {2} already.")),
     alike(QT_TRANSLATE_NOOP("Sewing",
                             "All is sewn: the knot comes first, then hole {1} once more.")),
     alike(QT_TRANSLATE_NOOP("Sewing",
                             "Turned too soon, at hole {0}: part of the pattern can no longer be "
                             "come to.")),
     alike(QT_TRANSLATE_NOOP("Sewing", "After the knot nothing is left to sew."))}};

// By the edge that is gone round.
constexpr const char* kEdges[3]{QT_TRANSLATE_NOOP("Sewing", "spine"),
                                QT_TRANSLATE_NOOP("Sewing", "head"),
                                QT_TRANSLATE_NOOP("Sewing", "tail")};

}  // namespace

std::string slipSays(const Judged& judged, const SewToken& made, const Translate& translate) {
  const Learner& at = judged.stands;
  const SlipKind kind = judged.slip.value_or(SlipKind::Unfinished);
  if (kind == SlipKind::WrongFace && !at.hasBegun()) return said(translate, kBegins);
  const SlipPhrase& phrase = kSlips[static_cast<std::size_t>(kind)];
  return said(translate, at.face() == Face::Front ? phrase.onFront : phrase.onBack, at.hole() + 1,
              judged.slipHole + 1, said(translate, kEdges[static_cast<std::size_t>(made.round)]));
}

std::string slipRemedy(const Judged& judged, const Translate& translate) {
  std::string belongs;
  for (const SewToken& token : judged.stands.next())
    belongs += (belongs.empty() ? "" : ", ") + textOf(token);
  std::string words;
  if (!judged.stands.hasBegun())
    words = said(translate, QT_TRANSLATE_NOOP("Sewing", "Here belongs any hole, to the front."));
  else if (!belongs.empty())
    words = said(translate, QT_TRANSLATE_NOOP("Sewing", "Here belongs: {0}."), belongs);
  std::string holes;
  for (const SewToken& token : judged.unpick)
    holes += (holes.empty() ? "" : ", ") + std::to_string(token.hole + 1);
  if (!holes.empty())
    words += (words.empty() ? "" : " ") +
             (judged.unpick.size() == 1
                  ? said(translate, QT_TRANSLATE_NOOP("Sewing", "Draw out of 1 hole: {0}."), holes)
                  : said(translate, QT_TRANSLATE_NOOP("Sewing", "Draw out of {0} holes: {1}."),
                         judged.unpick.size(), holes));
  if (judged.second)
    words += (words.empty() ? "" : " ") +
             said(translate,
                  QT_TRANSLATE_NOOP("Sewing",
                                    "Or sew on, and the part cut off with a second thread, from "
                                    "hole {0}."),
                  *judged.second + 1);
  return words;
}

}  // namespace drapery
