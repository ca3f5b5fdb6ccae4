#include <fmt/format.h>

#include <algorithm>
#include <filesystem>
#include <sstream>

#include "cli/commands.h"
#include "cli/console.h"
#include "cli/job_argument.h"
#include "cli/rule_files.h"
#include "core/diag/nearest_name.h"
#include "core/file/read_file.h"
#include "core/sewing/pattern_layout.h"
#include "core/sewing/pattern_library.h"
#include "core/sewing/sew_book.h"
#include "store/folders.h"
#include "store/sewing_job.h"
#include "store/sewing_json.h"
#include "words/sewing_text.h"
#include "words/sewing_words.h"
#include "words/shown_text.h"

namespace drapery::cli {

namespace {

LoadedRules patternIn(const std::string& file, const PatternLibrary& library) {
  auto text = readWhole(file, kLargestTomlFile, Readable::Streams);
  if (auto* issue = std::get_if<Issue>(&text)) return {nullptr, {*issue}};
  const auto beside = [&file](std::string_view id) { return fileBeside(file, id); };
  return library.loadFile({file, std::get<std::string>(text)}, beside);
}

/// The tokens of a learner's path, or what is none.
std::variant<std::vector<SewToken>, Issues> tokensOf(const std::string& text, std::size_t holes) {
  constexpr std::size_t kMost = 20000;
  std::vector<SewToken> tokens;
  Issues issues;
  std::istringstream words(text);
  for (std::string word; words >> word;) {
    const auto token = sewToken(word);
    if (!token) {
      issues.push_back({"sewing-token",
                        {{"value", shortened(word)},
                         {"nearest", nearestName(word, {"spine", "head", "tail", "knot"})}},
                        {},
                        {"--tried", 0, 0},
                        {}});
    } else if (token->kind == SewToken::Kind::Pass && token->hole >= holes) {
      issues.push_back({"sewing-hole-none",
                        {{"value", Amount{double(token->hole) + 1, Unit::One}},
                         {"most", Amount{double(holes), Unit::One}}},
                        {},
                        {"--tried", 0, 0},
                        {}});
    } else {
      tokens.push_back(*token);
    }
    if (tokens.size() <= kMost) continue;
    return Issues{{"sewing-tokens-many",
                   {{"value", Amount{double(tokens.size()), Unit::One}},
                    {"limit", Amount{double(kMost), Unit::One}}},
                   {},
                   {"--tried", 0, 0},
                   {}}};
  }
  if (!issues.empty()) return issues;
  return tokens;
}

class Sewing {
 public:
  explicit Sewing(const SewRequest& request)
      : request_(request), patterns_(housePatternsFolder()) {}

  int run() {
    const auto text = readInput(request_.job);
    if (const auto* issue = std::get_if<Issue>(&text)) return tell({*issue});
    const std::string name = request_.job == "-" ? "<stdin>" : request_.job;
    document_ = readSewingJob(std::get<std::string>(text), name);
    planJob(std::get<std::string>(text), name);
    if (!document_.isThere && document_.issues.empty() && !isKnownFromRules_) {
      const std::string method = planned_ ? planned_->rules->id : std::string();
      return refuse({{"sewing-missing",
                      {{"name", "sewing"}, {"method", method}, {"allowed", "stab, link, tapes"}},
                      {},
                      {},
                      {}}});
    }
    const RuleSetPtr rules = findRules();
    if (!document_.issues.empty()) return refuse(std::move(document_.issues));
    if (rules == nullptr) return kRefused;
    if (planned_ && !document_.saysPattern && request_.pattern.empty())
      letWait(document_.job.allowances, *rules, *planned_, patterns_);
    if (planned_) fillFromPlan(document_.job, *planned_, *rules);
    switch (document_.job.kind) {
      case SewingKind::Stab:
        return stab(rules);
      case SewingKind::Link:
        return show(sewLink(rules, document_.job));
      case SewingKind::Tapes:
        return show(sewTapes(rules, document_.job));
    }
    return kRefused;
  }

 private:
  int refuse(Issues issues) {
    document_.place(issues);
    Notation notation;
    notation.units = request_.units.value_or(document_.job.units);
    return tell(issues, notation);
  }

  /// What the job's own plan has; a book that cannot be planned has nothing to add.
  void planJob(const std::string& text, const std::string& name) {
    if (!document_.issues.empty()) return;
    OpenedJob opened = openJob(text, name, library_);
    if (!opened.planner || opened.plan.rules == nullptr) return;
    planned_ = std::move(opened.plan);
    SewingJob& job = document_.job;
    const SewingRule& rule = planned_->rules->sewing;
    if (!document_.isThere && rule.isSewn()) {
      isKnownFromRules_ = true;
      job.kind = sewingKind(rule.kind);
    }
    if (const std::string pattern = patternFor(*planned_);
        !pattern.empty() && !document_.saysPattern)
      job.pattern = pattern;
  }

  RuleSetPtr findRules() {
    const SewingJob& job = document_.job;
    LoadedRules loaded = job.kind == SewingKind::Stab && !request_.pattern.empty()
                             ? patternIn(request_.pattern, patterns_)
                             : rulesToSewBy(job, patterns_);
    if (loaded.rules == nullptr) refuse(std::move(loaded.issues));
    return loaded.rules;
  }

  int stab(const RuleSetPtr& rules) {
    auto outcome = sewStab(rules, document_.job);
    if (auto* issues = std::get_if<Issues>(&outcome)) return refuse(std::move(*issues));
    SewnStab& sewn = std::get<SewnStab>(outcome);
    std::optional<Tried> tried;
    if (request_.tried) {
      auto tokens = tokensOf(*request_.tried, sewn.graph.holes.size());
      if (auto* issues = std::get_if<Issues>(&tokens)) return tell(*issues);
      tried = Tried{judge(sewn.graph, std::get<std::vector<SewToken>>(tokens)),
                    std::get<std::vector<SewToken>>(tokens)};
    }
    sewn.plan.units = request_.units.value_or(document_.job.units);
    const bool isStop = sewn.plan.has(Severity::Stop) || (tried && tried->judged.slip.has_value());
    std::string out = request_.format == PlanFormat::Json
                          ? shownJson(writeSewing(document_.job, sewn, tried))
                          : sewingText(document_.job, sewn);
    if (tried && request_.format != PlanFormat::Json) out += triedText(*tried);
    return print(out, isStop ? kDoneWithStop : kDone);
  }

  template <typename Sewn>
  int show(std::variant<Sewn, Issues> outcome) {
    if (auto* issues = std::get_if<Issues>(&outcome)) return refuse(std::move(*issues));
    if (request_.tried)
      return tell({{"sewing-only-stab", {{"name", std::string("--tried")}}, {}, {}, {}}});
    Sewn& sewn = std::get<Sewn>(outcome);
    sewn.plan.units = request_.units.value_or(document_.job.units);
    return print(request_.format == PlanFormat::Json ? shownJson(writeSewing(document_.job, sewn))
                                                     : sewingText(document_.job, sewn),
                 sewn.plan.has(Severity::Stop) ? kDoneWithStop : kDone);
  }

  static std::string triedText(const Tried& tried) {
    const Judged& judged = tried.judged;
    std::string out =
        fmt::format("\nTried: {} of {} steps are sound.\n", judged.sound, judged.tokens);
    if (judged.slip)
      out +=
          fmt::format("Step {}, {}: {} {}\n", judged.sound + 1, textOf(tried.tokens[judged.sound]),
                      slipSays(judged, tried.tokens[judged.sound]), slipRemedy(judged));
    else if (judged.isDone)
      out += "All is sewn.\n";
    else
      out += slipRemedy(judged) + "\n";
    return out;
  }

  const SewRequest& request_;
  PatternLibrary patterns_;
  RuleLibrary library_ = houseLibrary();
  SewingDocument document_;
  std::optional<Plan> planned_;
  bool isKnownFromRules_ = false;
};

}  // namespace

int sewCommand(const SewRequest& request) { return Sewing(request).run(); }

int patternsCommand() { return printList(PatternLibrary(housePatternsFolder())); }

int checkPatternCommand(const std::string& path) {
  const PatternLibrary library(housePatternsFolder());
  const LoadedRules loaded = patternIn(path, library);
  if (loaded.rules == nullptr) return tell(loaded.issues);
  if (loaded.rules->isBase) return print(shownText(path) + ": sound; a ground for others\n", kDone);
  // On books small, middling and large: what is wrong on one of them is wrong.
  std::string out;
  Issues told;
  for (const auto& [spine, strip] : {std::pair(150.0, 20.0), {210.0, 25.0}, {420.0, 32.0}}) {
    SewingJob job;
    job.given = {{"spine_length", {spine, {}}},
                 {"strip_width", {strip, {}}},
                 {"text_thickness", {10.0, {}}},
                 {"cover_thickness", {2.0, {}}}};
    auto outcome = sewStab(loaded.rules, job);
    if (auto* issues = std::get_if<Issues>(&outcome)) {
      for (Issue& issue : *issues) {
        const bool isNew = std::none_of(told.begin(), told.end(), [&](const Issue& other) {
          return other.id == issue.id && other.where.line == issue.where.line;
        });
        if (issue.where.file.empty()) issue.where.file = path;
        if (isNew) told.push_back(std::move(issue));
      }
      continue;
    }
    const SewnStab& sewn = std::get<SewnStab>(outcome);
    out += fmt::format("  spine {} mm, strip {} mm: {} holes, {} stretches, {} wraps, {} passes\n",
                       spine, strip, sewn.graph.holes.size(), sewn.graph.stretches.size(),
                       sewn.graph.wraps.size(), sewn.plan.number("passes").value_or(0.0));
  }
  if (!told.empty()) return tell(told);
  return print(shownText(path) + ": sound\n" + out, kDone);
}

}  // namespace drapery::cli
