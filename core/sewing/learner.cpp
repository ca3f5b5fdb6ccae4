#include "core/sewing/learner.h"

#include <algorithm>
#include <array>
#include <charconv>

namespace drapery {

namespace {

constexpr std::array<std::string_view, 12> kNames{
    "wrong-face",   "unfinished",      "wrap-forgotten",  "drawn-back",
    "hole-skipped", "no-such-stretch", "stretch-doubled", "no-such-wrap",
    "wrap-doubled", "knot-first",      "turned-too-soon", "after-the-end"};

std::size_t itemOf(std::size_t stretch, Face face) {
  return 2 * stretch + (face == Face::Front ? 0 : 1);
}

}  // namespace

std::string_view nameOf(SlipKind kind) { return kNames[static_cast<std::size_t>(kind)]; }

std::optional<SewToken> sewToken(std::string_view text) {
  SewToken token;
  for (const auto& [word, letter, round] :
       {std::tuple("spine", "s", Round::Spine), std::tuple("head", "h", Round::Head),
        std::tuple("tail", "t", Round::Tail)})
    if (text == word || text == letter) {
      token.kind = SewToken::Kind::Wrap;
      token.round = round;
      return token;
    }
  if (text == "knot") {
    token.kind = SewToken::Kind::Knot;
    return token;
  }
  if (text.size() < 2 || (text.back() != '+' && text.back() != '-')) return std::nullopt;
  const char* end = text.data() + text.size() - 1;
  std::size_t number = 0;
  const auto read = std::from_chars(text.data(), end, number);
  if (read.ec != std::errc() || read.ptr != end || number == 0) return std::nullopt;
  token.hole = number - 1;
  token.to = text.back() == '+' ? Face::Front : Face::Back;
  return token;
}

std::string textOf(const SewToken& token) {
  if (token.kind == SewToken::Kind::Knot) return "knot";
  if (token.kind == SewToken::Kind::Wrap) return nameOf(token.round);
  return std::to_string(token.hole + 1) + (token.to == Face::Front ? "+" : "-");
}

Learner::Learner(const StitchGraph& graph)
    : graph_(&graph),
      at_(std::make_shared<const StitchesAt>(graph.atHoles())),
      drawn_(2 * graph.stretches.size(), 0),
      wrapped_(graph.wraps.size(), 0),
      left_(2 * graph.stretches.size() + graph.wraps.size()) {}

bool Learner::isDrawn(std::size_t stretch, Face face) const {
  return drawn_[itemOf(stretch, face)] != 0;
}

std::optional<std::size_t> Learner::stretchTo(std::size_t other) const {
  for (const std::size_t stretch : (*at_)[hole_])
    if (graph_->farEnd(stretch, hole_) == other) return stretch;
  return std::nullopt;
}

bool Learner::wantsWrap(std::size_t hole) const {
  for (std::size_t i = 0; i < wrapped_.size(); ++i)
    if (graph_->wraps[i].hole == hole && wrapped_[i] == 0) return true;
  return false;
}

std::optional<std::size_t> Learner::between(std::size_t other) const {
  for (const std::size_t stretch : (*at_)[hole_]) {
    const std::size_t middle = graph_->farEnd(stretch, hole_);
    for (const std::size_t next : (*at_)[middle])
      if (graph_->farEnd(next, middle) == other) return middle;
  }
  return std::nullopt;
}

/// The last stretch home on the back, where nothing else is left.
std::optional<std::size_t> Learner::homeStretch() const {
  if (!isOut_ || face_ != Face::Back || left_ != 1 || !start_) return std::nullopt;
  const auto home = stretchTo(*start_);
  return home && !isDrawn(*home, Face::Back) ? home : std::nullopt;
}

/// The holes that the thread can still come to along what is not drawn yet.
std::vector<char> Learner::reached() const {
  std::vector<char> reached(at_->size(), 0);
  std::vector<std::size_t> open;
  open.reserve(at_->size());
  open.push_back(hole_);
  reached[hole_] = 1;
  for (std::size_t i = 0; i < open.size(); ++i)
    for (const std::size_t stretch : (*at_)[open[i]]) {
      const std::size_t next = graph_->farEnd(stretch, open[i]);
      if (reached[next] != 0 || isDrawnTwice(stretch)) continue;
      reached[next] = 1;
      open.push_back(next);
    }
  return reached;
}

std::optional<std::size_t> Learner::cutOff() const {
  const std::vector<char> can = reached();
  for (std::size_t i = 0; i < wrapped_.size(); ++i)
    if (wrapped_[i] == 0 && can[graph_->wraps[i].hole] == 0) return graph_->wraps[i].hole;
  for (std::size_t i = 0; i < graph_->stretches.size(); ++i)
    if (can[graph_->stretches[i].first] == 0 && !isDrawnTwice(i)) return graph_->stretches[i].first;
  return std::nullopt;
}

bool Learner::canFinish() const {
  if (isAllDrawn()) return !isOut_ && hole_ == *start_ && face_ == Face::Back;
  return !cutOff();
}

/// Right so far, but it cannot be finished.
SlipKind Learner::whyCut() const {
  if (isAllDrawn()) return SlipKind::KnotFirst;
  const auto off = cutOff();
  if (!off) return SlipKind::TurnedTooSoon;
  const bool hasStretch = std::any_of((*at_)[*off].begin(), (*at_)[*off].end(),
                                      [&](std::size_t stretch) { return !isDrawnTwice(stretch); });
  return hasStretch ? SlipKind::TurnedTooSoon : SlipKind::WrapForgotten;
}

std::optional<SlipKind> Learner::passWrong(const SewToken& token) const {
  if (!isOut_) {  // an item was drawn: only through the hole where the thread is
    if (token.hole != hole_) return SlipKind::HoleSkipped;
    return token.to == face_ ? std::optional(SlipKind::WrongFace) : std::nullopt;
  }
  if (token.hole == hole_) return wantsWrap(hole_) ? SlipKind::WrapForgotten : SlipKind::DrawnBack;
  const auto stretch = stretchTo(token.hole);
  if (!stretch) return between(token.hole) ? SlipKind::HoleSkipped : SlipKind::NoSuchStretch;
  if (isDrawn(*stretch, face_)) return SlipKind::StretchDoubled;
  return token.to == face_ ? std::optional(SlipKind::WrongFace) : std::nullopt;
}

/// What is wrong with the step by itself, whatever is to follow.
std::optional<SlipKind> Learner::wrongNow(const SewToken& token) const {
  if (isDone_) {
    const bool hides = token.kind == SewToken::Kind::Pass && token.hole == *start_ &&
                       token.to == Face::Front && !isHidden_;
    return hides ? std::nullopt : std::optional(SlipKind::AfterTheEnd);
  }
  if (!start_) {
    if (token.kind == SewToken::Kind::Knot) return SlipKind::Unfinished;
    const bool isRight = token.kind == SewToken::Kind::Pass && token.to == Face::Front;
    return isRight ? std::nullopt : std::optional(SlipKind::WrongFace);
  }
  if (token.kind == SewToken::Kind::Knot) {
    const bool isHome = isAllDrawn() && !isOut_ && hole_ == *start_ && face_ == Face::Back;
    return isHome || homeStretch() ? std::nullopt : std::optional(SlipKind::Unfinished);
  }
  if (token.kind == SewToken::Kind::Pass) return passWrong(token);
  if (!isOut_) return SlipKind::HoleSkipped;
  const StitchWrap wrap{hole_, token.round};
  const auto& wraps = graph_->wraps;
  const auto found = std::find(wraps.begin(), wraps.end(), wrap);
  if (found == wraps.end()) return SlipKind::NoSuchWrap;
  return wrapped_[static_cast<std::size_t>(found - wraps.begin())] != 0
             ? std::optional(SlipKind::WrapDoubled)
             : std::nullopt;
}

std::optional<SlipKind> Learner::slipOf(const SewToken& token) const {
  if (const auto wrong = wrongNow(token)) return wrong;
  if (isDone_ || token.kind == SewToken::Kind::Knot) return std::nullopt;
  Learner after = *this;
  after.take(token);
  return after.canFinish() ? std::nullopt : std::optional(after.whyCut());
}

void Learner::draw(std::size_t stretch, Face face) {
  drawn_[itemOf(stretch, face)] = 1;
  --left_;
}

void Learner::take(const SewToken& token) {
  if (token.kind == SewToken::Kind::Knot) {
    if (const auto home = homeStretch()) {
      draw(*home, Face::Back);
      hole_ = *start_;
    }
    isOut_ = false;
    isDone_ = true;
    return;
  }
  if (isDone_) {
    isHidden_ = true;
    return;
  }
  if (token.kind == SewToken::Kind::Wrap) {
    for (std::size_t i = 0; i < wrapped_.size(); ++i)
      if (graph_->wraps[i] == StitchWrap{hole_, token.round}) wrapped_[i] = 1;
    --left_;
    face_ = otherFace(face_);
    isOut_ = false;
    return;
  }
  if (!start_)
    start_ = token.hole;
  else if (isOut_)
    if (const auto stretch = stretchTo(token.hole)) draw(*stretch, face_);
  hole_ = token.hole;
  face_ = token.to;
  isOut_ = true;
}

std::vector<SewToken> Learner::next() const {
  std::vector<SewToken> can;
  const auto offer = [&](const SewToken& token) {
    if (!slipOf(token)) can.push_back(token);
  };
  const auto pass = [](std::size_t hole, Face to) {
    SewToken token;
    token.hole = hole;
    token.to = to;
    return token;
  };
  SewToken knot;
  knot.kind = SewToken::Kind::Knot;
  if (isDone_) {
    offer(pass(*start_, Face::Front));
    return can;
  }
  if (!start_) {
    for (std::size_t hole = 0; hole < at_->size(); ++hole) offer(pass(hole, Face::Front));
    return can;
  }
  if (!isOut_) {
    offer(pass(hole_, otherFace(face_)));
  } else {
    std::vector<std::size_t> others;
    for (const std::size_t stretch : (*at_)[hole_])
      others.push_back(graph_->farEnd(stretch, hole_));
    std::sort(others.begin(), others.end());
    for (const std::size_t other : others) offer(pass(other, otherFace(face_)));
    for (const Round round : {Round::Spine, Round::Head, Round::Tail}) {
      SewToken wrap;
      wrap.kind = SewToken::Kind::Wrap;
      wrap.round = round;
      offer(wrap);
    }
  }
  offer(knot);
  return can;
}

Judged judge(const StitchGraph& graph, const std::vector<SewToken>& tokens) {
  Judged judged{tokens.size(), 0, 0, false, {}, 0, {}, {}, Learner(graph)};
  const auto isPass = [](const SewToken& token) { return token.kind == SewToken::Kind::Pass; };
  judged.passes = static_cast<std::size_t>(std::count_if(tokens.begin(), tokens.end(), isPass));
  for (const SewToken& token : tokens) {
    judged.slip = judged.stands.slipOf(token);
    if (!judged.slip) {
      judged.stands.take(token);
      ++judged.sound;
      continue;
    }
    const auto middle =
        isPass(token) && judged.stands.isOut() ? judged.stands.between(token.hole) : std::nullopt;
    judged.slipHole = isPass(token) ? token.hole : judged.stands.hole();
    if (*judged.slip == SlipKind::HoleSkipped)
      judged.slipHole = middle.value_or(judged.stands.hole());
    if (*judged.slip == SlipKind::WrapForgotten || *judged.slip == SlipKind::TurnedTooSoon) {
      Learner after = judged.stands;
      after.take(token);
      judged.second = after.cutOff();
      judged.slipHole = *judged.slip == SlipKind::WrapForgotten
                            ? judged.second.value_or(judged.stands.hole())
                            : judged.slipHole;
    }
    for (std::size_t i = tokens.size(); i > judged.sound; --i)
      if (isPass(tokens[i - 1])) judged.unpick.push_back(tokens[i - 1]);
    break;
  }
  judged.isDone = judged.stands.isDone();
  return judged;
}

std::vector<SewStep> stepsOf(const StitchGraph& graph, const std::vector<SewToken>& sound) {
  Learner at(graph);
  std::vector<SewStep> steps;
  const auto goTo = [&](std::size_t hole) {
    const auto stretch = at.isOut() ? at.stretchTo(hole) : std::nullopt;
    if (!stretch) return;
    SewStep& step = steps.emplace_back();
    step.what = SewStep::Do::Stretch;
    step.from = at.hole();
    step.hole = hole;
    step.stretch = *stretch;
    step.to = at.face();
  };
  for (const SewToken& token : sound) {
    SewStep step;
    switch (token.kind) {
      case SewToken::Kind::Pass:
        goTo(token.hole);
        step.hole = token.hole;
        step.to = token.to;
        step.hides = at.isDone();
        break;
      case SewToken::Kind::Wrap:
        step.what = SewStep::Do::Wrap;
        step.hole = at.hole();
        step.round = token.round;
        step.to = otherFace(at.face());
        break;
      case SewToken::Kind::Knot:
        goTo(at.start());
        step.what = SewStep::Do::Knot;
        step.hole = at.start();
        step.to = Face::Back;
        break;
    }
    steps.push_back(step);
    at.take(token);
  }
  return steps;
}

}  // namespace drapery
