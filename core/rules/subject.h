// What a thing on the table stands for.
#pragma once

#include <string>
#include <string_view>
#include <utility>

namespace drapery {

struct Subject {
  enum class Kind {
    None,
    Book,     // the text block itself: "text_block"
    Value,    // a number of the rules: "setback", "board.cut_width"
    Part,     // a piece: "board"
    JobField  // "method", "units", "round"
  };
  Kind kind = Kind::None;
  std::string id;

  static constexpr std::string_view kBook = "text_block";
  static Subject value(std::string id) { return {Kind::Value, std::move(id)}; }
  static Subject part(std::string id) { return {Kind::Part, std::move(id)}; }
  static Subject field(std::string id) { return {Kind::JobField, std::move(id)}; }

  [[nodiscard]] bool empty() const { return kind == Kind::None; }
  [[nodiscard]] bool isValue(std::string_view name) const {
    return kind == Kind::Value && id == name;
  }
  [[nodiscard]] bool isPart(std::string_view name) const {
    return kind == Kind::Part && id == name;
  }
  friend bool operator==(const Subject& a, const Subject& b) {
    return a.kind == b.kind && a.id == b.id;
  }
};

}  // namespace drapery
