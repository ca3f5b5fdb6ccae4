// Every problem in a folder laid out: cost, what nothing can cost less than, and how long it took.
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <vector>

#include "core/cutting/lay_out.h"
#include "core/file/read_file.h"
#include "store/cut_json.h"

namespace {

using namespace drapery;

int tell(const std::filesystem::path& path, double seconds) {
  const auto text = readWhole(path.string(), std::size_t{4} << 20);
  if (!std::holds_alternative<std::string>(text)) return 1;
  const auto read = readCutProblem(std::get<std::string>(text), path.string());
  if (!std::holds_alternative<CutProblem>(read)) return 1;
  LayOutLimits limits;
  limits.seconds = seconds;
  const auto began = std::chrono::steady_clock::now();
  const CutLayout layout = layOut(std::get<CutProblem>(read), limits);
  const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
  for (const MaterialCost& cost : layout.materials)
    std::printf("%s, %s: cost %g, bound %g, gap %.2f %%%s; %.3f s for the whole\n",
                path.stem().c_str(), cost.material.c_str(), cost.cost, cost.bound,
                cost.bound > 0 ? 100 * (cost.cost - cost.bound) / cost.bound : 0.0,
                cost.isProven ? ", proven" : "", took.count());
  return 0;
}

}  // namespace

/// A folder, and the seconds that each may take.
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
