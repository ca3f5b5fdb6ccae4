#include "core/method/quick_formula.h"

#include <array>
#include <charconv>
#include <cmath>
#include <limits>

#include "core/method/formula_functions.h"

namespace drapery {

namespace {

bool isDigit(char c) { return c >= '0' && c <= '9'; }
bool startsName(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_'; }

}  // namespace

/// Recursive descent, a level of precedence at a time. Each level gives false when the text is none
/// of its business any more.
class QuickReading {
 public:
  QuickReading(std::string_view text, const NameLookup& lookup) : text_(text), lookup_(lookup) {}

  std::optional<QuickFormula> run() {
    if (!choice() || at_ != text_.size() || most_ > QuickFormula::kDeepest) return std::nullopt;
    return std::move(formula_);
  }

 private:
  using Kind = QuickFormula::Kind;
  using Sign = std::pair<std::string_view, Kind>;
  static constexpr int kDeepestNesting = 64;

  void skip() {
    while (at_ < text_.size() && text_[at_] == ' ') ++at_;
  }
  bool take(std::string_view sign) {
    if (!text_.substr(at_).starts_with(sign)) return false;
    at_ += sign.size();
    skip();
    return true;
  }
  void add(QuickFormula::Step step, int arguments) {
    depth_ += 1 - static_cast<std::size_t>(arguments);
    most_ = std::max(most_, depth_);
    formula_.steps_.push_back(step);
  }
  void add(Kind kind, int arguments) {
    QuickFormula::Step step;
    step.kind = kind;
    add(step, arguments);
  }

  bool choice() {
    if (++nesting_ > kDeepestNesting || !either()) return false;
    if (take("?")) {
      if (!choice() || !take(":") || !choice()) return false;
      add(Kind::Choose, 3);
    }
    --nesting_;
    return true;
  }

  template <std::size_t Count, class Level>
  bool chain(const std::array<Sign, Count>& signs, Level level) {
    if (!(this->*level)()) return false;
    for (bool more = true; more;) {
      more = false;
      for (const auto& [sign, kind] : signs) {
        if (!take(sign)) continue;
        if (!(this->*level)()) return false;
        add(kind, 2);
        more = true;
        break;
      }
    }
    return true;
  }
  bool either() { return chain(std::array{Sign{"||", Kind::Or}}, &QuickReading::both); }
  bool both() { return chain(std::array{Sign{"&&", Kind::And}}, &QuickReading::compared); }
  bool compared() {
    return chain(
        std::array{Sign{"==", Kind::Is}, Sign{"!=", Kind::IsNot}, Sign{"<=", Kind::AtMost},
                   Sign{">=", Kind::AtLeast}, Sign{"<", Kind::Below}, Sign{">", Kind::Above}},
        &QuickReading::sum);
  }
  bool sum() {
    return chain(std::array{Sign{"+", Kind::Plus}, Sign{"-", Kind::Minus}}, &QuickReading::product);
  }
  bool product() {
    return chain(std::array{Sign{"*", Kind::Times}, Sign{"/", Kind::Over}}, &QuickReading::factor);
  }

  bool factor() {
    const bool isNegative = take("-");
    if (isNegative || take("!")) {
      if (++nesting_ > kDeepestNesting || !factor()) return false;
      --nesting_;
      add(isNegative ? Kind::Negative : Kind::Not, 1);
      return true;
    }
    if (take("(")) return choice() && take(")");
    if (at_ >= text_.size()) return false;
    return isDigit(text_[at_]) ? figure() : startsName(text_[at_]) && name();
  }

  bool figure() {
    QuickFormula::Step step;
    const char* const end = text_.data() + text_.size();
    const auto read =
        std::from_chars(text_.data() + at_, end, step.figure, std::chars_format::fixed);
    if (read.ec != std::errc()) return false;
    at_ = static_cast<std::size_t>(read.ptr - text_.data());
    if (at_ < text_.size() && (startsName(text_[at_]) || text_[at_] == '.')) return false;
    skip();
    add(step, 0);
    return true;
  }

  bool name() {
    const std::size_t begin = at_;
    while (at_ < text_.size() &&
           (startsName(text_[at_]) || isDigit(text_[at_]) || text_[at_] == '.'))
      ++at_;
    const std::string_view name = text_.substr(begin, at_ - begin);
    skip();
    if (take("(")) return call(name);
    const auto found = lookup_(name);
    QuickFormula::Step step;
    if (const auto* place = std::get_if<double*>(&found)) {
      step.kind = Kind::Place;
      step.place = *place;
    } else if (const auto* constant = std::get_if<double>(&found)) {
      step.figure = *constant;
    } else {
      return false;
    }
    add(step, 0);
    return true;
  }

  bool call(std::string_view name) {
    const FormulaFunction* function = findFormulaFunction(name);
    if (function == nullptr) return false;
    QuickFormula::Step step;
    step.kind = Kind::Call;
    step.call = function->call;
    do {
      if (!choice()) return false;
      ++step.count;
    } while (take(","));
    const bool isCounted =
        function->arguments < 0 ? step.count >= 2 : step.count == function->arguments;
    if (!isCounted || !take(")")) return false;
    // The least of figures of which one is missing is missing.
    if (function->arguments < 0) step.figure = 1.0;
    add(step, step.count);
    return true;
  }

  std::string_view text_;
  const NameLookup& lookup_;
  std::size_t at_ = 0, depth_ = 0, most_ = 0;
  int nesting_ = 0;
  QuickFormula formula_;
};

std::optional<QuickFormula> QuickFormula::read(std::string_view text, const NameLookup& lookup) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  return QuickReading(text, lookup).run();
}

double QuickFormula::between(Kind kind, double a, double b) {
  switch (kind) {
    case Kind::Plus:
      return a + b;
    case Kind::Minus:
      return a - b;
    case Kind::Times:
      return a * b;
    case Kind::Over:
      return a / b;
    case Kind::Is:
      return a == b ? 1.0 : 0.0;
    case Kind::IsNot:
      return a != b ? 1.0 : 0.0;
    case Kind::Below:
      return a < b ? 1.0 : 0.0;
    case Kind::Above:
      return a > b ? 1.0 : 0.0;
    case Kind::AtMost:
      return a <= b ? 1.0 : 0.0;
    case Kind::AtLeast:
      return a >= b ? 1.0 : 0.0;
    case Kind::And:
      return a != 0.0 && b != 0.0 ? 1.0 : 0.0;
    default:
      return a != 0.0 || b != 0.0 ? 1.0 : 0.0;
  }
}

double QuickFormula::evaluate() const {
  constexpr double kNone = std::numeric_limits<double>::quiet_NaN();
  std::array<double, kDeepest + 1> stack;
  double* top = stack.data();  // past the last
  for (const Step& step : steps_) {
    switch (step.kind) {
      case Kind::Figure:
        *top++ = step.figure;
        break;
      case Kind::Place:
        *top++ = *step.place;
        break;
      case Kind::Negative:
        top[-1] = -top[-1];
        break;
      case Kind::Not:
        top[-1] = top[-1] == 0.0 ? 1.0 : 0.0;
        break;
      case Kind::Call: {
        top -= step.count;
        bool isMissing = false;
        for (int i = 0; step.figure != 0.0 && i < step.count; ++i)
          isMissing = isMissing || std::isnan(top[i]);
        *top = isMissing ? kNone : step.call(top, step.count);
        ++top;
        break;
      }
      case Kind::Choose:
        top -= 2;
        top[-1] = top[-1] != 0.0 ? top[0] : top[1];
        break;
      default:
        --top;
        top[-1] = between(step.kind, top[-1], top[0]);
        break;
    }
  }
  return std::isfinite(stack[0]) ? stack[0] : kNone;
}

}  // namespace drapery
