#include "store/json_node.h"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "store/utf8.h"

namespace drapery {

namespace {

using Json = nlohmann::json;

/// Walks the text beside the parser: each event's value begins after the blanks, commas and colons.
class Place {
 public:
  explicit Place(std::string_view text) : text_(text) {
    constexpr std::string_view kByteOrderMark = "\xEF\xBB\xBF";
    if (text_.starts_with(kByteOrderMark)) at_ = kByteOrderMark.size();
    lineStart_ = at_;
  }

  void toToken() {
    while (at_ < text_.size() && isBetween(text_[at_])) step();
  }
  void overNumber() {
    while (at_ < text_.size() && !isBetween(text_[at_]) && text_[at_] != ']' && text_[at_] != '}')
      step();
  }
  void overText() {
    step();
    while (at_ < text_.size() && text_[at_] != '"') {
      if (text_[at_] == '\\') step();
      step();
    }
    step();
  }
  void over(std::size_t bytes) {
    for (std::size_t i = 0; i < bytes; ++i) step();
  }
  void toByte(std::size_t byte) {
    while (at_ < byte && at_ < text_.size()) step();
  }

  [[nodiscard]] std::size_t byte() const { return at_; }
  [[nodiscard]] int line() const { return line_; }
  [[nodiscard]] int column() const {
    const auto isLead = [](char c) { return (static_cast<unsigned char>(c) & 0xC0U) != 0x80U; };
    const auto* begin = text_.data() + lineStart_;
    return 1 + static_cast<int>(std::count_if(begin, text_.data() + at_, isLead));
  }

 private:
  static bool isBetween(char c) {
    return c == ' ' || c == '\t' || c == '\n' || c == '\r' || c == ',' || c == ':';
  }
  void step() {
    if (at_ >= text_.size()) return;
    if (text_[at_++] != '\n') return;
    ++line_;
    lineStart_ = at_;
  }

  std::string_view text_;
  std::size_t at_ = 0;
  std::size_t lineStart_ = 0;
  int line_ = 1;
};

class TreeBuilder : public nlohmann::json_sax<Json> {
 public:
  explicit TreeBuilder(std::string_view text) : text_(text), place_(text) {}

  Node root;
  Issues issues;

  /// The byte at `offset` belongs to no UTF-8 text.
  void refuseByte(std::size_t offset) {
    place_.toByte(offset);
    constexpr std::string_view kHex = "0123456789ABCDEF";
    const auto byte = static_cast<unsigned char>(text_[offset]);
    complain("text-not-utf8", {{"byte", std::string("0x") + kHex[byte >> 4U] + kHex[byte & 15U]}});
  }

  bool null() override { return literal(Node::Kind::Null, 4, 0.0); }
  bool boolean(bool value) override {
    return literal(Node::Kind::Boolean, value ? 4 : 5, value ? 1.0 : 0.0);
  }
  bool number_integer(number_integer_t value) override {
    return number(static_cast<double>(value));
  }
  bool number_unsigned(number_unsigned_t value) override {
    return number(static_cast<double>(value));
  }
  bool number_float(number_float_t value, const string_t&) override { return number(value); }
  bool string(string_t& value) override {
    Node node = begin(Node::Kind::Text);
    node.text = std::move(value);
    place_.overText();
    return add(std::move(node));
  }
  bool binary(binary_t&) override { return false; }
  bool start_object(std::size_t) override { return open(Node::Kind::Table); }
  bool start_array(std::size_t) override { return open(Node::Kind::List); }
  bool end_object() override { return close(); }
  bool end_array() override { return close(); }

  bool key(string_t& name) override {
    place_.toToken();
    Node& table = *open_.back();
    if (table.find(name) != nullptr) complain("key-twice", {{"key", shortened(name)}});
    table.members.push_back({name, place_.line(), place_.column(), 0, {}});
    place_.overText();
    return true;
  }

  bool parse_error(std::size_t position, const std::string& token,
                   const nlohmann::detail::exception& error) override {
    constexpr int kOutOfRange = 406;
    if (error.id == kOutOfRange) {
      place_.toToken();
      complain("number-too-large", {{"value", shortened(token)}});
    } else {
      place_.toByte(position < token.size() ? 0 : position - token.size());
      complain("json-syntax", {{"token", shortened(token)}});
    }
    return false;
  }

 private:
  void complain(const char* id, std::vector<std::pair<std::string, Argument>> arguments) {
    Issue issue{id, std::move(arguments), {}, {}, {}};
    issue.where.line = place_.line();
    issue.where.column = place_.column();
    issues.push_back(std::move(issue));
  }

  Node begin(Node::Kind kind) {
    place_.toToken();
    Node node;
    node.kind = kind;
    node.line = place_.line();
    node.column = place_.column();
    node.begin = place_.byte();
    return node;
  }

  bool literal(Node::Kind kind, std::size_t bytes, double value) {
    Node node = begin(kind);
    node.number = value;
    place_.over(bytes);
    return add(std::move(node));
  }

  bool number(double value) {
    Node node = begin(Node::Kind::Number);
    node.number = value;
    place_.overNumber();
    node.text = shortened(text_.substr(node.begin, place_.byte() - node.begin));
    return add(std::move(node));
  }

  /// Puts the node where it belongs and gives its lasting place.
  Node* settle(Node node) {
    node.end = place_.byte();
    if (open_.empty()) {
      root = std::move(node);
      return &root;
    }
    Node& parent = *open_.back();
    if (parent.kind == Node::Kind::List) return &parent.items.emplace_back(std::move(node));
    parent.members.back().value = std::move(node);
    return &parent.members.back().value;
  }
  bool add(Node node) {
    settle(std::move(node));
    return true;
  }

  bool open(Node::Kind kind) {
    if (open_.size() >= static_cast<std::size_t>(kDeepestJson)) {
      place_.toToken();
      complain("json-too-deep", {{"limit", std::to_string(kDeepestJson)}});
      return false;
    }
    Node node = begin(kind);
    place_.over(1);
    open_.push_back(settle(std::move(node)));
    return true;
  }
  bool close() {
    place_.toToken();
    place_.over(1);
    open_.back()->end = place_.byte();
    open_.pop_back();
    return true;
  }

  std::string_view text_;
  Place place_;
  std::vector<Node*> open_;  // a parent's children never move while one of them is open
};

}  // namespace

std::variant<Node, Issues> parseJson(std::string_view text) {
  if (text.size() > kLargestJsonFile)
    return Issues{{"file-too-large", {{"limit", std::string("4 MB")}}, {}, {{}, 1, 1}, {}}};
  TreeBuilder builder(text);
  if (const std::size_t wrong = firstNotUtf8(text); wrong < text.size()) {
    builder.refuseByte(wrong);
    return std::move(builder.issues);
  }
  const bool whole = Json::sax_parse(text.begin(), text.end(), &builder);
  if (!whole && builder.issues.empty())
    builder.issues.push_back({"json-syntax", {{"token", std::string()}}, {}, {{}, 1, 1}, {}});
  if (!builder.issues.empty()) return std::move(builder.issues);
  return std::move(builder.root);
}

}  // namespace drapery
