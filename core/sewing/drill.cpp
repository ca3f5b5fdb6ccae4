#include "core/sewing/drill.h"

#include <algorithm>
#include <random>

namespace drapery {

namespace {

class Making {
 public:
  Making(const StitchGraph& graph, const Trail& plain, std::uint32_t seed)
      : graph_(graph), whole_(tokensOf(plain.steps)), random_(seed) {}

  std::optional<Drill> goOn() {
    const std::size_t third = whole_.size() / 3;
    if (third < 2) return std::nullopt;
    Drill drill{Drill::Kind::GoOn, whole_, 0, {}};
    drill.tokens.resize(third + below(third));
    return drill;
  }

  std::optional<Drill> findSlip() {
    constexpr int kTries = 200;
    for (int i = 0; i < kTries; ++i)
      if (auto drill = slipAt(1 + below(whole_.size() - 1))) return drill;
    return std::nullopt;
  }

  std::optional<Drill> missingWrap() {
    std::vector<std::size_t> wraps;
    for (std::size_t i = 0; i < whole_.size(); ++i)
      if (whole_[i].kind == SewToken::Kind::Wrap) wraps.push_back(i);
    if (wraps.empty()) return std::nullopt;
    const std::size_t at = wraps[below(wraps.size())];
    Drill drill{Drill::Kind::MissingWrap, whole_, 0, {}};
    drill.missing = {whole_[at - 1].hole, whole_[at].round};
    takeOut(drill.tokens, at);
    return drill;
  }

 private:
  /// The same on every machine, which the library's distributions are not.
  std::size_t below(std::size_t most) { return most == 0 ? 0 : random_() % most; }

  /// A wrap, and with it the pass that brings the needle back where it was; of the last one, which
  /// the knot follows, the pass before it.
  static void takeOut(std::vector<SewToken>& tokens, std::size_t wrap) {
    const bool isBeforeKnot = tokens[wrap + 1].kind == SewToken::Kind::Knot;
    const auto from = tokens.begin() + static_cast<std::ptrdiff_t>(isBeforeKnot ? wrap - 1 : wrap);
    tokens.erase(from, from + 2);
  }

  /// One step made otherwise, or left out, and the sewing goes on as if nothing had been.
  std::optional<Drill> slipAt(std::size_t at) {
    constexpr std::size_t kGoesOn = 4;
    if (at + kGoesOn >= whole_.size()) return std::nullopt;
    std::vector<SewToken> made = whole_;
    SewToken& token = made[at];
    if (token.kind == SewToken::Kind::Knot) return std::nullopt;
    if (token.kind == SewToken::Kind::Wrap) {
      takeOut(made, at);
    } else if (below(2) == 0) {
      token.to = otherFace(token.to);
    } else {
      const std::size_t off = 1 + below(2);
      const bool isBack = below(2) == 0;
      if (isBack && token.hole < off) return std::nullopt;
      token.hole = isBack ? token.hole - off : token.hole + off;
      if (token.hole >= graph_.holes.size()) return std::nullopt;
    }
    const Judged judged = judge(graph_, made);
    if (!judged.slip || judged.sound < at || judged.sound + 2 >= made.size()) return std::nullopt;
    Drill drill{Drill::Kind::FindSlip, std::move(made), judged.sound, {}};
    drill.tokens.resize(std::min(drill.tokens.size(), judged.sound + 1 + kGoesOn));
    return drill;
  }

  const StitchGraph& graph_;
  std::vector<SewToken> whole_;
  std::mt19937 random_;
};

}  // namespace

std::vector<SewToken> tokensOf(const std::vector<SewStep>& steps) {
  std::vector<SewToken> tokens;
  for (const SewStep& step : steps) {
    SewToken token;
    switch (step.what) {
      case SewStep::Do::Pass:
        token.hole = step.hole;
        token.to = step.to;
        break;
      case SewStep::Do::Wrap:
        token.kind = SewToken::Kind::Wrap;
        token.round = step.round;
        break;
      case SewStep::Do::Knot:
        token.kind = SewToken::Kind::Knot;
        break;
      default:
        continue;
    }
    tokens.push_back(token);
  }
  return tokens;
}

std::vector<SewStep> writtenSteps(const std::vector<SewToken>& tokens) {
  std::vector<SewStep> steps;
  std::optional<std::size_t> start, hole;
  Face face = Face::Back;
  const auto goTo = [&](std::size_t to) {
    if (hole && *hole != to) {
      SewStep& step = steps.emplace_back();
      step.what = SewStep::Do::Stretch;
      step.from = *hole;
      step.hole = to;
      step.to = face;
    }
    hole = to;
  };
  for (const SewToken& token : tokens) {
    SewStep step;
    if (token.kind == SewToken::Kind::Pass) {
      goTo(token.hole);
      if (!start) start = token.hole;
      face = token.to;
    } else if (token.kind == SewToken::Kind::Wrap) {
      step.what = SewStep::Do::Wrap;
      step.round = token.round;
      face = otherFace(face);
    } else {
      step.what = SewStep::Do::Knot;
      goTo(start.value_or(0));
    }
    step.hole = hole.value_or(0);
    step.to = face;
    steps.push_back(step);
  }
  return steps;
}

std::optional<Drill> makeDrill(const StitchGraph& graph, const Trail& plain, Drill::Kind kind,
                               std::uint32_t seed) {
  Making making(graph, plain, seed);
  switch (kind) {
    case Drill::Kind::GoOn:
      return making.goOn();
    case Drill::Kind::FindSlip:
      return making.findSlip();
    case Drill::Kind::MissingWrap:
      return making.missingWrap();
    case Drill::Kind::HowMuch:
      break;
  }
  return Drill{kind, {}, 0, {}};
}

}  // namespace drapery
