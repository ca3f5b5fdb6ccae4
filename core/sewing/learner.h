// Judges any way that somebody sews a pattern: each step as it is made, the first after which the
// pattern can no longer be finished, and what can be done instead.
//
// A begun way can be finished exactly if all that is still to be drawn hangs together and touches
// the present hole, or nothing is left and the thread has come to the start hole on the back: the
// rest has as many ends on the front as on the back of every hole but its two ends, one imagined
// item between these closes it, and what is balanced and in one part has a closed way.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "core/sewing/stitch_graph.h"
#include "core/sewing/trail.h"

namespace drapery {

/// `6+`: through hole 6 to the front; `5-`: to the back; `spine`, `head`, `tail` (s, h, t); `knot`.
struct SewToken {
  enum class Kind { Pass, Wrap, Knot };
  Kind kind = Kind::Pass;
  std::size_t hole = 0;  // Pass
  Face to = Face::Front;
  Round round = Round::Spine;
  friend bool operator==(const SewToken&, const SewToken&) = default;
};

/// A token, or nothing for what is none. Holes count from 1 in the text; whether there is such a
/// hole is not asked.
std::optional<SewToken> sewToken(std::string_view text);
std::string textOf(const SewToken& token);

enum class SlipKind {
  WrongFace,
  Unfinished,
  WrapForgotten,
  DrawnBack,
  HoleSkipped,
  NoSuchStretch,
  StretchDoubled,
  NoSuchWrap,
  WrapDoubled,
  KnotFirst,
  TurnedTooSoon,
  AfterTheEnd
};
/// "hole-skipped"
std::string_view nameOf(SlipKind kind);

/// Where somebody stands in a pattern. A plain value: kept, copied, thrown away.
class Learner {
 public:
  explicit Learner(const StitchGraph& graph);

  /// What is wrong with the next step; nothing where the pattern can still be finished after it.
  [[nodiscard]] std::optional<SlipKind> slipOf(const SewToken& token) const;
  /// Makes a step that is no slip.
  void take(const SewToken& token);

  /// All steps after which it can still be finished.
  [[nodiscard]] std::vector<SewToken> next() const;
  [[nodiscard]] bool hasBegun() const { return start_.has_value(); }
  /// The knot is made.
  [[nodiscard]] bool isDone() const { return isDone_; }
  /// The hole where the thread stands, and the face.
  [[nodiscard]] std::size_t hole() const { return hole_; }
  [[nodiscard]] Face face() const { return face_; }
  [[nodiscard]] std::size_t start() const { return start_.value_or(0); }
  /// The last step was a pass: the thread is out and goes on along a stretch or round an edge.
  [[nodiscard]] bool isOut() const { return isOut_; }
  /// Wraps of the hole that are still to be made.
  [[nodiscard]] bool wantsWrap(std::size_t hole) const;
  /// The stretch from the present hole to another.
  [[nodiscard]] std::optional<std::size_t> stretchTo(std::size_t other) const;
  /// A hole that lies between the present one and another that was meant: joined to both.
  [[nodiscard]] std::optional<std::size_t> between(std::size_t other) const;
  /// What is still to be drawn and hangs on nothing that the thread can come to; from which of its
  /// holes a second thread can sew it.
  [[nodiscard]] std::optional<std::size_t> cutOff() const;

 private:
  [[nodiscard]] bool isDrawn(std::size_t stretch, Face face) const;
  [[nodiscard]] bool isDrawnTwice(std::size_t stretch) const {
    return drawn_[2 * stretch] != 0 && drawn_[2 * stretch + 1] != 0;
  }
  [[nodiscard]] bool isAllDrawn() const { return left_ == 0; }
  [[nodiscard]] std::optional<std::size_t> homeStretch() const;
  [[nodiscard]] std::vector<char> reached() const;
  [[nodiscard]] bool canFinish() const;
  [[nodiscard]] std::optional<SlipKind> wrongNow(const SewToken& token) const;
  [[nodiscard]] std::optional<SlipKind> passWrong(const SewToken& token) const;
  [[nodiscard]] SlipKind whyCut() const;
  void draw(std::size_t stretch, Face face);

  const StitchGraph* graph_;
  std::shared_ptr<const StitchesAt> at_;
  std::vector<char> drawn_;    // stretch on the front, on the back, the next ..
  std::vector<char> wrapped_;  // by the graph's wraps
  std::size_t left_ = 0;       // items still to be drawn
  std::optional<std::size_t> start_;
  std::size_t hole_ = 0;
  Face face_ = Face::Back;
  bool isOut_ = false;  // the last step was a pass: the thread is out and wants an item
  bool isDone_ = false;
  bool isHidden_ = false;  // and the knot drawn in
};

struct Judged {
  std::size_t tokens = 0;
  std::size_t sound = 0;   // before the slip
  std::size_t passes = 0;  // in all tokens
  bool isDone = false;
  std::optional<SlipKind> slip;
  std::size_t slipHole = 0;           // the hole that it is about
  std::vector<SewToken> unpick;       // the passes from the slip on, last first
  std::optional<std::size_t> second;  // where another thread can begin, for who will not unpick
  Learner stands;                     // before the slip
};

Judged judge(const StitchGraph& graph, const std::vector<SewToken>& tokens);

/// What the thread did in steps that are no slips: stretches are told too.
std::vector<SewStep> stepsOf(const StitchGraph& graph, const std::vector<SewToken>& sound);

}  // namespace drapery
