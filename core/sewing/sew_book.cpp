#include "core/sewing/sew_book.h"

#include <algorithm>

namespace drapery {

namespace {

template <typename Sewn>
void take(SewnBook& book, std::variant<Sewn, Issues> outcome) {
  if (auto* issues = std::get_if<Issues>(&outcome))
    book.issues = std::move(*issues);
  else
    book.sewn = std::move(std::get<Sewn>(outcome));
}

/// All that the issues say is missing, by its title; none where one says anything else.
std::vector<LocalText> missingBy(const Issues& issues, const RuleSet& rules) {
  std::vector<LocalText> titles;
  for (const Issue& issue : issues) {
    if (issue.id != "given-missing") return {};
    const auto* name = std::get_if<std::string>(&issue.arguments.front().value);
    const InputRule* rule = name != nullptr ? rules.input(*name) : nullptr;
    if (rule == nullptr) return {};
    titles.push_back(rule->title);
  }
  return titles;
}

/// An entry that is refused by its title, as it stands beside it; a file knows it by its name.
void nameByTitle(Issues& issues, const RuleSet& rules) {
  for (Issue& issue : issues) {
    const InputRule* rule = rules.input(issue.field.substr(issue.field.find('/') + 1));
    if (rule == nullptr || rule->title.text.empty()) continue;
    for (auto& [key, argument] : issue.arguments)
      if (key == "name" && std::get_if<std::string>(&argument) != nullptr)
        argument = rule->title.text;
  }
}

}  // namespace

const Plan* SewnBook::plan() const {
  return std::visit(
      [](const auto& each) -> const Plan* {
        if constexpr (std::is_same_v<decltype(each), const std::monostate&>)
          return nullptr;
        else
          return &each.plan;
      },
      sewn);
}

void letWait(Entries& allowances, const RuleSet& pattern, const Plan& plan,
             const PatternLibrary& patterns) {
  std::erase_if(allowances, [&](const auto& entry) {
    const auto knows = [&](const RuleSet& rules) { return rules.input(entry.first) != nullptr; };
    const auto& named = plan.rules->sewing.pattern;
    return !knows(pattern) && std::any_of(named.begin(), named.end(), [&](const WordWhere& other) {
      const LoadedRules loaded = patterns.load(other.word);
      return loaded.rules != nullptr && knows(*loaded.rules);
    });
  });
}

LoadedRules rulesToSewBy(const SewingJob& job, const PatternLibrary& patterns) {
  return job.kind == SewingKind::Stab ? patterns.load(job.pattern)
                                      : patterns.kind(nameOf(job.kind));
}

std::optional<SewingJob> sewingOfBook(const Job& job, const Plan& plan,
                                      const PatternLibrary& patterns) {
  JobSewing said = job.sewing.value_or(JobSewing());
  if (said.kind.empty()) said.kind = plan.rules->sewing.kind;
  if (said.kind.empty()) return std::nullopt;
  const bool isByBook = said.pattern.empty();
  if (isByBook) said.pattern = patternFor(plan);
  SewingJob sewing = sewingOf(said, job);
  const LoadedRules loaded = rulesToSewBy(sewing, patterns);
  if (isByBook && loaded.rules != nullptr)
    letWait(sewing.allowances, *loaded.rules, plan, patterns);
  if (loaded.rules != nullptr) fillFromPlan(sewing, plan, *loaded.rules);
  return sewing;
}

SewnBook sewBook(const Job& job, const Plan& plan, const PatternLibrary& patterns) {
  SewnBook book;
  const auto sewing = sewingOfBook(job, plan, patterns);
  if (!sewing) return book;
  book.job = *sewing;
  const LoadedRules loaded = rulesToSewBy(book.job, patterns);
  if (loaded.rules == nullptr) {
    book.issues = loaded.issues;
    return book;
  }
  switch (book.job.kind) {
    case SewingKind::Stab:
      take(book, sewStab(loaded.rules, book.job));
      break;
    case SewingKind::Link:
      take(book, sewLink(loaded.rules, book.job));
      break;
    case SewingKind::Tapes:
      take(book, sewTapes(loaded.rules, book.job));
      break;
  }
  book.missing = missingBy(book.issues, *loaded.rules);
  nameByTitle(book.issues, *loaded.rules);
  return book;
}

}  // namespace drapery
