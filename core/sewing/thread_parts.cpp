#include "core/sewing/thread_parts.h"

namespace drapery {

namespace {

using What = ThreadPart::What;

What whatOf(SewStep::Do step) {
  return step == SewStep::Do::Stretch ? What::Along
         : step == SewStep::Do::Wrap  ? What::Round
                                      : What::Through;
}

What whatOf(TapeStep::Do step) {
  switch (step) {
    case TapeStep::Do::Run:
    case TapeStep::Do::Climb:
      return What::Along;
    case TapeStep::Do::Tape:
    case TapeStep::Do::Tie:
    case TapeStep::Do::Kettle:
      return What::Round;
    default:
      return What::Through;
  }
}

class Laying {
 public:
  explicit Laying(const Plan& plan)
      : start_(number(plan, "start_tail")),
        end_(number(plan, "end_tail")),
        knot_(number(plan, "knot")),
        join_(number(plan, "join_tail")),
        ease_(1.0 + number(plan, "ease")) {}

  static double number(const Plan& plan, const char* name) {
    return plan.number(name).value_or(0.0);
  }

  /// `ends[i]` whether a thread ends with step i + 1.
  void lay(const std::vector<ThreadPiece>& pieces, const std::vector<double>& lengths,
           const std::vector<What>& whats, const std::vector<bool>& ends) {
    bool isFirst = true;
    for (const ThreadPiece& piece : pieces) {
      const bool isLast = ends[piece.to - 1];
      begin();
      add(What::Tail, isFirst ? start_ : join_, piece.from - 1);
      for (std::size_t step = piece.from; step <= piece.to; ++step)
        add(whats[step - 1], ease_ * lengths[step - 1], step - 1);
      if (isLast) add(What::Knot, knot_, piece.to - 1);
      add(What::Tail, isLast ? end_ : join_, piece.to - 1);
      isFirst = isLast;
    }
  }

  void begin() { pieces_.emplace_back(); }
  void add(What what, double length, std::size_t from) {
    if (length > 0.0) pieces_.back().push_back({what, length, from});
  }

  double start_, end_, knot_, join_, ease_;
  std::vector<std::vector<ThreadPart>> pieces_;
};

std::vector<std::vector<ThreadPart>> partsOf(const SewnStab& sewn) {
  const auto& steps = sewn.trail.steps;
  std::vector<What> whats;
  std::vector<bool> ends(steps.size(), false);
  for (std::size_t i = 0; i < steps.size(); ++i) {
    whats.push_back(whatOf(steps[i].what));
    if (steps[i].what == SewStep::Do::Thread && i > 0) ends[i - 1] = true;
  }
  if (!ends.empty()) ends.back() = true;
  Laying laying(sewn.plan);
  laying.lay(sewn.pieces, stepLengths(sewn), whats, ends);
  return std::move(laying.pieces_);
}

std::vector<std::vector<ThreadPart>> partsOf(const SewnTapes& sewn) {
  std::vector<What> whats;
  std::vector<double> lengths;
  for (const TapeStep& step : sewn.steps) {
    whats.push_back(whatOf(step.what));
    lengths.push_back(step.length);
  }
  std::vector<bool> ends(whats.size(), false);
  if (!ends.empty()) ends.back() = true;
  Laying laying(sewn.plan);
  laying.lay(sewn.pieces, lengths, whats, ends);
  return std::move(laying.pieces_);
}

/// A piece for each row, with a knot at its first section and one at its last.
std::vector<std::vector<ThreadPart>> partsOf(const SewnLink& sewn) {
  Laying laying(sewn.plan);
  std::size_t done = 0;
  for (const LinkRow& row : sewn.rows) {
    laying.begin();
    laying.add(What::Tail, laying.start_, done);
    for (const LinkStep& step : row.steps) {
      const What what = step.what == LinkStep::Do::Pass     ? What::Through
                        : step.what == LinkStep::Do::Knot   ? What::Knot
                        : step.what == LinkStep::Do::Bridge ? What::Along
                                                            : What::Round;
      const bool isKnot = step.what == LinkStep::Do::Knot;
      laying.add(what, isKnot ? laying.knot_ : laying.ease_ * lengthOf(sewn, row, step), done++);
    }
    laying.add(What::Tail, laying.end_, done - 1);
  }
  return std::move(laying.pieces_);
}

std::vector<std::vector<ThreadPart>> partsOf(const std::monostate&) { return {}; }

}  // namespace

std::vector<std::vector<ThreadPart>> threadParts(const SewnBook& book) {
  return std::visit([](const auto& sewn) { return partsOf(sewn); }, book.sewn);
}

std::array<double, ThreadPart::kKinds> threadByKind(
    const std::vector<std::vector<ThreadPart>>& pieces) {
  std::array<double, ThreadPart::kKinds> sums{};
  for (const auto& piece : pieces)
    for (const ThreadPart& part : piece) sums[static_cast<std::size_t>(part.what)] += part.length;
  return sums;
}

}  // namespace drapery
