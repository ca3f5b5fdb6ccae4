#include "core/cutting/enough_for.h"

#include <algorithm>
#include <map>

#include "core/cutting/lay_out.h"

namespace drapery {

namespace {

constexpr int kMostTimes = 500;
constexpr int kMostPieces = 10'000;

class Asking {
 public:
  Asking(const CutProblem& problem, const std::string& material, int most,
         const std::function<bool()>& isCancelled)
      : once_(problem), isCancelled_(isCancelled), most_(most) {
    once_.pins.clear();
    std::erase_if(once_.pieces, [&](const CutPiece& each) { return each.material != material; });
  }

  [[nodiscard]] EnoughFor find(const std::string& material) const {
    if (!areEnough(1)) return {material, 0, false};
    int enough = 1, step = 1;
    while (enough + step <= most_ && areEnough(enough + step)) {
      enough += step;
      step *= 2;
    }
    while ((step /= 2) > 0)
      if (enough + step <= most_ && areEnough(enough + step)) enough += step;
    return {material, enough, enough == most_};
  }

 private:
  [[nodiscard]] bool areEnough(int times) const {
    CutProblem problem = once_;
    for (CutPiece& each : problem.pieces) each.count *= times;
    LayOutLimits first;
    first.seconds = 0.0;
    first.isCancelled = isCancelled_;
    return layOut(problem, first).unplaced.empty();
  }

  CutProblem once_;
  const std::function<bool()> isCancelled_;
  const int most_;
};

}  // namespace

std::vector<EnoughFor> enoughFor(const CutProblem& problem,
                                 const std::function<bool()>& isCancelled) {
  const auto isOver = [&] { return isCancelled && isCancelled(); };
  std::map<std::string, int> pieces;  // by material
  for (const CutPiece& each : problem.pieces)
    if (each.count > 0) pieces[each.material] += each.count;
  // The same for all: what runs out first is told beside what others are known to be enough for.
  int most = kMostTimes;
  for (const auto& [material, count] : pieces) most = std::clamp(kMostPieces / count, 1, most);
  std::vector<EnoughFor> found;
  for (const auto& [material, count] : pieces) {
    found.push_back(Asking(problem, material, most, isCancelled).find(material));
    if (isOver()) return {};
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const EnoughFor& a, const EnoughFor& b) { return a.times < b.times; });
  return found;
}

int yieldOf(const CutProblem& problem, std::size_t piece, std::size_t stock) {
  const auto ways = lyingSizes(problem.stocks[stock], problem.pieces[piece]);
  const UsableSize room = usableOf(problem.stocks[stock]);
  if (ways.empty()) return 0;
  if (ways.size() == 1)  // row after row
    return static_cast<int>((room.across / ways[0].across) * (room.along / ways[0].along));
  CutProblem one;
  one.stocks = {problem.stocks[stock]};
  one.stocks[0].count = 1;
  one.pieces = {problem.pieces[piece]};
  one.pieces[0].count = 1;
  one.pieces[0].material = one.stocks[0].material;
  return Asking(one, one.stocks[0].material, kMostTimes, {}).find({}).times;
}

}  // namespace drapery
