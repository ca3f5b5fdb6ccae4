#include "core/cutting/cut_rectangle.h"

#include <algorithm>

namespace drapery {

Micrometres lengthUsed(const CutStock& stock, const CutSheet& sheet) {
  if (stock.form == StockForm::Sheet) return stock.along;
  Micrometres end = 0;
  for (const CutPlacement& placement : sheet.placements)
    end = std::max(end, placement.y + placement.along);
  return end;
}

double oftenOf(const CutStock& stock, const CutSheet& sheet) {
  return stock.form == StockForm::Roll ? double(lengthUsed(stock, sheet)) / 1e6 : sheet.repeat;
}

CutRectangle wholeOf(const CutStock& stock, const CutSheet& sheet) {
  const Micrometres top = stock.form == StockForm::Sheet ? stock.top : 0;
  return {stock.left, stock.bottom, stock.across - stock.left - stock.right,
          lengthUsed(stock, sheet) - stock.bottom - top};
}

bool isCut(const CutNode& node) {
  return node.kind == CutNode::Kind::CutAcross || node.kind == CutNode::Kind::CutAlong;
}

std::pair<CutRectangle, CutRectangle> halvesOf(const CutNode& node, const CutRectangle& in,
                                               Micrometres kerf) {
  CutRectangle low = in, high = in;
  if (node.kind == CutNode::Kind::CutAcross) {
    low.across = node.at - in.x;
    high.x = node.at + kerf;
    high.across = in.x + in.across - high.x;
  } else {
    low.along = node.at - in.y;
    high.y = node.at + kerf;
    high.along = in.y + in.along - high.y;
  }
  return {low, high};
}

}  // namespace drapery
