#include "core/cutting/sheet_part.h"

#include <algorithm>

namespace drapery {

namespace {

/// A part and all below it to `into` of the copy; `at` is where `instead` begins.
void copyPart(const std::vector<SheetPart>& from, std::size_t which, std::size_t at,
              const std::vector<SheetPart>& instead, std::vector<SheetPart>& copy,
              std::size_t into) {
  const bool isInstead = &from != &instead && which == at;
  const std::vector<SheetPart>& source = isInstead ? instead : from;
  SheetPart part = source[isInstead ? 0 : which];
  if (part.kind == SheetPart::Kind::Split) {
    const std::size_t low = part.low, high = part.high;
    part.low = copy.size();
    part.high = copy.size() + 1;
    copy.resize(copy.size() + 2);
    copyPart(source, low, at, instead, copy, part.low);
    copyPart(source, high, at, instead, copy, part.high);
  }
  copy[into] = part;
}

}  // namespace

void addPieces(const std::vector<SheetPart>& parts, std::size_t at,
               std::vector<std::size_t>& pieces) {
  const SheetPart& part = parts[at];
  if (part.kind == SheetPart::Kind::Piece) pieces.push_back(part.piece);
  if (part.kind != SheetPart::Kind::Split) return;
  addPieces(parts, part.low, pieces);
  addPieces(parts, part.high, pieces);
}

Micrometres endOf(const std::vector<SheetPart>& parts) {
  Micrometres end = 0;
  for (const SheetPart& part : parts)
    if (part.kind == SheetPart::Kind::Piece) end = std::max(end, part.y + part.along);
  return end;
}

std::vector<SheetPart> withInstead(const std::vector<SheetPart>& parts, std::size_t at,
                                   const std::vector<SheetPart>& instead) {
  std::vector<SheetPart> copy;
  copy.reserve(parts.size() + instead.size());
  copy.emplace_back();
  copyPart(parts, 0, at, instead, copy, 0);
  return copy;
}

void splitPart(std::vector<SheetPart>& parts, std::size_t at, bool isBeside, Micrometres low) {
  SheetPart first = parts[at], second = parts[at];
  (isBeside ? first.across : first.along) = low;
  (isBeside ? second.x : second.y) += low;
  (isBeside ? second.across : second.along) -= low;
  SheetPart& whole = parts[at];
  whole.kind = SheetPart::Kind::Split;
  whole.isBeside = isBeside;
  whole.low = parts.size();
  whole.high = parts.size() + 1;
  parts.push_back(first);
  parts.push_back(second);
}

}  // namespace drapery
