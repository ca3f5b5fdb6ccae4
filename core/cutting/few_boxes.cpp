#include "core/cutting/few_boxes.h"

#include <algorithm>

namespace drapery {

namespace {

bool areAlike(const LaidBox& a, const LaidBox& b) {
  if (a.of.empty() != b.of.empty()) return false;
  if (a.of.empty()) return a.kind == b.kind;
  return a.across == b.across && a.along == b.along && a.area == b.area;
}

}  // namespace

FewBoxes::FewBoxes(const MaterialJob& job, const std::vector<std::size_t>& stocks,
                   const std::vector<LaidBoxPtr>& boxes)
    : whole_(job), few_{job.problem, {}, {}, {}, {}, {}, {}} {
  for (const LaidBoxPtr& box : boxes) {
    area_ += double(box->across) * double(box->along);
    auto found = std::find_if(alike_.begin(), alike_.end(), [&](const auto& alike) {
      const LaidBox& other = *alike.front();
      return areAlike(other, *box) &&
             std::all_of(stocks.begin(), stocks.end(), [&](std::size_t stock) {
               return mayLie(other, stock) == mayLie(*box, stock);
             });
    });
    if (found == alike_.end()) found = alike_.emplace(alike_.end());
    found->push_back(box);
  }
  for (const auto& alike : alike_) few_.counts.push_back(static_cast<int>(alike.size()));
  for (const std::size_t stock : stocks) {
    few_.stocks.push_back(job.stocks[stock]);
    auto& sizes = few_.sizes.emplace_back();
    for (const auto& alike : alike_) sizes.push_back(waysOf(*alike.front(), stock));
  }
}

std::vector<LyingSize> FewBoxes::waysOf(const LaidBox& box, std::size_t stock) const {
  if (box.of.empty()) return whole_.sizes[stock][box.kind];
  if (mayLie(box, stock)) return {{box.across, box.along, false}};
  return {};
}

bool FewBoxes::mayLie(const LaidBox& box, std::size_t stock) const {
  if (!box.of.empty())
    return std::all_of(box.of.begin(), box.of.end(),
                       [&](const LaidBoxPtr& each) { return mayLie(*each, stock); });
  const auto& ways = whole_.sizes[stock][box.kind];
  return std::any_of(ways.begin(), ways.end(), [&](const LyingSize& size) {
    return size.across == box.across && size.along == box.along && size.isTurned == box.isTurned;
  });
}

LaidBoxPtr FewBoxes::take(const BoxFronts& fronts, std::size_t set, std::size_t which) {
  const CutBox& laid = fronts.of(set)[which];
  if (laid.low != 0)
    return joinedBox(laid.isBeside,
                     {take(fronts, laid.low, laid.lowBox), take(fronts, laid.high, laid.highBox)});
  LaidBoxPtr box = alike_[laid.kind].back();
  alike_[laid.kind].pop_back();
  if (!box->of.empty()) return box;
  return pieceAlone(box->kind, {laid.across, laid.along, laid.isTurned});
}

std::vector<LaidBoxPtr> FewBoxes::rest() const {
  std::vector<LaidBoxPtr> rest;
  for (const auto& alike : alike_) rest.insert(rest.end(), alike.begin(), alike.end());
  return rest;
}

}  // namespace drapery
