// Recursive descent, a level of precedence at a time, into nodes in the order of evaluation.
#include <algorithm>
#include <array>
#include <charconv>
#include <utility>

#include "core/diag/nearest_name.h"
#include "core/expr/formula.h"

namespace drapery {

namespace {

bool isDigit(char c) { return c >= '0' && c <= '9'; }
bool startsName(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_'; }
bool isBlank(char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r'; }

struct UnitWord {
  std::string_view word;
  double factor;
  Dimension dimension;
};
constexpr std::array kUnitWords{
    UnitWord{"mm", 1.0, Dimension::length()}, UnitWord{"cm", 10.0, Dimension::length()},
    UnitWord{"in", 25.4, Dimension::length()},  // NIST SP 811
    UnitWord{"deg", 1.0, Dimension::angle()}, UnitWord{"min", 1.0, Dimension::time()}};

}  // namespace

class FormulaReading {
 public:
  explicit FormulaReading(std::string_view text) {
    formula_.text_ = text;
    const std::size_t likely = text.size() / 6 + 2;
    formula_.nodes_.reserve(likely);
    formula_.places_.reserve(likely);
  }

  std::variant<Formula, FormulaFault> run() {
    skip();
    choice();
    if (!fault_ && at_ < text().size()) strayToken();
    if (fault_) return std::move(*fault_);
    return std::move(formula_);
  }

 private:
  using Op = Formula::Op;
  using Sign = std::pair<std::string_view, Op>;
  static constexpr int kDeepest = 64;

  [[nodiscard]] std::string_view text() const { return formula_.text_; }
  [[nodiscard]] char peek() const { return at_ < text().size() ? text()[at_] : '\0'; }
  void skip() {
    while (at_ < text().size() && isBlank(text()[at_])) ++at_;
  }
  bool take(std::string_view sign) {
    if (fault_ || !text().substr(at_).starts_with(sign)) return false;
    at_ += sign.size();
    skip();
    return true;
  }

  using Arguments = IssueArguments;
  void fail(IssueId id, std::size_t offset, Arguments arguments) {
    arguments.push_back({"formula", shortened(text())});
    if (!fault_) fault_ = {id, std::move(arguments), offset};
  }
  void breakOff() {
    fail("formula-syntax", at_, {{"what", shortened(text().substr(at_, peek() != 0 ? 1 : 0))}});
  }
  void strayToken() {
    if (peek() == '=') return fail("formula-assigns", at_, {});
    if (peek() == ',') return fail("formula-two-results", at_, {});
    breakOff();
  }

  /// The node's operands are the last `operands` subtrees.
  void add(Formula::Node node, int operands, std::size_t offset, std::size_t length,
           const Dimension& dimension = {}) {
    std::size_t begin = formula_.nodes_.size();
    for (int k = 0; k < operands; ++k) begin = formula_.nodes_[begin - 1].begin;
    waiting_ += 1 - operands;
    if (waiting_ > static_cast<int>(Formula::kDeepest)) tooDeep();
    node.begin = static_cast<std::uint32_t>(begin);
    node.operands = static_cast<std::uint8_t>(operands);
    formula_.nodes_.push_back(node);
    formula_.places_.push_back(
        {static_cast<std::uint32_t>(offset), static_cast<std::uint32_t>(length), dimension});
  }
  void add(Op op, int operands, std::size_t offset, std::size_t length) {
    Formula::Node node;
    node.op = op;
    add(node, operands, offset, length);
  }

  void tooDeep() { fail("formula-too-deep", at_, {{"limit", std::to_string(kDeepest)}}); }
  bool deeper() {
    if (++nesting_ <= kDeepest) return true;
    tooDeep();
    return false;
  }

  void choice() {
    if (!deeper()) return;
    either();
    const std::size_t sign = at_;
    if (take("?")) {
      choice();
      if (!take(":")) return breakOff();
      choice();
      if (fault_) return;
      add(Op::Choose, 3, sign, 1);
    }
    --nesting_;
  }

  template <std::size_t Count, class Level>
  void chain(const std::array<Sign, Count>& signs, Level level) {
    (this->*level)();
    for (bool more = !fault_; more;) {
      more = false;
      for (const auto& [sign, op] : signs) {
        const std::size_t at = at_;
        if (!take(sign)) continue;
        (this->*level)();
        if (fault_) return;
        add(op, 2, at, sign.size());
        more = true;
        break;
      }
    }
  }
  void either() { chain(std::array{Sign{"||", Op::Or}}, &FormulaReading::both); }
  void both() { chain(std::array{Sign{"&&", Op::And}}, &FormulaReading::compared); }
  void compared() {
    chain(std::array{Sign{"==", Op::Is}, Sign{"!=", Op::IsNot}, Sign{"<=", Op::AtMost},
                     Sign{">=", Op::AtLeast}, Sign{"<", Op::Below}, Sign{">", Op::Above}},
          &FormulaReading::sum);
  }
  void sum() {
    chain(std::array{Sign{"+", Op::Plus}, Sign{"-", Op::Minus}}, &FormulaReading::product);
  }
  void product() {
    chain(std::array{Sign{"*", Op::Times}, Sign{"/", Op::Over}}, &FormulaReading::signedFactor);
  }

  void signedFactor() {
    const std::size_t sign = at_;
    const bool isNegative = peek() == '-';
    if (isNegative || (peek() == '!' && !text().substr(at_).starts_with("!="))) {
      if (!deeper()) return;
      take(isNegative ? "-" : "!");
      signedFactor();
      if (fault_) return;
      add(isNegative ? Op::Negative : Op::Not, 1, sign, 1);
      --nesting_;
      return;
    }
    power();
  }

  void power() {
    factor();
    const std::size_t sign = at_;
    if (!take("^")) return;
    if (!deeper()) return;
    signedFactor();
    if (fault_) return;
    add(Op::Power, 2, sign, 1);
    --nesting_;
  }

  void factor() {
    if (fault_) return;
    if (take("(")) {
      choice();
      if (!fault_ && !take(")")) breakOff();
      return;
    }
    if (isDigit(peek()) || peek() == '.') return figure();
    if (startsName(peek())) return name();
    strayToken();
  }

  /// Digits with at most one point; nothing is consumed when there are none.
  std::optional<double> digits() {
    double value = 0.0;
    if (!isDigit(peek()) && peek() != '.') return std::nullopt;
    const char* const begin = text().data() + at_;
    const auto read =
        std::from_chars(begin, text().data() + text().size(), value, std::chars_format::fixed);
    if (read.ec != std::errc()) return std::nullopt;
    at_ += static_cast<std::size_t>(read.ptr - begin);
    return value;
  }
  /// A number without a point, as in a fraction.
  std::optional<double> whole() {
    const std::size_t before = at_;
    const auto value = digits();
    if (value && text().substr(before, at_ - before).find('.') == std::string_view::npos)
      return value;
    at_ = before;
    return std::nullopt;
  }
  const UnitWord* unitWord() {
    const std::size_t before = at_;
    skip();
    const std::size_t begin = at_;
    while (startsName(peek()) || isDigit(peek())) ++at_;
    const std::string_view word = text().substr(begin, at_ - begin);
    for (const UnitWord& unit : kUnitWords)
      if (unit.word == word && peek() != '.') return &unit;
    at_ = before;
    return nullptr;
  }

  /// "3/16" behind a whole number or alone, as long as a unit follows: else it is a division.
  std::optional<double> fraction(std::optional<double> over) {
    const std::size_t before = at_;
    if (!over) {
      skip();
      over = whole();
    }
    skip();
    if (over && peek() == '/') {
      ++at_;
      skip();
      const auto under = whole();
      const std::size_t end = at_;
      const bool hasUnit = under && *under > 0.0 && unitWord() != nullptr;
      at_ = end;
      if (hasUnit) return *over / *under;
    }
    at_ = before;
    return std::nullopt;
  }

  void figure() {
    const std::size_t begin = at_;
    const auto read = digits();
    if (!read) return breakOff();
    Formula::Node node;
    node.number = *read;
    Dimension dimension;
    const bool isWhole = text().substr(begin, at_ - begin).find('.') == std::string_view::npos;
    if (isWhole) {
      if (const auto part = fraction(*read))
        node.number = *part;
      else if (const auto more = fraction(std::nullopt))
        node.number = *read + *more;
    }
    std::size_t end = at_;
    if (const UnitWord* unit = unitWord()) {
      node.number *= unit->factor;
      dimension = unit->dimension;
      end = at_;
    }
    if (startsName(peek()) || peek() == '.') return breakOff();
    skip();
    add(node, 0, begin, end - begin, dimension);
  }

  void name() {
    const std::size_t begin = at_;
    while (startsName(peek()) || isDigit(peek()) || peek() == '.') ++at_;
    const std::size_t end = at_;
    skip();
    if (take("(")) return call(begin, end - begin);
    add(Op::Name, 0, begin, end - begin);
  }

  void call(std::size_t offset, std::size_t length) {
    Formula::Node node;
    node.op = Op::Call;
    const std::string_view name = text().substr(offset, length);
    const FormulaFunction* function = findFormulaFunction(name);
    if (function == nullptr)
      return fail(
          "formula-unknown-function", offset,
          {{"name", shortened(name)}, {"nearest", nearestName(name, formulaFunctionNames())}});
    int count = 0;
    do {
      choice();
      ++count;
    } while (take(","));
    if (fault_) return;
    if (!take(")")) return breakOff();
    const int wanted = function->arguments;
    const bool isCounted =
        wanted < 0 ? count >= 2 && count <= int(FormulaFunction::kMostArguments) : count == wanted;
    if (!isCounted)
      return fail("formula-arguments", offset,
                  {{"count", std::to_string(count)}, {"written", std::string(function->written)}});
    node.slot = static_cast<std::uint32_t>(function - formulaFunctions().data());
    add(node, count, offset, length);
  }

  Formula formula_;
  std::size_t at_ = 0;
  int nesting_ = 0, waiting_ = 0;
  std::optional<FormulaFault> fault_;
};

std::variant<Formula, FormulaFault> Formula::parse(std::string_view text) {
  if (text.size() > kLongest)
    return FormulaFault{
        "formula-too-long",
        {{"found", std::to_string(text.size())}, {"limit", std::to_string(kLongest)}},
        0};
  return FormulaReading(text).run();
}

}  // namespace drapery
