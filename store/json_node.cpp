#include "store/json_node.h"

#include <rapidjson/memorystream.h>
#include <rapidjson/reader.h>

#include <algorithm>
#include <clocale>
#include <cmath>
#include <cstdlib>

namespace drapery {

namespace {

constexpr std::string_view kByteOrderMark = "\xEF\xBB\xBF";

/// Line and column of rising offsets: each byte is passed once.
class Cursor {
 public:
  Cursor(std::string_view text, std::size_t from) : text_(text), at_(from) {}

  void goTo(std::size_t offset) {
    for (; at_ < offset && at_ < text_.size(); ++at_) {
      const auto byte = static_cast<unsigned char>(text_[at_]);
      if (byte == '\n') {
        ++line_;
        column_ = 1;
      } else if ((byte & 0xC0U) != 0x80U) {
        ++column_;
      }
    }
  }
  [[nodiscard]] std::size_t at() const { return at_; }
  [[nodiscard]] int line() const { return line_; }
  [[nodiscard]] int column() const { return column_; }

 private:
  std::string_view text_;
  std::size_t at_;
  int line_ = 1;
  int column_ = 1;
};

using Arguments = IssueArguments;

class TreeBuilder : public rapidjson::BaseReaderHandler<rapidjson::UTF8<>, TreeBuilder> {
 public:
  /// `stream` is being read from `text`; it stands behind the token when a token is told.
  TreeBuilder(std::string_view text, const rapidjson::MemoryStream& stream)
      : text_(text), stream_(stream), cursor_(text, stream.Tell()), before_(stream.Tell()) {}

  Node root;
  Issues issues;

  bool Null() { return add(begin(Node::Kind::Null)); }
  bool Bool(bool value) {
    Node node = begin(Node::Kind::Boolean);
    node.number = value ? 1.0 : 0.0;
    return add(std::move(node));
  }
  bool RawNumber(const char* digits, rapidjson::SizeType, bool) {
    // RapidJSON's own conversion may be off by a last digit.
    static const locale_t kPlain = newlocale(LC_ALL_MASK, "C", nullptr);
    Node node = begin(Node::Kind::Number);
    node.text = shortened(text_.substr(node.begin, stream_.Tell() - node.begin));
    node.number = strtod_l(digits, nullptr, kPlain);
    if (!std::isfinite(node.number)) complain("number-too-large", {{"value", node.text}});
    return add(std::move(node));
  }
  bool String(const char* value, rapidjson::SizeType length, bool) {
    Node node = begin(Node::Kind::Text);
    node.text.assign(value, length);
    if (!refuseHalfPair(node.text)) return false;
    return add(std::move(node));
  }
  bool Key(const char* name, rapidjson::SizeType length, bool) {
    cursor_.goTo(tokenBegin());
    open_.back()->members.push_back(
        {std::string(name, length), cursor_.line(), cursor_.column(), 0, {}});
    if (!refuseHalfPair(open_.back()->members.back().key)) return false;
    passed(':');
    return true;
  }
  bool StartObject() { return open(Node::Kind::Table); }
  bool StartArray() { return open(Node::Kind::List); }
  bool EndObject(rapidjson::SizeType) {
    refuseTwins(*open_.back());
    return close();
  }
  bool EndArray(rapidjson::SizeType) { return close(); }

  /// What stopped the reading, at the token that it stands at.
  void refuse(rapidjson::ParseErrorCode code, std::size_t offset);

 private:
  [[nodiscard]] std::size_t overBlanks(std::size_t at) const {
    return std::min(text_.find_first_not_of(" \t\n\r", at), text_.size());
  }
  /// Where the next token begins, or what stands in its place.
  [[nodiscard]] std::size_t tokenBegin() const {
    const std::size_t at = overBlanks(before_);
    return at < text_.size() && text_[at] == between_ ? overBlanks(at + 1) : at;
  }
  /// The token at `offset` as it would be pointed at; empty at the end.
  [[nodiscard]] std::string tokenAt(std::size_t offset) const {
    if (offset >= text_.size()) return {};
    const std::size_t end = text_.find_first_of(" \t\n\r,:[]{}", offset + 1);
    return shortened(text_.substr(offset, end - offset));
  }
  [[nodiscard]] std::string escapeAt(std::size_t offset) const {
    constexpr std::size_t kShort = 2, kLong = 6;
    const bool isLong = text_.substr(offset, kShort) == "\\u";
    return shortened(text_.substr(offset, isLong ? kLong : kShort));
  }

  void complain(IssueId id, Arguments arguments) {
    issues.push_back({id, std::move(arguments), {}, {{}, cursor_.line(), cursor_.column()}, {}});
  }
  void refuseTwins(const Node& table) {
    std::vector<const Node::Member*> sorted;
    sorted.reserve(table.members.size());
    for (const Node::Member& member : table.members) sorted.push_back(&member);
    std::stable_sort(sorted.begin(), sorted.end(),
                     [](const auto* a, const auto* b) { return a->key < b->key; });
    for (std::size_t i = 1; i < sorted.size(); ++i)
      if (sorted[i]->key == sorted[i - 1]->key)
        issues.push_back({"key-twice",
                          {{"key", shortened(sorted[i]->key)}},
                          {},
                          {{}, sorted[i]->line, sorted[i]->column},
                          {}});
  }

  Node begin(Node::Kind kind) {
    Node node;
    node.kind = kind;
    node.begin = tokenBegin();
    cursor_.goTo(node.begin);
    node.line = cursor_.line();
    node.column = cursor_.column();
    return node;
  }
  /// Puts the node where it belongs and gives its lasting place.
  Node* settle(Node node) {
    passed(',');
    node.end = before_;
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
    Node node = begin(kind);
    if (open_.size() >= static_cast<std::size_t>(kDeepestJson)) {
      complain("too-deep", {{"limit", std::to_string(kDeepestJson)}});
      return false;
    }
    open_.push_back(settle(std::move(node)));
    passed('\0');
    return true;
  }
  bool close() {
    passed(',');
    open_.back()->end = before_;
    open_.pop_back();
    return true;
  }

  void refuseByte(IssueId id, std::size_t offset);

  /// RapidJSON lets the second half of a pair of escapes stand alone: no character, and no UTF-8.
  /// @param text the text that has just been read; false when there is one in it.
  bool refuseHalfPair(const std::string& text) {
    constexpr std::string_view kHalves = "\xED";
    for (std::size_t at = text.find(kHalves); at != std::string::npos;
         at = text.find(kHalves, at + 1)) {
      constexpr unsigned kFirstOfHalves = 0xA0U;
      if (static_cast<unsigned char>(text[at + 1]) < kFirstOfHalves) continue;
      const std::size_t offset = halfPairFrom(cursor_.at());
      cursor_.goTo(offset);
      complain("json-escape", {{"token", escapeAt(offset)}});
      return false;
    }
    return true;
  }
  /// The first escape, from there on, that is the second half of a pair without the first.
  [[nodiscard]] std::size_t halfPairFrom(std::size_t at) const {
    bool isSecond = false;
    while ((at = text_.find('\\', at)) < stream_.Tell()) {
      const bool isLong = at + 3 < text_.size() && text_[at + 1] == 'u';
      const bool isHalf = isLong && (text_[at + 2] == 'd' || text_[at + 2] == 'D');
      const bool isHigh =
          isHalf && std::string_view("89abAB").find(text_[at + 3]) != std::string_view::npos;
      const bool isLow = isHalf && !isHigh &&
                         std::string_view("cdefCDEF").find(text_[at + 3]) != std::string_view::npos;
      if (isLow && !isSecond) return at;
      isSecond = isHigh;
      at += isLong ? 6 : 2;
    }
    return cursor_.at();
  }

  /// A token has been read; `next` may stand before the one after it.
  void passed(char next) {
    before_ = stream_.Tell();
    between_ = next;
  }

  std::string_view text_;
  const rapidjson::MemoryStream& stream_;
  Cursor cursor_;
  std::size_t before_;       // the end of the last token
  char between_ = '\0';      // the comma or colon that may stand after it
  std::vector<Node*> open_;  // a parent's children never move while one of them is open
};

void TreeBuilder::refuseByte(IssueId id, std::size_t offset) {
  constexpr std::string_view kHex = "0123456789ABCDEF";
  const unsigned byte = offset < text_.size() ? static_cast<unsigned char>(text_[offset]) : 0U;
  complain(id, {{"byte", std::string("0x") + kHex[byte >> 4U] + kHex[byte & 15U]}});
}

struct Fault {
  rapidjson::ParseErrorCode code;
  IssueId id;
  bool isPointed;  // the reader's offset is the place; otherwise the token's begin is
};

constexpr IssueId kEscape = "json-escape";
constexpr Fault kFaults[]{
    {rapidjson::kParseErrorDocumentEmpty, "json-empty", false},
    {rapidjson::kParseErrorDocumentRootNotSingular, "json-more", true},
    {rapidjson::kParseErrorObjectMissName, "json-name-missing", true},
    {rapidjson::kParseErrorObjectMissColon, "json-colon-missing", true},
    {rapidjson::kParseErrorObjectMissCommaOrCurlyBracket, "json-object-open", true},
    {rapidjson::kParseErrorArrayMissCommaOrSquareBracket, "json-list-open", true},
    {rapidjson::kParseErrorStringUnicodeEscapeInvalidHex, kEscape, true},
    {rapidjson::kParseErrorStringUnicodeSurrogateInvalid, kEscape, true},
    {rapidjson::kParseErrorStringEscapeInvalid, kEscape, true},
    {rapidjson::kParseErrorStringInvalidEncoding, "text-not-utf8", true},
    {rapidjson::kParseErrorStringMissQuotationMark, "json-text-open", false},
    {rapidjson::kParseErrorNumberTooBig, "number-too-large", false},
    {rapidjson::kParseErrorNumberMissFraction, "json-number", false},
    {rapidjson::kParseErrorNumberMissExponent, "json-number", false}};
constexpr Fault kNoValue{rapidjson::kParseErrorValueInvalid, "json-value-missing", false};

void TreeBuilder::refuse(rapidjson::ParseErrorCode code, std::size_t offset) {
  if (code == rapidjson::kParseErrorTermination) return;  // told where it was ended
  const auto* found = std::find_if(std::begin(kFaults), std::end(kFaults),
                                   [&](const Fault& each) { return each.code == code; });
  const Fault& fault = found != std::end(kFaults) ? *found : kNoValue;
  constexpr unsigned char kFirstPrinted = 0x20;
  const bool isInText =
      fault.id == kEscape || code == rapidjson::kParseErrorStringMissQuotationMark;
  const bool isControl = isInText && offset < text_.size() &&
                         static_cast<unsigned char>(text_[offset]) < kFirstPrinted;
  cursor_.goTo(fault.isPointed || isControl ? offset : tokenBegin());
  if (isControl) return refuseByte("json-control", offset);
  if (code == rapidjson::kParseErrorStringInvalidEncoding)
    return refuseByte("text-not-utf8", offset);
  const std::string token = fault.id == kEscape ? escapeAt(offset) : tokenAt(cursor_.at());
  const bool isNoNumber = token == "NaN" || token == "Infinity" || token == "-Infinity";
  complain(&fault == &kNoValue && isNoNumber ? "json-not-finite" : fault.id,
           {{"token", token}, {"value", token}});
}

}  // namespace

std::variant<Node, Issues> parseJson(std::string_view text) {
  if (text.size() > kLargestJsonFile)
    return Issues{{"file-too-large", {{"limit", std::string("4 MB")}}, {}, {{}, 1, 1}, {}}};
  rapidjson::MemoryStream stream(text.data(), text.size());
  if (text.starts_with(kByteOrderMark))
    while (stream.Tell() < kByteOrderMark.size()) stream.Take();
  TreeBuilder builder(text, stream);
  rapidjson::Reader reader;
  constexpr unsigned kFlags =
      rapidjson::kParseValidateEncodingFlag | rapidjson::kParseNumbersAsStringsFlag;
  const rapidjson::ParseResult result = reader.Parse<kFlags>(stream, builder);
  if (result.IsError()) {
    builder.refuse(result.Code(), result.Offset());
  } else if (stream.Tell() < text.size()) {  // a NUL is taken for the end
    builder.refuse(rapidjson::kParseErrorDocumentRootNotSingular, stream.Tell());
  }
  Issues& issues = builder.issues;
  if (issues.empty()) return std::move(builder.root);
  std::stable_sort(issues.begin(), issues.end(), [](const Issue& a, const Issue& b) {
    return std::pair(a.where.line, a.where.column) < std::pair(b.where.line, b.where.column);
  });
  return std::move(issues);
}

std::string described(const Node& node) {
  switch (node.kind) {
    case Node::Kind::Null:
      return "null";
    case Node::Kind::Boolean:
      return node.number != 0.0 ? "true" : "false";
    case Node::Kind::List:
      return "[...]";
    case Node::Kind::Table:
      return "{...}";
    default:
      return shortened(node.text);
  }
}

}  // namespace drapery
