#include "core/cutting/lay_out.h"

#include <algorithm>
#include <chrono>
#include <iterator>
#include <memory>

#include "core/cutting/cost_bound.h"
#include "core/cutting/most_value.h"
#include "core/cutting/packer.h"

namespace drapery {

namespace {

using Clock = std::chrono::steady_clock;
constexpr double kSame = 1e-9;
constexpr std::uint64_t kLook = 8;  // tries between looks at the clock

class Watch {
 public:
  Watch(const LayOutLimits& limits, double seconds)
      : limits_(limits),
        end_(Clock::now() +
             std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(seconds))) {}
  [[nodiscard]] bool isCancelled() const { return limits_.isCancelled && limits_.isCancelled(); }
  [[nodiscard]] double left() const {
    return std::max(0.0, std::chrono::duration<double>(end_ - Clock::now()).count());
  }
  [[nodiscard]] bool isOver() const {
    return isCancelled() || (!limits_.steps && Clock::now() >= end_);
  }

 private:
  const LayOutLimits& limits_;
  Clock::time_point end_;
};

/// One material on its way: found exactly, or being bettered.
struct Course {
  const MaterialJob* job = nullptr;
  std::optional<MaterialLayOut> exact = {};  // or the value, which is not bettered
  double bound = 0.0;
  std::unique_ptr<Packer> packer = {};

  [[nodiscard]] bool isOpen() const { return packer && packer->cost() > bound + kSame; }
  [[nodiscard]] MaterialLayOut result() const {
    if (exact) return *exact;
    MaterialLayOut found = packer->layOut();
    found.bound = bound;
    return found;
  }
};

Course begun(const MaterialJob& job, const LayOutLimits& limits, const Watch& watch) {
  Course course{&job};
  course.exact =
      job.problem->isForValue ? mostValue(job) : exactLayOut(job, [&] { return watch.isOver(); });
  if (course.exact) return course;
  course.bound = costBound(job);
  course.packer = std::make_unique<Packer>(job, limits.seed, [&] { return watch.isOver(); });
  return course;
}

void better(Course& course, const LayOutLimits& limits, const Watch& watch) {
  for (std::uint64_t i = 0; course.isOpen(); ++i) {
    if (limits.steps && i >= *limits.steps) break;
    if (i % kLook == 0 && watch.isOver()) break;
    course.packer->step();
  }
}

MaterialCost tell(const MaterialJob& job, const MaterialLayOut& found) {
  MaterialCost cost;
  cost.material = job.stock(0).material;
  cost.cost = found.cost;
  cost.isWhole = found.notPlaced.empty();
  const bool isForValue = job.problem->isForValue;
  cost.bound = isForValue ? found.bound : std::min(found.bound, found.cost);
  cost.isProven = cost.isWhole && (isForValue ? found.cost >= found.bound - kSame
                                              : found.cost <= found.bound + kSame);
  for (const CutSheet& sheet : found.sheets) {
    const CutStock& stock = job.problem->stocks[sheet.stock];
    if (stock.form == StockForm::Sheet) {
      cost.sheets += sheet.repeat;
      continue;
    }
    Micrometres end = 0;
    for (const CutPlacement& placement : sheet.placements)
      end = std::max(end, placement.y + placement.along);
    cost.length += end;
  }
  return cost;
}

}  // namespace

/// What is easy first: the time is for the rest.
CutLayout layOut(const CutProblem& problem, const LayOutLimits& limits) {
  CutLayout result;
  const std::vector<MaterialJob> jobs = materialJobs(problem, result.unplaced);
  const Watch whole(limits, limits.seconds);
  std::vector<Course> courses;
  for (const MaterialJob& job : jobs)
    if (!job.kinds.empty()) courses.push_back(begun(job, limits, whole));
  auto open = std::count_if(courses.begin(), courses.end(),
                            [](const Course& course) { return course.isOpen(); });
  for (Course& course : courses) {
    if (!course.isOpen()) continue;
    better(course, limits, Watch(limits, whole.left() / static_cast<double>(open--)));
  }
  for (const Course& course : courses) {
    MaterialLayOut found = course.result();
    result.materials.push_back(tell(*course.job, found));
    for (std::size_t kind = 0; kind < found.notPlaced.size(); ++kind)
      if (found.notPlaced[kind] > 0)
        result.unplaced.push_back({course.job->kinds[kind], found.notPlaced[kind]});
    std::move(found.sheets.begin(), found.sheets.end(), std::back_inserter(result.sheets));
  }
  return result;
}

}  // namespace drapery
