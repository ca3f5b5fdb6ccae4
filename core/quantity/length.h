// A length. Millimetres inside, never a bare double outside: a double does not convert.
// 1 in = 25.4 mm exactly (NIST SP 811, appendix B).
#pragma once

namespace drapery {

inline constexpr double kMmPerInch = 25.4;
inline constexpr double kMmPerCm = 10.0;

class Length {
 public:
  constexpr Length() = default;
  static constexpr Length fromMm(double mm) { return Length(mm); }
  static constexpr Length fromInches(double inches) { return Length(inches * kMmPerInch); }

  [[nodiscard]] constexpr double mm() const { return mm_; }
  [[nodiscard]] constexpr double inches() const { return mm_ / kMmPerInch; }

  constexpr Length& operator+=(Length other) {
    mm_ += other.mm_;
    return *this;
  }
  constexpr Length& operator-=(Length other) {
    mm_ -= other.mm_;
    return *this;
  }
  friend constexpr Length operator+(Length a, Length b) { return Length(a.mm_ + b.mm_); }
  friend constexpr Length operator-(Length a, Length b) { return Length(a.mm_ - b.mm_); }
  friend constexpr Length operator-(Length a) { return Length(-a.mm_); }
  friend constexpr Length operator*(Length a, double k) { return Length(a.mm_ * k); }
  friend constexpr Length operator*(double k, Length a) { return Length(a.mm_ * k); }
  friend constexpr Length operator/(Length a, double k) { return Length(a.mm_ / k); }
  friend constexpr double operator/(Length a, Length b) { return a.mm_ / b.mm_; }
  friend constexpr bool operator==(Length a, Length b) { return a.mm_ == b.mm_; }
  friend constexpr bool operator!=(Length a, Length b) { return a.mm_ != b.mm_; }
  friend constexpr bool operator<(Length a, Length b) { return a.mm_ < b.mm_; }
  friend constexpr bool operator>(Length a, Length b) { return a.mm_ > b.mm_; }
  friend constexpr bool operator<=(Length a, Length b) { return a.mm_ <= b.mm_; }
  friend constexpr bool operator>=(Length a, Length b) { return a.mm_ >= b.mm_; }

 private:
  constexpr explicit Length(double mm) : mm_(mm) {}
  double mm_ = 0.0;
};

inline namespace literals {
constexpr Length operator""_mm(long double mm) { return Length::fromMm(static_cast<double>(mm)); }
constexpr Length operator""_mm(unsigned long long mm) {
  return Length::fromMm(static_cast<double>(mm));
}
constexpr Length operator""_in(long double in) {
  return Length::fromInches(static_cast<double>(in));
}
constexpr Length operator""_in(unsigned long long in) {
  return Length::fromInches(static_cast<double>(in));
}
}  // namespace literals

}  // namespace drapery
