// What problem files and stock files have in common: values with their places, and a stock.
#pragma once

#include <algorithm>
#include <charconv>
#include <cmath>
#include <set>

#include "core/cutting/cut_problem.h"
#include "core/diag/nearest_name.h"
#include "core/quantity/parse_length.h"
#include "store/json_node.h"

namespace drapery {

class CutReader {
 public:
  CutReader(const Node& root, std::string file, bool takesText)
      : root_(root), file_(std::move(file)), takesText_(takesText) {}

 protected:
  static constexpr double kLongest = 1e6;  // mm: a kilometre of cloth
  static constexpr double kDearest = 1e9;

  static std::string plain(double number) {
    char digits[32];
    const auto end =
        std::to_chars(std::begin(digits), std::end(digits), number, std::chars_format::fixed).ptr;
    return {digits, end};
  }

  bool isObject() {
    if (root_.kind != Node::Kind::Table) complain(root_, "job-not-object", {});
    return issues_.empty();
  }
  void complain(const Node& node, IssueId id, IssueArguments arguments) {
    issues_.push_back({id, std::move(arguments), {}, {file_, node.line, node.column}, {}});
  }
  void complainType(const Node& node, const std::string& key, const char* expected) {
    complain(node, "job-type-wrong",
             {{"key", key}, {"value", described(node)}, {"expected", std::string(expected)}});
  }

  /// Every other key is a mistake.
  void know(const Node& node, const std::string& section, const std::vector<std::string>& known) {
    for (const Node::Member& member : node.members)
      if (std::find(known.begin(), known.end(), member.key) == known.end())
        complainKey(member, section, nearestName(member.key, known));
  }
  /// Other keys are left to others, but not one that is a letter away from one of these.
  void beware(const Node& node, const std::string& section, const std::vector<std::string>& known) {
    constexpr std::size_t kTold = 3;  // letters: of fewer nearly all are near
    for (const Node::Member& member : node.members) {
      if (member.key.size() < kTold ||
          std::find(known.begin(), known.end(), member.key) != known.end())
        continue;
      const std::string nearest = nearestName(member.key, known, 1);
      if (!nearest.empty()) complainKey(member, section, nearest);
    }
  }
  void complainKey(const Node::Member& member, const std::string& section,
                   const std::string& nearest) {
    issues_.push_back({"key-unknown",
                       {{"key", shortened(member.key)}, {"section", section}, {"nearest", nearest}},
                       {},
                       {file_, member.line, member.column},
                       {}});
  }

  template <typename Act>
  void each(const char* key, Act act) {
    const Node* list = root_.find(key);
    if (list == nullptr) return complain(root_, "job-key-missing", {{"key", std::string(key)}});
    if (list->kind != Node::Kind::List) return complainType(*list, key, "a list");
    for (std::size_t i = 0; i < list->items.size(); ++i) {
      const std::string at = std::string(key) + "[" + std::to_string(i) + "]";
      if (list->items[i].kind == Node::Kind::Table)
        act(list->items[i], at + ".");
      else
        complainType(list->items[i], at, "an object");
    }
  }

  std::string text(const Node& in, const std::string& at, const char* key, bool isNeeded = true) {
    const Node* node = in.find(key);
    if (node != nullptr && node->kind == Node::Kind::Text) return node->text;
    if (node != nullptr)
      complainType(*node, at + key, "text");
    else if (isNeeded)
      complain(in, "job-key-missing", {{"key", at + key}});
    return {};
  }

  /// None where it is not there, is null or is wrong, which is then told.
  std::optional<double> number(const Node& in, const std::string& at, const char* key, double least,
                               double most, bool isNeeded, const char* unit = "") {
    const Node* node = in.find(key);
    if (node == nullptr) {
      if (isNeeded) complain(in, "job-key-missing", {{"key", at + key}});
      return std::nullopt;
    }
    if (node->kind == Node::Kind::Null && !isNeeded) return std::nullopt;
    if (node->kind != Node::Kind::Number) {
      complainType(*node, at + key, "a number");
      return std::nullopt;
    }
    if (node->number >= least && node->number <= most) return node->number;
    complain(*node, "value-out-of-range",
             {{"name", at + key},
              {"value", shortened(node->text) + unit},
              {"least", plain(least) + unit},
              {"most", plain(most) + unit}});
    return std::nullopt;
  }
  /// Where the reader takes texts, also "25 1/2 in".
  Micrometres length(const Node& in, const std::string& at, const char* key, double least,
                     bool isNeeded = true) {
    const Node* node = in.find(key);
    if (takesText_ && node != nullptr && node->kind == Node::Kind::Text)
      return textLength(*node, at + key, least);
    const double mm = number(in, at, key, least, kLongest, isNeeded, " mm").value_or(0.0);
    return whole(mm);
  }
  /// A half goes to the even one, as with others (IEEE 754, roundTiesToEven): sixteenths of an inch
  /// have halves.
  static Micrometres whole(double mm) { return std::llrint(mm * 1000); }
  Micrometres textLength(const Node& node, const std::string& name, double least) {
    const auto read = parseLength(node.text, Units::Millimetres);
    const auto* length = std::get_if<Length>(&read);
    if (length == nullptr) {
      complainType(node, name, "a length");
      return 0;
    }
    if (length->mm() >= least && length->mm() <= kLongest) return whole(length->mm());
    complain(node, "value-out-of-range",
             {{"name", name},
              {"value", shortened(node.text)},
              {"least", plain(least) + " mm"},
              {"most", plain(kLongest) + " mm"}});
    return 0;
  }
  std::optional<int> count(const Node& in, const std::string& at, const char* key, double most,
                           bool isNeeded) {
    const auto found = number(in, at, key, 0, most, isNeeded);
    if (!found) return std::nullopt;
    if (*found == std::floor(*found)) return static_cast<int>(*found);
    complain(*in.find(key), "count-not-whole",
             {{"name", at + key}, {"value", shortened(in.find(key)->text)}});
    return std::nullopt;
  }
  template <typename Value>
  Value choice(const Node& in, const std::string& at, const char* key,
               std::initializer_list<std::pair<const char*, Value>> choices, Value usual) {
    const Node* node = in.find(key);
    if (node == nullptr) return usual;
    std::string allowed;
    for (const auto& [name, value] : choices) {
      if (node->kind == Node::Kind::Text && node->text == name) return value;
      allowed += (allowed.empty() ? "" : ", ") + std::string(name);
    }
    complain(*node, "value-not-allowed",
             {{"key", at + key}, {"value", described(*node)}, {"allowed", allowed}});
    return usual;
  }
  /// Named once.
  std::string id(const Node& in, const std::string& at, std::set<std::string>& known) {
    std::string id = text(in, at, "id");
    if (!id.empty() && !known.insert(id).second)
      complain(*in.find("id"), "id-duplicate", {{"id", shortened(id)}});
    return id;
  }

  CutStock stock(const Node& node, const std::string& at) {
    CutStock stock;
    stock.id = id(node, at, stockIds_);
    stock.material = text(node, at, "material");
    stock.form = choice<StockForm>(node, at, "form",
                                   {{"sheet", StockForm::Sheet}, {"roll", StockForm::Roll}},
                                   StockForm::Sheet);
    const std::size_t before = issues_.size();
    stock.across = length(node, at, "W", 0.001);
    stock.along = length(node, at, "L", 0.001);
    stock.grain =
        choice<StockGrain>(node, at, "grain", {{"L", StockGrain::Along}, {"W", StockGrain::Across}},
                           StockGrain::Along);
    stock.count = count(node, at, "count", 1e6, false);
    const Node* trim = node.find("trim");
    if (trim != nullptr && trim->kind != Node::Kind::Table) {
      complainType(*trim, at + "trim", "an object");
    } else if (trim != nullptr) {
      const std::string in = at + "trim.";
      stock.left = length(*trim, in, "left", 0, false);
      stock.right = length(*trim, in, "right", 0, false);
      stock.bottom = length(*trim, in, "bottom", 0, false);
      stock.top = length(*trim, in, "top", 0, false);
    }
    stock.pattern = choice<StockPattern>(node, at, "pattern",
                                         {{"L", StockPattern::Along}, {"W", StockPattern::Across}},
                                         StockPattern::None);
    stock.kerf = length(node, at, "kerf", 0, false);
    stock.cost = number(node, at, "cost", 0, kDearest, false).value_or(1.0);
    const auto fault = issues_.size() == before ? faultOf(stock) : std::nullopt;
    if (fault == StockFault::Kerf)
      complain(
          *node.find("kerf"), "cut-kerf",
          {{"name", shortened(stock.id)}, {"value", plain(double(stock.kerf) / 1000) + " mm"}});
    if (fault == StockFault::Edges)
      complain(*node.find("trim"), "cut-edges", {{"name", shortened(stock.id)}});
    return stock;
  }

  const Node& root_;
  std::string file_;
  bool takesText_;
  Issues issues_;
  std::set<std::string> stockIds_;
};

/// Parses the text and gives its tree to `read`; or why it is no JSON, placed in `file`.
template <typename Result, typename Read>
std::variant<Result, Issues> readPlaced(std::string_view text, const std::string& file, Read read) {
  auto parsed = parseJson(text);
  if (auto* issues = std::get_if<Issues>(&parsed)) {
    for (Issue& issue : *issues) issue.where.file = file;
    return std::move(*issues);
  }
  return read(std::get<Node>(parsed));
}

}  // namespace drapery
