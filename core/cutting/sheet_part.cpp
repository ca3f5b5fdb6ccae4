#include "core/cutting/sheet_part.h"

namespace drapery {

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
