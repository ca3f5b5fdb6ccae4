// Every kind of mistake that can be told: its id, and the names of what it tells. The words for
// each are in words/issue_words.cpp, in the same order; an id or a name that is not here does not
// compile.
#pragma once

#include <algorithm>
#include <iterator>
#include <stdexcept>
#include <string>
#include <string_view>

namespace drapery {

struct IssueKind {
  std::string_view id;
  std::string_view tells;  // names, a blank between them; the words may leave some out
};

inline constexpr IssueKind kIssueKinds[]{
    // lengths
    {"length-empty", "name least most value"},
    {"length-not-one", "name value least most"},
    {"length-too-long", "name value least most"},
    {"length-two-units", "name value least most"},
    {"length-unknown-unit", "name value least most"},
    {"length-exponent", "name value least most"},
    {"length-thousands", "name value least most"},
    {"length-zero-denominator", "name value least most"},
    {"length-improper-fraction", "name value least most"},
    {"value-out-of-range", "name value least most"},
    {"choice-unknown", "name value allowed"},
    {"readings-of-choice", "name value"},
    {"number-not-one", "name value least most"},
    {"count-not-whole", "name value"},
    {"as-cut-sides", "value"},
    {"material-not-here", "name value"},
    {"material-unknown", "name value nearest allowed"},
    {"material-wrong-kind", "name value kind allowed"},
    {"material-lacks", "name property value"},
    {"given-missing", "name"},
    {"default-out-of-its-range", "name value least most formula"},
    {"value-not-above", "name value most"},
    {"fixed-is-input", "name section"},
    {"solve-input-steps", "change name"},
    {"solve-steps", "change name"},
    {"solve-no-effect", "change name"},
    {"solve-none", "change name value least most nearest gives"},
    // cutting
    {"cut-no-stock", ""},
    {"cut-pins-for-value", ""},
    {"cut-too-many", "count most"},
    {"cut-kerf", "name value"},
    {"cut-edges", "name"},
    {"stock-unknown", "name"},
    {"stock-short", "name there needed"},
    {"stock-used", "name"},
    {"stock-name", "name"},
    {"book-unplanned", "path"},
    // printing
    {"print-nothing", "name"},
    {"print-no-panel", "name value"},
    {"print-no-room", "name value"},
    {"template-unknown", "value allowed nearest"},
    {"art-panel-unknown", "value name allowed nearest"},
    {"picture-unreadable", "path reason"},
    {"picture-too-large", "path value most"},
    {"picture-names-files", "path value"},
    {"picture-coarse", "path name value least"},
    {"title-near-fold", "name value least"},
    {"title-too-long", "name value most"},
    {"title-no-letters", "name value"},
    {"printer-off", "name value least most"},
    // jobs
    {"job-not-object", ""},
    {"settings-not-object", ""},
    {"job-key-missing", "key"},
    {"job-type-wrong", "key value expected"},
    {"method-unknown", "value nearest allowed"},
    {"method-lacks", "method key"},
    {"key-unknown", "key section elsewhere nearest"},
    {"keys-unknown", "count section"},
    {"key-twice", "key"},
    {"text-not-utf8", "byte"},
    {"json-empty", "token value"},
    {"json-more", "token value"},
    {"json-name-missing", "token value"},
    {"json-colon-missing", "token value"},
    {"json-object-open", "token value"},
    {"json-list-open", "token value"},
    {"json-value-missing", "token value"},
    {"json-not-finite", "token value"},
    {"json-number", "token value"},
    {"json-escape", "token value"},
    {"json-text-open", "token value"},
    {"json-control", "byte token value"},
    {"too-deep", "limit token value"},
    {"number-too-large", "value token"},
    {"file-too-large", "limit path reason"},
    {"file-unreadable", "reason path"},
    {"folder-unreadable", "reason path"},
    {"file-unwritable", "path reason"},
    {"file-there", "path reason"},
    {"file-gone", "path reason"},
    {"file-unsure", "path reason"},
    {"file-read-only", "path reason"},
    {"file-changed", "path reason"},
    // rule files
    {"toml-syntax", "detail"},
    {"toml-key-deep", "limit"},
    {"mistakes-more", "count"},
    {"key-missing", "key section"},
    {"type-wrong", "key found expected"},
    {"value-not-allowed", "key value allowed"},
    {"text-empty", "key"},
    {"id-malformed", "id"},
    {"id-duplicate", "id line"},
    {"id-with-minus", "id"},
    {"id-reserved", "id"},
    {"id-not-name", "id name"},
    {"id-ships", "id"},
    {"range-malformed", "key"},
    {"range-wrong", "least most"},
    {"default-out-of-range", "id value least most"},
    {"column-uneven", "key found options"},
    {"pack-broken", ""},
    {"words-brace", "key"},
    {"base-unknown", "base"},
    {"base-circle", "base"},
    {"want-missing", "name base"},
    {"touches-unknown", "id name"},
    {"formula-unknown-name", "name nearest formula"},
    {"formula-unknown-function", "name nearest formula"},
    {"formula-syntax", "what formula"},
    {"formula-assigns", "formula"},
    {"formula-two-results", "formula"},
    {"formula-too-long", "found limit formula"},
    {"formula-too-deep", "limit formula"},
    {"formula-arguments", "count written formula"},
    {"formula-bare-number", "number wanted_dimension like formula"},
    {"formula-dimension", "text dimension wanted_dimension formula"},
    {"formula-choice", "text other formula"},
    {"view-input-missing", "figure name"},
    {"view-spot-unknown", "figure name"},
    {"series-unknown", "name nearest"},
    {"series-columns", "id"},
    {"series-too-many", "name value limit"},
    {"case-none", ""},
    {"case-malformed", "line"},
    {"case-method", "value"},
    {"case-expects-nothing", "name"},
    {"case-differs", "expected found"},
    {"formula-circle", "chain formula"},
    // patterns of sewing
    {"stitch-end-not-one", "value"},
    {"stitch-hole-unknown", "name nearest"},
    {"stitch-row-or-one", "name value"},
    {"stitch-index", "name value least most"},
    {"stitch-run", "name value most"},
    {"pattern-no-hole", "name"},
    {"pattern-holes-many", "value limit"},
    {"pattern-place", "name value"},
    {"pattern-holes-near", "name value limit"},
    {"pattern-stretch-self", "name"},
    {"pattern-stretch-twice", "name"},
    {"pattern-wrap-twice", "name value"},
    {"pattern-hole-bare", "name"},
    {"pattern-parts", "value"},
    {"pattern-start-row", "value nearest allowed"},
    {"pattern-unknown", "value nearest allowed"},
    // sewing
    {"sewing-missing", "name method allowed"},
    {"sewing-word", "name value nearest allowed"},
    {"sewing-only-stab", "name"},
    {"sewing-hole-none", "value most"},
    {"sewing-ends", "name value limit"},
    {"sewing-few", "name value least"},
    {"sewing-no-spine-wrap", "value"},
    {"sewing-token", "value nearest"},
    {"sewing-tokens-many", "value limit"},
};

/// Whether a list of names with blanks between them has this one.
constexpr bool hasName(std::string_view names, std::string_view name) {
  while (!names.empty()) {
    const std::size_t end = std::min(names.find(' '), names.size());
    if (names.substr(0, end) == name) return true;
    names.remove_prefix(std::min(end + 1, names.size()));
  }
  return false;
}

// Only constants make one, so that a slip of the pen is the compiler's to find. Clang 14, which the
// fuzzers and clang-tidy are built with, trips over consteval in lists: there it is found at run
// time.
#if defined(__clang__)
#define DRAPERY_CONSTANT constexpr
#else
#define DRAPERY_CONSTANT consteval
#endif

class IssueId {
 public:
  constexpr IssueId() = default;  // of no kind
  DRAPERY_CONSTANT IssueId(const char* id) : text_(id) {
    const bool isKnown = std::any_of(std::begin(kIssueKinds), std::end(kIssueKinds),
                                     [&](const IssueKind& kind) { return kind.id == text_; });
    if (!isKnown) throw std::logic_error("no such kind of issue");
  }
  [[nodiscard]] constexpr std::string_view text() const { return text_; }
  /// What an issue of this kind tells.
  [[nodiscard]] constexpr bool tells(std::string_view name) const {
    for (const IssueKind& kind : kIssueKinds)
      if (kind.id == text_) return hasName(kind.tells, name);
    return false;
  }
  friend constexpr bool operator==(const IssueId&, const IssueId&) = default;

 private:
  std::string_view text_;
};

/// The name of something that some kind of issue tells: "value", "least".
class ArgumentName {
 public:
  DRAPERY_CONSTANT ArgumentName(const char* name) : text_(name) {
    const bool isKnown =
        std::any_of(std::begin(kIssueKinds), std::end(kIssueKinds),
                    [&](const IssueKind& kind) { return hasName(kind.tells, text_); });
    if (!isKnown) throw std::logic_error("no issue tells this");
  }
  [[nodiscard]] constexpr std::string_view text() const { return text_; }
  friend constexpr bool operator==(const ArgumentName&, const ArgumentName&) = default;

 private:
  std::string_view text_;
};

}  // namespace drapery
