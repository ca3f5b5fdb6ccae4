// Every problem in a folder laid out: cost, what nothing can cost less than, the largest off-cut,
// how long the first lay-out and all of it took, how soon it ends when it is cancelled, how often
// the gauge is set and how long it took to find that.
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <limits>
#include <numeric>
#include <vector>

#include "core/cutting/cut_order.h"
#include "core/cutting/for_bench.h"
#include "core/cutting/lay_out.h"
#include "core/file/read_file.h"
#include "store/cut_json.h"

namespace {

using namespace drapery;

using Clock = std::chrono::steady_clock;

double since(Clock::time_point began) {
  return std::chrono::duration<double>(Clock::now() - began).count();
}

/// The largest rectangle that is left of one sheet of a material, mm; "-" for none.
std::string largestOffCut(const CutProblem& problem, const CutLayout& layout,
                          const std::string& material) {
  double most = 0.0;
  std::string size = "-";
  for (const CutSheet& sheet : layout.sheets) {
    const CutStock& stock = problem.stocks[sheet.stock];
    if (stock.material != material || stock.form == StockForm::Roll) continue;
    for (const CutPlacement& left : usableLeft(stock, sheet, {1, 1})) {
      const double area = double(left.across) * double(left.along);
      if (area <= most) continue;
      most = area;
      size = std::to_string(left.across / 1000) + " x " + std::to_string(left.along / 1000);
    }
  }
  return size;
}

/// How long it takes to end after nobody waits any more, at most, whatever it is at; each the
/// shorter of two, since the machine stands still now and then.
double cancelTime(const CutProblem& problem) {
  double longest = 0.0;
  for (const double waits : {0.02, 0.3, 1.1, 2.1, 2.7}) {
    double shorter = std::numeric_limits<double>::infinity();
    for (int i = 0; i < 2; ++i) {
      LayOutLimits limits;
      limits.seconds = 60;
      const auto began = Clock::now();
      limits.isCancelled = [&] { return since(began) > waits; };
      layOut(problem, limits);
      shorter = std::min(shorter, since(began) - waits);
    }
    longest = std::max(longest, shorter);
  }
  return longest;
}

int piecesOf(const CutProblem& problem) {
  return std::accumulate(
      problem.pieces.begin(), problem.pieces.end(), 0,
      [](int sum, const CutPiece& piece) { return sum + std::max(0, piece.count); });
}

int tell(const std::filesystem::path& path, double seconds) {
  const auto text = readWhole(path.string(), std::size_t{4} << 20);
  if (!std::holds_alternative<std::string>(text)) return 1;
  const auto read = readCutProblem(std::get<std::string>(text), path.string());
  if (!std::holds_alternative<CutProblem>(read)) return 1;
  const auto& problem = std::get<CutProblem>(read);
  constexpr int kMany = 500;
  const int pieces = piecesOf(problem);
  LayOutLimits limits;
  limits.seconds = pieces < kMany ? seconds : 2 * seconds;
  const auto began = Clock::now();
  double first = -1.0;
  limits.onBetter = [&](const CutLayout&) {
    if (first < 0) first = since(began);
  };
  const CutLayout found = layOut(problem, limits);
  const double took = since(began);
  const auto ordered = Clock::now();
  const CutLayout layout = forBench(problem, found, {});
  std::size_t settings = 0;
  for (const MaterialCost& cost : layout.materials)
    settings += cutOrder(problem, layout, cost.material).size();
  const double order = since(ordered);
  for (const MaterialCost& cost : layout.materials)
    std::printf("%s, %s: cost %g, bound %g, gap %.2f %%%s, off-cut %s\n", path.stem().c_str(),
                cost.material.c_str(), cost.cost, cost.bound,
                cost.bound > 0 ? 100 * std::abs(cost.cost - cost.bound) / cost.bound : 0.0,
                cost.isProven ? ", proven" : "",
                largestOffCut(problem, layout, cost.material).c_str());
  std::printf(
      "%s: %d pieces, first %.1f ms, whole %.3f s, ended %.0f ms after it was cancelled; %zu "
      "settings in %.1f ms\n",
      path.stem().c_str(), pieces, first * 1000, took, cancelTime(problem) * 1000, settings,
      order * 1000);
  return 0;
}

}  // namespace

/// A folder, and the seconds that each may take; twice as long from 500 pieces on.
int main(int argc, char** argv) {
  const std::string folder =
      argc > 1 ? argv[1] : std::string(DRAPERY_SOURCE_DIR) + "/benchmarks/cutting";
  const double seconds = argc > 2 ? std::atof(argv[2]) : 5.0;
  std::vector<std::filesystem::path> problems;
  for (const auto& entry : std::filesystem::directory_iterator(folder))
    if (entry.path().extension() == ".json") problems.push_back(entry.path());
  std::sort(problems.begin(), problems.end());
  int failed = 0;
  for (const auto& path : problems) failed += tell(path, seconds);
  return failed == 0 ? 0 : 1;
}
