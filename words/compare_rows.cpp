#include "words/compare_rows.h"

#include <algorithm>

#include "words/amount_words.h"
#include "words/plan_text.h"

namespace drapery {

namespace {

using NotationOf = std::function<Notation(const Plan&)>;
constexpr const char* kNothing = "–";

std::string figure(const ComparedMethod& method, const std::string& name,
                   const NotationOf& notation) {
  const auto node = method.issues.empty() ? method.rules->find(name) : std::nullopt;
  if (!node || !method.plan.number(name)) return kNothing;
  return amountWords({method.plan.values[*node], method.rules->nodes[*node].unit},
                     notation(method.plan));
}

/// The piece as this method cuts it: "140 × 216.5 mm".
std::string size(const ComparedMethod& method, std::string_view part, const NotationOf& notation) {
  const PlannedPart* piece = method.issues.empty() ? method.plan.part(part) : nullptr;
  return piece == nullptr ? kNothing
                          : sizeWords(piece->cutWidth, piece->cutHeight, notation(method.plan));
}

template <class Cell>
ComparedRow rowOf(const Comparison& comparison, LocalText title, const Cell& cell) {
  ComparedRow row{std::move(title), {}};
  for (const ComparedMethod& method : comparison.methods) row.cells.push_back(cell(method));
  return row;
}

bool isSameThroughout(const ComparedRow& row) {
  return std::all_of(row.cells.begin(), row.cells.end(),
                     [&](const std::string& cell) { return cell == row.cells.front(); });
}

LocalText titleOf(const Comparison& comparison, const std::string& name) {
  for (const ComparedMethod& method : comparison.methods)
    if (const auto node = method.rules->find(name)) return method.rules->titleOf(*node);
  return {name, {}};
}

/// Ids and titles of all pieces that some method cuts, in its order.
std::vector<std::pair<std::string, LocalText>> piecesOf(const Comparison& comparison) {
  std::vector<std::pair<std::string, LocalText>> pieces;
  for (const ComparedMethod& method : comparison.methods)
    for (const PlannedPart& part : method.plan.parts) {
      const bool isKnown = std::any_of(pieces.begin(), pieces.end(), [&](const auto& piece) {
        return piece.first == part.rule->id;
      });
      if (!isKnown) pieces.emplace_back(part.rule->id, part.rule->title);
    }
  return pieces;
}

}  // namespace

std::vector<ComparedRow> comparedRows(const Comparison& comparison, const NotationOf& notation) {
  std::vector<ComparedRow> rows;
  for (const std::string& name : comparison.differing)
    rows.push_back(rowOf(comparison, titleOf(comparison, name), [&](const ComparedMethod& method) {
      return figure(method, name, notation);
    }));
  for (const auto& [id, title] : piecesOf(comparison)) {
    ComparedRow row = rowOf(comparison, title, [&, part = id](const ComparedMethod& method) {
      return size(method, part, notation);
    });
    if (!isSameThroughout(row)) rows.push_back(std::move(row));
  }
  return rows;
}

}  // namespace drapery
