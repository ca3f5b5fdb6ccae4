#include "words/compare_text.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/diag/utf8.h"
#include "words/compare_rows.h"
#include "words/finding_words.h"
#include "words/issue_words.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

constexpr std::size_t kTitleColumn = 34, kValueColumn = 17;

Notation notationOf(const Plan& plan) { return {plan.units, plan.resolution, '.', {}}; }

/// A, B ... Z, then A1, B1 ...: what stands for the method over its column.
std::string letterOf(std::size_t i) {
  constexpr std::size_t kLetters = 26;
  return std::string(1, static_cast<char>('A' + i % kLetters)) +
         (i < kLetters ? "" : std::to_string(i / kLetters));
}

std::string told(const ComparedMethod& method, const std::string& letter) {
  const Notation notation = notationOf(method.plan);
  std::string out = fmt::format("\n{}  {}{}\n", letter, shownText(method.rules->title.text),
                                method.isHouse ? " (house)" : "");
  for (const Issue& issue : method.issues)
    out += "   not for this book: " + shownText(issueWords(issue, notation)) + "\n";
  if (!method.issues.empty()) return out;
  for (const PlannedFinding& finding : method.plan.findings)
    if (finding.rule->severity != Severity::Note)
      out += fmt::format("   {}: {}\n", severityName(finding.rule->severity),
                         shownText(findingSays(finding, notation)));
  return out;
}

/// A dash takes three bytes and one column.
std::string padded(const std::string& text, std::size_t width) {
  const std::size_t columns = charactersOf(text);
  return text + std::string(columns < width ? width - columns : 1, ' ');
}

}  // namespace

std::string compareText(const Job& job, const Comparison& comparison) {
  std::string out = (job.title.empty() ? std::string("(no title)") : shownText(job.title)) + "\n";
  for (std::size_t i = 0; i < comparison.methods.size(); ++i)
    out += told(comparison.methods[i], letterOf(i));
  const std::vector<ComparedRow> rows = comparedRows(comparison, notationOf);
  if (rows.empty()) return out;
  out += "\n" + padded("What differs", kTitleColumn);
  for (std::size_t i = 0; i < comparison.methods.size(); ++i)
    out += padded(letterOf(i), kValueColumn);
  out += "\n";
  for (const ComparedRow& row : rows) {
    out += padded(shownText(row.title.text), kTitleColumn);
    for (const std::string& each : row.cells) out += padded(each, kValueColumn);
    out += "\n";
  }
  return out;
}

}  // namespace drapery
