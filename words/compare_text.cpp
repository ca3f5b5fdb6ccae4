#include "words/compare_text.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/diag/utf8.h"
#include "words/amount_words.h"
#include "words/finding_words.h"
#include "words/issue_words.h"
#include "words/plan_text.h"
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

std::string figure(const ComparedMethod& method, const std::string& name) {
  const auto node = method.issues.empty() ? method.rules->find(name) : std::nullopt;
  if (!node || !method.plan.number(name)) return "–";
  return amountWords({method.plan.values[*node], method.rules->nodes[*node].unit},
                     notationOf(method.plan));
}

/// The piece as this method cuts it: "140 × 216.5 mm".
std::string cell(const ComparedMethod& method, std::string_view part) {
  const PlannedPart* piece = method.issues.empty() ? method.plan.part(part) : nullptr;
  return piece == nullptr ? "–"
                          : sizeWords(piece->cutWidth, piece->cutHeight, notationOf(method.plan));
}

/// A dash takes three bytes and one column.
std::string padded(const std::string& text, std::size_t width) {
  const std::size_t columns = charactersOf(text);
  return text + std::string(columns < width ? width - columns : 1, ' ');
}

struct Row {
  std::string title;
  std::vector<std::string> cells;  // by method
};

template <class Cell>
Row rowOf(const Comparison& comparison, std::string title, const Cell& cell) {
  Row row{std::move(title), {}};
  for (const ComparedMethod& method : comparison.methods) row.cells.push_back(cell(method));
  return row;
}
bool isSameThroughout(const Row& row) {
  return std::all_of(row.cells.begin(), row.cells.end(),
                     [&](const std::string& cell) { return cell == row.cells.front(); });
}

std::string titleOf(const Comparison& comparison, const std::string& name) {
  for (const ComparedMethod& method : comparison.methods)
    if (const auto node = method.rules->find(name)) return method.rules->titleOf(*node).text;
  return name;
}

/// Ids and titles of all pieces that some method cuts, in its order.
std::vector<std::pair<std::string, std::string>> piecesOf(const Comparison& comparison) {
  std::vector<std::pair<std::string, std::string>> pieces;
  for (const ComparedMethod& method : comparison.methods)
    for (const PlannedPart& part : method.plan.parts) {
      const bool isKnown = std::any_of(pieces.begin(), pieces.end(), [&](const auto& piece) {
        return piece.first == part.rule->id;
      });
      if (!isKnown) pieces.emplace_back(part.rule->id, part.rule->title.text);
    }
  return pieces;
}

}  // namespace

std::string compareText(const Job& job, const Comparison& comparison) {
  std::string out = (job.title.empty() ? std::string("(no title)") : shownText(job.title)) + "\n";
  for (std::size_t i = 0; i < comparison.methods.size(); ++i)
    out += told(comparison.methods[i], letterOf(i));
  std::vector<Row> rows;
  for (const std::string& name : comparison.differing)
    rows.push_back(rowOf(comparison, titleOf(comparison, name),
                         [&](const ComparedMethod& method) { return figure(method, name); }));
  for (const auto& [id, title] : piecesOf(comparison)) {
    Row row = rowOf(comparison, title,
                    [&, part = id](const ComparedMethod& method) { return cell(method, part); });
    if (!isSameThroughout(row)) rows.push_back(std::move(row));
  }
  if (rows.empty()) return out;
  out += "\n" + padded("What differs", kTitleColumn);
  for (std::size_t i = 0; i < comparison.methods.size(); ++i)
    out += padded(letterOf(i), kValueColumn);
  out += "\n";
  for (const Row& row : rows) {
    out += padded(shownText(row.title), kTitleColumn);
    for (const std::string& each : row.cells) out += padded(each, kValueColumn);
    out += "\n";
  }
  return out;
}

}  // namespace drapery
