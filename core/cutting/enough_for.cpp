#include "core/cutting/enough_for.h"

#include <algorithm>
#include <numeric>
#include <set>

#include "core/cutting/lay_out.h"

namespace drapery {

namespace {

constexpr int kMostTimes = 500;
constexpr int kMostPieces = 10'000;

class Asking {
 public:
  Asking(const CutProblem& problem, const std::string& material,
         const std::function<bool()>& isCancelled)
      : once_(problem), isCancelled_(isCancelled) {
    once_.pins.clear();
    std::erase_if(once_.pieces, [&](const CutPiece& each) { return each.material != material; });
    const int pieces =
        std::accumulate(once_.pieces.begin(), once_.pieces.end(), 0,
                        [](int sum, const CutPiece& each) { return sum + each.count; });
    most_ = std::clamp(kMostPieces / std::max(1, pieces), 1, kMostTimes);
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
  int most_ = 1;
};

}  // namespace

std::vector<EnoughFor> enoughFor(const CutProblem& problem,
                                 const std::function<bool()>& isCancelled) {
  const auto isOver = [&] { return isCancelled && isCancelled(); };
  std::set<std::string> materials;
  for (const CutPiece& each : problem.pieces)
    if (each.count > 0) materials.insert(each.material);
  std::vector<EnoughFor> found;
  for (const std::string& material : materials) {
    found.push_back(Asking(problem, material, isCancelled).find(material));
    if (isOver()) return {};
  }
  std::stable_sort(found.begin(), found.end(), [](const EnoughFor& a, const EnoughFor& b) {
    return std::pair(a.isMore, a.times) < std::pair(b.isMore, b.times);
  });
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
  return Asking(one, one.stocks[0].material, {}).find({}).times;
}

}  // namespace drapery
