#include "core/quantity/parse_length.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <optional>
#include <string>

namespace drapery {

namespace {

struct Written {
  std::string_view mark;
  double value;
};

constexpr std::array<Written, 15> kVulgar{{{"½", 1.0 / 2},
                                           {"⅓", 1.0 / 3},
                                           {"⅔", 2.0 / 3},
                                           {"¼", 1.0 / 4},
                                           {"¾", 3.0 / 4},
                                           {"⅕", 1.0 / 5},
                                           {"⅖", 2.0 / 5},
                                           {"⅗", 3.0 / 5},
                                           {"⅘", 4.0 / 5},
                                           {"⅙", 1.0 / 6},
                                           {"⅚", 5.0 / 6},
                                           {"⅛", 1.0 / 8},
                                           {"⅜", 3.0 / 8},
                                           {"⅝", 5.0 / 8},
                                           {"⅞", 7.0 / 8}}};
constexpr std::array<Written, 7> kUnits{{{"mm", 1.0},
                                         {"cm", kMmPerCm},
                                         {"inches", kMmPerInch},
                                         {"inch", kMmPerInch},
                                         {"in", kMmPerInch},
                                         {"\"", kMmPerInch},
                                         {"″", kMmPerInch}}};
constexpr std::array<std::string_view, 4> kSpaces{" ", "\t", "\u00a0", "\u202f"};
constexpr std::array<std::string_view, 2> kMinus{"-", "\u2212"};
constexpr std::array<std::string_view, 2> kSlash{"/", "\u2044"};

bool isDigit(char c) { return c >= '0' && c <= '9'; }
char lower(char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c; }

class Cursor {
 public:
  explicit Cursor(std::string_view text) : rest_(text) {}

  [[nodiscard]] bool atEnd() const { return rest_.empty(); }
  [[nodiscard]] char peek() const { return rest_.empty() ? '\0' : rest_.front(); }
  [[nodiscard]] std::string_view rest() const { return rest_; }
  void restore(std::string_view rest) { rest_ = rest; }

  bool take(std::string_view mark) {
    if (rest_.size() < mark.size()) return false;
    for (std::size_t i = 0; i < mark.size(); ++i)
      if (lower(rest_[i]) != mark[i]) return false;
    rest_.remove_prefix(mark.size());
    return true;
  }
  template <class Marks>
  bool takeAny(const Marks& marks) {
    for (const auto& mark : marks)
      if (take(mark)) return true;
    return false;
  }
  template <class Table>
  std::optional<double> takeValue(const Table& table) {
    for (const Written& entry : table)
      if (take(entry.mark)) return entry.value;
    return std::nullopt;
  }
  bool skipSpace() {
    bool any = false;
    while (takeAny(kSpaces)) any = true;
    return any;
  }
  std::string_view digits() {
    std::size_t n = 0;
    while (n < rest_.size() && isDigit(rest_[n])) ++n;
    const std::string_view taken = rest_.substr(0, n);
    rest_.remove_prefix(n);
    return taken;
  }

 private:
  std::string_view rest_;
};

double number(const std::string& text) {
  double value = 0.0;
  std::from_chars(text.data(), text.data() + text.size(), value);
  return value;
}

using Parsed = std::variant<double, LengthFault>;

/// The lower part of a fraction whose upper part and slash have been read.
Parsed finishFraction(Cursor& in, std::string_view upper) {
  in.skipSpace();
  const std::string_view below = in.digits();
  if (below.empty()) return LengthFault::NotALength;
  const double denominator = number(std::string(below));
  if (denominator == 0.0) return LengthFault::ZeroDenominator;
  return number(std::string(upper)) / denominator;
}

Parsed decimal(Cursor& in, std::string_view whole) {
  const std::string_view places = in.digits();
  if (whole.empty() && places.empty()) return LengthFault::NotALength;
  if (in.peek() == '.' || in.peek() == ',') return LengthFault::Thousands;
  return number(std::string(whole.empty() ? "0" : whole) + "." +
                std::string(places.empty() ? "0" : places));
}

/// After a whole number: ` 3/16`, `-3/16`, `½`, or nothing.
Parsed mixed(Cursor& in, std::string_view whole) {
  const double base = number(std::string(whole));
  const std::string_view before = in.rest();
  in.skipSpace();
  if (in.takeAny(kMinus)) in.skipSpace();
  if (const auto vulgar = in.takeValue(kVulgar)) return base + *vulgar;
  const std::string_view upper = in.digits();
  if (upper.empty()) {
    in.restore(before);
    return base;
  }
  in.skipSpace();
  if (!in.takeAny(kSlash)) return LengthFault::NotALength;
  const Parsed part = finishFraction(in, upper);
  if (const double* value = std::get_if<double>(&part)) {
    if (*value >= 1.0) return LengthFault::ImproperFraction;
    return base + *value;
  }
  return part;
}

Parsed magnitude(Cursor& in) {
  if (const auto vulgar = in.takeValue(kVulgar)) return *vulgar;
  const std::string_view whole = in.digits();
  if (in.peek() == '.' || in.peek() == ',') {
    in.restore(in.rest().substr(1));
    return decimal(in, whole);
  }
  if (whole.empty()) return LengthFault::NotALength;
  const std::string_view before = in.rest();
  in.skipSpace();
  if (in.takeAny(kSlash)) return finishFraction(in, whole);
  in.restore(before);
  return mixed(in, whole);
}

Parsed signedMagnitude(Cursor& in) {
  in.skipSpace();
  if (in.atEnd()) return LengthFault::Empty;
  const bool minus = in.takeAny(kMinus);
  if (!minus) in.take("+");
  in.skipSpace();
  Parsed parsed = magnitude(in);
  if (double* value = std::get_if<double>(&parsed); value != nullptr && minus) *value = -*value;
  in.skipSpace();
  return parsed;
}

/// "e3", "e-3", "E400"
bool isExponent(std::string_view tail) {
  if (tail.size() < 2 || lower(tail[0]) != 'e') return false;
  const bool isSigned = tail[1] == '-' || tail[1] == '+';
  return isDigit(tail[1]) || (isSigned && tail.size() > 2 && isDigit(tail[2]));
}

LengthFault faultOfTail(Cursor& in, bool unitSeen) {
  if (!unitSeen && isExponent(in.rest())) return LengthFault::Exponent;
  const bool another = in.takeValue(kUnits).has_value();
  in.skipSpace();
  if (another && in.atEnd()) return LengthFault::TwoUnits;
  if (isDigit(in.peek()) || in.peek() == '.' || in.peek() == ',') return LengthFault::NotALength;
  return LengthFault::UnknownUnit;
}

/// What a binder reads off in stages: `12 in + 3 1/4 in`. Terms without a unit take the one that
/// the others name.
class Sum {
 public:
  void add(double value, std::optional<double> unit) {
    if (unit && unit_ && *unit != *unit_) namesTwo_ = true;
    if (unit) unit_ = unit;
    if (unit) {
      mm_ += value * *unit;
    } else {
      bare_ += value;
      hasBare_ = true;
    }
    endsInUnit_ = unit.has_value();
  }
  [[nodiscard]] bool endsInUnit() const { return endsInUnit_; }
  [[nodiscard]] std::optional<double> unit() const { return unit_; }  // mm
  [[nodiscard]] std::variant<Length, LengthFault> total(double fallback) const {
    if (hasBare_ && namesTwo_) return LengthFault::TwoUnits;
    return Length::fromMm(mm_ + bare_ * unit_.value_or(fallback));
  }

 private:
  std::optional<double> unit_;
  double mm_ = 0.0;
  double bare_ = 0.0;
  bool hasBare_ = false, namesTwo_ = false, endsInUnit_ = false;
};

std::variant<Sum, LengthFault> parseSum(std::string_view text) {
  if (text.size() > kLongestLengthText) return LengthFault::TooLong;
  Cursor in(text);
  Sum sum;
  Parsed term = signedMagnitude(in);
  while (true) {
    if (const LengthFault* fault = std::get_if<LengthFault>(&term)) return *fault;
    sum.add(std::get<double>(term), in.takeValue(kUnits));
    in.skipSpace();
    if (!in.take("+")) break;
    in.skipSpace();
    term = magnitude(in);
    in.skipSpace();
  }
  if (!in.atEnd()) return faultOfTail(in, sum.endsInUnit());
  return sum;
}

}  // namespace

std::variant<Length, LengthFault> parseLength(std::string_view text, Units bare) {
  const auto parsed = parseSum(text);
  if (const auto* fault = std::get_if<LengthFault>(&parsed)) return *fault;
  return std::get<Sum>(parsed).total(bare == Units::Inches ? kMmPerInch : 1.0);
}

bool couldBecomeLength(std::string_view text) {
  // What finishes a number, a fraction over anything, a term of a sum, and each unit.
  static constexpr std::array<std::string_view, 13> kEndings{
      "", "1", "99999", "/99999", "1/99999", "m", "n", "nch", "ch", "h", "ches", "es", "s"};
  return std::any_of(kEndings.begin(), kEndings.end(), [&](std::string_view ending) {
    return std::holds_alternative<Sum>(parseSum(std::string(text) + std::string(ending)));
  });
}

std::variant<double, LengthFault> parseRatio(std::string_view text) {
  if (text.size() > kLongestLengthText) return LengthFault::TooLong;
  Cursor in(text);
  const Parsed parsed = signedMagnitude(in);
  if (const LengthFault* fault = std::get_if<LengthFault>(&parsed)) return *fault;
  if (!in.atEnd()) return LengthFault::NotALength;
  return std::get<double>(parsed);
}

bool namesUnit(std::string_view text) {
  const auto parsed = parseSum(text);
  const Sum* sum = std::get_if<Sum>(&parsed);
  return sum != nullptr && sum->unit().has_value();
}

Units unitsOf(std::string_view text, Units bare) {
  const auto parsed = parseSum(text);
  const Sum* sum = std::get_if<Sum>(&parsed);
  if (sum == nullptr || !sum->unit()) return bare;
  return *sum->unit() == kMmPerInch ? Units::Inches : Units::Millimetres;
}

std::string lengthWithUnit(std::string text, Units bare) {
  const bool isSound = std::holds_alternative<Length>(parseLength(text, bare));
  if (!isSound || namesUnit(text)) return text;
  return text + (bare == Units::Inches ? " in" : " mm");
}

}  // namespace drapery
