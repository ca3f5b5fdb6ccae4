#include "core/sewing/sew_book.h"

namespace drapery {

namespace {

template <typename Sewn>
void take(SewnBook& book, std::variant<Sewn, Issues> outcome) {
  if (auto* issues = std::get_if<Issues>(&outcome))
    book.issues = std::move(*issues);
  else
    book.sewn = std::move(std::get<Sewn>(outcome));
}

/// mm, without tails and ease; a link's steps count alike, its two rows do too.
std::vector<double> stepLengths(const SewnBook& book) {
  std::vector<double> lengths;
  if (const auto* stab = std::get_if<SewnStab>(&book.sewn)) lengths = stepLengths(*stab);
  if (const auto* link = std::get_if<SewnLink>(&book.sewn))
    for (const LinkRow& row : link->rows) lengths.resize(lengths.size() + row.steps.size(), 1.0);
  if (const auto* tapes = std::get_if<SewnTapes>(&book.sewn))
    for (const TapeStep& step : tapes->steps) lengths.push_back(step.length);
  return lengths;
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

double drawnPart(const SewnBook& book, std::size_t steps) {
  double drawn = 0.0, all = 0.0;
  const std::vector<double> lengths = stepLengths(book);
  for (std::size_t i = 0; i < lengths.size(); ++i) {
    all += lengths[i];
    if (i < steps) drawn += lengths[i];
  }
  return all > 0.0 ? drawn / all : 0.0;
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
  if (said.pattern.empty()) said.pattern = patternFor(plan);
  SewingJob sewing = sewingOf(said, job);
  const LoadedRules loaded = rulesToSewBy(sewing, patterns);
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
  return book;
}

}  // namespace drapery
