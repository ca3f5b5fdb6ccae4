#include "core/plan/worked_examples.h"

#include <algorithm>
#include <cmath>

#include "core/diag/nearest_name.h"
#include "core/plan/job_field.h"
#include "core/plan/job_inputs.h"
#include "core/plan/planner.h"
#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"
#include "core/toml/issue_placer.h"

namespace drapery {

namespace {

constexpr std::string_view kFixed = "fixed ", kAsCut = "as_cut ";
constexpr double kValue = 0.001, kTolerance = 0.0005, kCut = 1e-6;

struct Expectation {
  std::string text;
  int line = 0;
};

struct Example {
  std::string name;
  int line = 0;
  Job job;
  std::vector<std::pair<std::string, int>> inputs;  // "id = value" and its line
  std::vector<Expectation> expected;
};

std::optional<double> figureIn(const std::string& text) {
  const auto parsed = parseLength(text, Units::Millimetres);
  const auto* length = std::get_if<Length>(&parsed);
  return length != nullptr ? std::optional(length->mm()) : std::nullopt;
}

/// "a = b" in two.
std::optional<std::pair<std::string, std::string>> equation(const std::string& text) {
  const std::size_t equals = text.find(" = ");
  if (equals == std::string::npos) return std::nullopt;
  return std::pair(text.substr(0, equals), text.substr(equals + 3));
}

class Trying {
 public:
  Trying(std::string file, const std::function<RuleSetPtr(std::string_view)>& rules,
         const CataloguePtr& catalogue)
      : file_(std::move(file)), rules_(rules), catalogue_(catalogue) {}

  TriedExamples run(std::string_view text, const std::string& usual) {
    read(text, usual);
    for (Example& example : examples_) {
      if (isFull()) break;
      ++tried_.examples;
      tryOne(example);
    }
    if (examples_.empty()) complain(1, "case-none", {});
    return std::move(tried_);
  }

 private:
  [[nodiscard]] bool isFull() const { return tried_.issues.size() > IssuePlacer::kMostTold; }
  /// As in a rule file, the first hundred are told, and that there are more.
  void tell(Issue issue) {
    if (isFull()) return;
    if (tried_.issues.size() == IssuePlacer::kMostTold)
      issue = {"mistakes-more",
               {{"count", std::to_string(IssuePlacer::kMostTold)}},
               {},
               {file_, 0, 0},
               {}};
    tried_.issues.push_back(std::move(issue));
  }
  void complain(int line, IssueId id, IssueArguments arguments) {
    tell({id, std::move(arguments), {}, {file_, line, 1}, {}});
  }

  void read(std::string_view text, const std::string& usual) {
    for (int number = 1; !text.empty(); ++number) {
      const std::size_t end = std::min(text.find('\n'), text.size());
      const std::string line(text.substr(0, end));
      text.remove_prefix(std::min(end + 1, text.size()));
      if (line.empty() || line[0] == '#') continue;
      if (line[0] == '[' && line.back() == ']') {
        Example example{line.substr(1, line.size() - 2), number, {}, {}, {}};
        example.job.id = "case";
        example.job.method = usual;
        examples_.push_back(std::move(example));
      } else if (examples_.empty()) {
        complain(number, "case-malformed", {{"line", shortened(line)}});
      } else if (line.starts_with("=> ")) {
        examples_.back().expected.push_back({line.substr(3), number});
      } else {
        examples_.back().inputs.emplace_back(line, number);
      }
    }
  }

  void tryOne(Example& example) {
    const std::size_t before = tried_.issues.size();
    const RuleSetPtr rules = rulesOf(example);
    if (rules == nullptr) return;
    for (const auto& [line, number] : example.inputs)
      if (!isFull()) say(example, *rules, line, number);
    const PlanOutcome outcome = Planner(rules, catalogue_).plan(example.job);
    for (Issue issue : outcome.issues) {
      issue.where = {file_, example.line, 1};
      tell(std::move(issue));
    }
    if (example.expected.empty())
      complain(example.line, "case-expects-nothing", {{"name", example.name}});
    if (tried_.issues.size() != before) return;
    for (const Expectation& expected : example.expected) {
      ++tried_.expectations;
      line_ = expected.line;
      hold(outcome.plan, expected.text);
    }
  }

  RuleSetPtr rulesOf(Example& example) {
    for (const auto& [line, number] : example.inputs)
      if (const auto said = equation(line); said && said->first == "method")
        example.job.method = said->second;
    RuleSetPtr rules = rules_(example.job.method);
    if (rules == nullptr)
      complain(example.line, "case-method", {{"value", shortened(example.job.method)}});
    return rules;
  }

  void say(Example& example, const RuleSet& rules, const std::string& line, int number) {
    const auto said = equation(line);
    if (!said) return complain(number, "case-malformed", {{"line", shortened(line)}});
    const auto& [id, value] = *said;
    if (id == "method") return;
    if (id == "units" || id == "round" || id == "copies")
      return setField(example.job, id, Entry{value, {}});
    if (id.starts_with(kFixed))
      return setField(example.job, "fixed/" + id.substr(kFixed.size()), Entry{value, {}});
    if (const std::size_t dot = id.find('.'); id.starts_with(kAsCut) && dot != std::string::npos)
      return setField(
          example.job,
          "as_cut/" + id.substr(kAsCut.size(), dot - kAsCut.size()) + "/" + id.substr(dot + 1),
          Entry{value, {}});
    if (const InputRule* rule = rules.input(id)) {
      setField(example.job, fieldOf(*rule), exampleEntry(value));
    } else {
      unknown(number, id, rules);
    }
  }

  void unknown(int number, const std::string& id, const RuleSet& rules) {
    std::vector<std::string> known;
    for (const ValueNode& node : rules.nodes) known.push_back(node.name);
    complain(number, "formula-unknown-name",
             {{"name", shortened(id)}, {"nearest", nearestName(id, known)}});
  }

  void differs(const std::string& expected, const std::string& found) {
    complain(line_, "case-differs", {{"expected", shortened(expected)}, {"found", found}});
  }

  void hold(const Plan& plan, const std::string& text) {
    const bool isNone = text.starts_with("no ");
    const std::string_view rest = std::string_view(text).substr(isNone ? 3 : 0);
    const auto after = [&](std::string_view prefix) {
      return std::string(rest.substr(prefix.size()));
    };
    if (rest.starts_with("finding ")) {
      const std::string id = after("finding ");
      const bool isKnown = isAmong(plan.rules->findings, id) || isOfEveryPiece(*plan.rules, id);
      return holdEntry(isKnown, plan.findings, id, !isNone, text);
    }
    if (rest.starts_with("marks ")) return holdMarks(plan, after("marks "), text);
    if (rest.starts_with("verdict ")) {
      const std::string is = plan.verdict ? plan.verdict->rule->id : "none";
      if (is != after("verdict ")) differs(text, is);
      return;
    }
    if (rest.starts_with("mark ")) {
      const std::string id = after("mark ");
      return holdEntry(isAmong(plan.rules->marks, id), plan.marks, id, !isNone, text);
    }
    if (isNone && rest.starts_with("part ")) {
      const std::string id = after("part ");
      return holdEntry(isAmong(plan.rules->parts, id), plan.parts, id, false, text);
    }
    if (isNone && rest.starts_with("value ")) return holdNoValue(plan, after("value "), text);
    if (rest.starts_with("tolerance ")) return holdTolerance(plan, after("tolerance "), text);
    if (rest.starts_with("cut ")) return holdCut(plan, after("cut "), text);
    holdValue(plan, text);
  }

  template <class Rules>
  static bool isAmong(const Rules& rules, const std::string& id) {
    return std::any_of(rules.begin(), rules.end(), [&](const auto& rule) { return rule.id == id; });
  }
  static bool isOfEveryPiece(const RuleSet& rules, const std::string& id) {
    return std::any_of(rules.parts.begin(), rules.parts.end(), [&](const PartRule& part) {
      const PartFindings& own = part.findings;
      return own.lost.id == id || own.coarse.id == id || own.crossed.id == id;
    });
  }

  /// Whether an entry that the rules have applies.
  template <class Planned>
  void holdEntry(bool isKnown, const Planned& planned, const std::string& id, bool isWanted,
                 const std::string& text) {
    if (!isKnown)
      return complain(line_, "formula-unknown-name", {{"name", shortened(id)}, {"nearest", ""}});
    const bool isThere = std::any_of(planned.begin(), planned.end(),
                                     [&](const auto& each) { return each.rule->id == id; });
    if (isThere != isWanted) differs(text, isThere ? id : "nothing of it");
  }

  /// "running_across = 18, 158, 168": as they are marked.
  void holdMarks(const Plan& plan, const std::string& rest, const std::string& text) {
    const auto said = equation(rest);
    if (!said) return complain(line_, "case-malformed", {{"line", shortened(text)}});
    std::string is;
    for (const PlannedMark& mark : plan.marks)
      for (const PlannedMarkPlace& place : mark.places)
        if (mark.rule->id == said->first)
          is += (is.empty() ? "" : ", ") + formatNumber(place.at.cut.mm(), 4);
    if (is != said->second) differs(text, is.empty() ? "none" : is);
  }

  void holdNoValue(const Plan& plan, const std::string& id, const std::string& text) {
    if (!plan.rules->find(id)) return unknown(line_, id, *plan.rules);
    if (const auto value = plan.number(id)) differs(text, formatNumber(*value, 4));
  }

  void holdTolerance(const Plan& plan, const std::string& rest, const std::string& text) {
    const auto said = equation(rest);
    const auto figure = said ? figureIn(said->second) : std::nullopt;
    if (!figure) return complain(line_, "case-malformed", {{"line", shortened(text)}});
    const double is = plan.tolerance(said->first);
    if (std::abs(is - *figure) > kTolerance) differs(text, formatNumber(is, 5));
  }

  void holdValue(const Plan& plan, const std::string& text) {
    const auto said = equation(text);
    const auto figure = said ? figureIn(said->second) : std::nullopt;
    if (!figure) return complain(line_, "case-malformed", {{"line", shortened(text)}});
    if (!plan.rules->find(said->first)) return unknown(line_, said->first, *plan.rules);
    tried_.values.insert(said->first);
    const auto value = plan.number(said->first);
    if (!value) return differs(text, "no value");
    if (std::abs(*value - *figure) > kValue) differs(text, formatNumber(*value, 5));
  }

  /// "board = 2 of 140 x 216"
  void holdCut(const Plan& plan, const std::string& rest, const std::string& text) {
    const std::size_t of = rest.find(" of "), by = rest.find(" x ");
    const auto said = equation(rest);
    const bool isWhole = said && of != std::string::npos && by != std::string::npos && of < by;
    const auto width = isWhole ? figureIn(rest.substr(of + 4, by - of - 4)) : std::nullopt;
    const auto height = isWhole ? figureIn(rest.substr(by + 3)) : std::nullopt;
    if (!width || !height) return complain(line_, "case-malformed", {{"line", shortened(text)}});
    const PlannedPart* part = plan.part(said->first);
    if (part == nullptr) return differs(text, "no such piece");
    const std::string count = rest.substr(said->first.size() + 3, of - said->first.size() - 3);
    const bool isSame = std::to_string(part->count) == count &&
                        std::abs(part->cutWidth.mm() - *width) <= kCut &&
                        std::abs(part->cutHeight.mm() - *height) <= kCut;
    if (!isSame)
      differs(text, std::to_string(part->count) + " of " + formatNumber(part->cutWidth.mm(), 6) +
                        " x " + formatNumber(part->cutHeight.mm(), 6));
  }

  std::string file_;
  const std::function<RuleSetPtr(std::string_view)>& rules_;
  const CataloguePtr& catalogue_;
  std::vector<Example> examples_;
  TriedExamples tried_;
  int line_ = 0;
};

}  // namespace

Entry exampleEntry(const std::string& text) {
  constexpr std::string_view kMaterial = "material ", kBetween = " | ";
  Entry entry{text, {}};
  if (text.starts_with(kMaterial)) entry.material = text.substr(kMaterial.size());
  if (text.find(kBetween) == std::string::npos) return entry;
  for (std::size_t at = 0; at != std::string::npos;) {
    const std::size_t bar = text.find(kBetween, at);
    entry.readings.push_back({text.substr(at, bar == std::string::npos ? bar : bar - at), "", ""});
    at = bar == std::string::npos ? bar : bar + kBetween.size();
  }
  return entry;
}

TriedExamples tryExamples(std::string_view text, const std::string& file, const std::string& usual,
                          const std::function<RuleSetPtr(std::string_view id)>& rules,
                          const CataloguePtr& catalogue) {
  return Trying(file, rules, catalogue).run(text, usual);
}

}  // namespace drapery
