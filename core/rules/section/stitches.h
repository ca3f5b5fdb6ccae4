// What a pattern of sewing is drawn with: holes, the stretches of thread between them, and wraps
// round an edge: [[hole]], [[stretch]], [[wrap]]. Each may run over k.
#pragma once

#include <string>
#include <vector>

#include "core/rules/rule_formula.h"
#include "core/rules/section.h"
#include "core/toml/sourced.h"

namespace drapery {

/// `for = ["1", "n"]`: once for each k from the first to the last. Empty: once, without a k.
struct StitchRun {
  static constexpr int kMost = 400;

  RuleFormula first, last;
  RuleFormula when;  // empty: always
  [[nodiscard]] bool isRow() const { return !last.empty(); }
};

/// `near[k + 1]`, or `corner` where there is one alone.
struct StitchEnd {
  std::string hole;   // its id
  RuleFormula index;  // empty: it is one alone
  SourcePosition at;
  [[nodiscard]] std::string text() const {
    return index.empty() ? hole : hole + "[" + index.text() + "]";
  }
};

struct HoleRule {
  std::string id;
  std::string row;  // what the holes of a row are called
  StitchRun run;
  RuleFormula along;    // mm from the head
  RuleFormula across;   // mm from the spine edge
  bool isSpine = true;  // wrapped round the spine
  SourcePosition at;
};

struct StretchRule {
  StitchRun run;
  StitchEnd from, to;
  SourcePosition at;
};

enum class Round { Spine, Head, Tail };
constexpr const char* nameOf(Round round) {
  return round == Round::Spine ? "spine" : round == Round::Head ? "head" : "tail";
}

struct WrapRule {
  StitchRun run;
  StitchEnd hole;
  Round round = Round::Spine;
  SourcePosition at;
};

class HoleSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "hole"; }
  [[nodiscard]] bool isOfPatterns() const override { return true; }
  [[nodiscard]] bool isOfMethods() const override { return false; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

class StretchSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "stretch"; }
  [[nodiscard]] bool isOfPatterns() const override { return true; }
  [[nodiscard]] bool isOfMethods() const override { return false; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

class WrapSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "wrap"; }
  [[nodiscard]] bool isOfPatterns() const override { return true; }
  [[nodiscard]] bool isOfMethods() const override { return false; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
