#include "core/expr/program.h"

#include "core/expr/formula.h"

namespace drapery {

namespace {

using Op = Formula::Op;
using Index = Formula::Index;
using Do = ProgramStep::Do;
constexpr double kNone = std::numeric_limits<double>::quiet_NaN();

static_assert(static_cast<int>(Do::AtLeast) - static_cast<int>(Do::Plus) ==
              3 * (static_cast<int>(Op::AtLeast) - static_cast<int>(Op::Plus)));

/// The step of a sign: 0 its right side waits, 1 it is in the table, 2 it is a figure.
constexpr Do doOf(Op sign, int side) {
  return static_cast<Do>(static_cast<int>(Do::Plus) +
                         3 * (static_cast<int>(sign) - static_cast<int>(Op::Plus)) + side);
}

class Compiler {
 public:
  Compiler(const std::vector<Formula::Node>& nodes, Index root)
      : nodes_(nodes), first_(nodes[root].begin), root_(root), follows_(root + 1 - first_) {
    for (Index i = first_; i <= root; ++i) {
      const Op op = nodes[i].op;
      if (op == Op::And || op == Op::Or)
        follow(nodes[i - 1].begin - 1U).does = op == Op::And ? Do::SettleAnd : Do::SettleOr;
      if (op != Op::Choose) continue;
      const Index result = nodes[i - 1].begin - 1U;
      follow(result).does = Do::Jump;
      follow(nodes[result].begin - 1U).does = Do::Unless;
    }
  }

  std::vector<ProgramStep> run() {
    steps_.reserve(2 * (root_ + 1 - first_) + 1);
    for (Index i = first_; i <= root_; ++i) {
      add(i);
      Follow& after = follow(i);
      if (after.does == Do::Done) continue;
      after.at = here();
      steps_.push_back({after.does});
    }
    steps_.push_back({Do::Done});
    return std::move(steps_);
  }

 private:
  /// What comes between a node and the next: nothing, or a jump.
  struct Follow {
    Do does = Do::Done;
    std::uint32_t at = 0;
  };
  Follow& follow(Index node) { return follows_[node - first_]; }
  [[nodiscard]] std::uint32_t here() const { return static_cast<std::uint32_t>(steps_.size()); }

  void add(Index i) {
    const Formula::Node& node = nodes_[i];
    switch (node.op) {
      case Op::Number:
        return push({Do::Number, 0, 0, 0, 0, node.number});
      case Op::Name:
        return addName(node);
      case Op::Call:
        return push({Do::Call, node.operands, node.slot});
      case Op::Negative:
        return push({Do::Negative});
      case Op::Not:
        return push({Do::Not});
      case Op::And:
      case Op::Or:
        push({node.op == Op::And ? Do::And : Do::Or});
        steps_[follow(nodes_[i - 1].begin - 1U).at].to = here();
        return;
      case Op::Choose:
        return close(i);
      default:
        return addSign(node.op, nodes_[i - 1].operands == 0);
    }
  }
  void push(const ProgramStep& step) { steps_.push_back(step); }
  void addName(const Formula::Node& node) {
    using Kind = NameMeaning::Kind;
    if (node.meaning == Kind::Slot) return push({Do::Slot, 0, node.slot});
    if (node.meaning == Kind::Local) return push({Do::Local, 0, node.slot});
    push({Do::Number, 0, 0, 0, 0, node.number});
  }
  void addSign(Op sign, bool isLeaf) {
    const Do right = steps_.back().does;
    if (!isLeaf || right == Do::Local) return push({doOf(sign, 0)});
    steps_.back().does = doOf(sign, right == Do::Slot ? 1 : 2);
  }
  /// Where the jumps of a ? : lead.
  void close(Index choose) {
    const Index result = nodes_[choose - 1].begin - 1U;
    const std::uint32_t jump = follow(result).at;
    ProgramStep& unless = steps_[follow(nodes_[result].begin - 1U).at];
    unless.to = jump + 1;
    unless.end = steps_[jump].to = here();
  }

  const std::vector<Formula::Node>& nodes_;
  Index first_, root_;
  std::vector<Follow> follows_;  // by node, from the first
  std::vector<ProgramStep> steps_;
};

double truth(bool is) { return is ? 1.0 : 0.0; }
bool isTrue(double value) { return !std::isnan(value) && value != 0.0; }

/// What is missing spreads by itself through sums; a comparison would swallow it.
double told(bool is, double a, double b) {
  return std::isnan(a) || std::isnan(b) ? kNone : truth(is);
}
double power(double a, double b) { return std::isnan(a) || std::isnan(b) ? kNone : std::pow(a, b); }
double both(double a, double b) { return a == 0.0 || b == 0.0 ? 0.0 : told(true, a, b); }
double either(double a, double b) { return isTrue(a) || isTrue(b) ? 1.0 : told(false, a, b); }

double called(const FormulaFunction& function, const double* arguments, int count) {
  for (int k = 0; k < count && !function.asks; ++k)
    if (std::isnan(arguments[k])) return kNone;
  return function.call(arguments, count);
}

}  // namespace

std::vector<ProgramStep> Formula::compiled(Index root) const {
  return Compiler(nodes_, root).run();
}

/// A branch that is not taken, and the right side of what the left has settled, is jumped over.
double runSteps(const ProgramStep* steps, const NumberTable& table) {
  double stack[Formula::kDeepest + 2];
  double* top = stack;  // past the last that waits
  double now = kNone;
  const ProgramStep* at = steps;
  for (;;) {
    const ProgramStep& step = *at++;
    switch (step.does) {
      case Do::Done:
        return std::isfinite(now) ? now : kNone;
      case Do::Slot:
        *top++ = now;
        now = table.numbers[step.slot];
        break;
      case Do::Local:
        *top++ = now;
        now = table.locals[step.slot];
        break;
      case Do::Number:
        *top++ = now;
        now = step.number;
        break;
      case Do::Call:
        *top++ = now;
        top -= step.count;
        now = called(formulaFunctions()[step.slot], top, step.count);
        break;
      case Do::Negative:
        now = -now;
        break;
      case Do::Not:
        now = std::isnan(now) ? now : truth(now == 0.0);
        break;
#define DRAPERY_SIGN(name, result)             \
  case Do::name: {                             \
    const double b = now, a = *--top;          \
    now = result;                              \
    break;                                     \
  }                                            \
  case Do::name##Slot: {                       \
    const double a = now;                      \
    const double b = table.numbers[step.slot]; \
    now = result;                              \
    break;                                     \
  }                                            \
  case Do::name##Number: {                     \
    const double a = now, b = step.number;     \
    now = result;                              \
    break;                                     \
  }
        DRAPERY_SIGN(Plus, a + b)
        DRAPERY_SIGN(Minus, a - b)
        DRAPERY_SIGN(Times, a * b)
        DRAPERY_SIGN(Over, a / b)
        DRAPERY_SIGN(Power, power(a, b))
        DRAPERY_SIGN(Is, told(a == b, a, b))
        DRAPERY_SIGN(IsNot, told(a != b, a, b))
        DRAPERY_SIGN(Below, told(a < b, a, b))
        DRAPERY_SIGN(AtMost, told(a <= b, a, b))
        DRAPERY_SIGN(Above, told(a > b, a, b))
        DRAPERY_SIGN(AtLeast, told(a >= b, a, b))
#undef DRAPERY_SIGN
      case Do::And:
        now = both(*--top, now);
        break;
      case Do::Or:
        now = either(*--top, now);
        break;
      case Do::SettleAnd:
        if (now == 0.0) at = steps + step.to;
        break;
      case Do::SettleOr:
        if (isTrue(now)) {
          now = 1.0;
          at = steps + step.to;
        }
        break;
      case Do::Unless: {
        const double condition = now;
        now = *--top;
        if (std::isnan(condition)) {
          *top++ = now;
          now = kNone;
          at = steps + step.end;
        } else if (condition == 0.0) {
          at = steps + step.to;
        }
        break;
      }
      case Do::Jump:
        at = steps + step.to;
        break;
    }
  }
}

}  // namespace drapery
