#include "core/rules/dependency_order.h"

#include <algorithm>

namespace drapery {

namespace {

enum class Mark { Unseen, Open, Done };

struct Step {
  std::size_t node;
  std::size_t next;
};

/// Depth-first without recursion, so that a file of ten thousand chained formulas is only long.
class Walk {
 public:
  explicit Walk(const std::vector<std::vector<std::size_t>>& uses)
      : uses_(uses), marks_(uses.size(), Mark::Unseen) {}

  OrderOrCircle run() {
    for (std::size_t node = 0; node < uses_.size() && result_.circle.empty(); ++node)
      if (marks_[node] == Mark::Unseen) visit(node);
    if (!result_.circle.empty()) result_.order.clear();
    return std::move(result_);
  }

 private:
  void visit(std::size_t root) {
    open(root);
    while (!path_.empty() && result_.circle.empty()) {
      Step& step = path_.back();
      if (step.next == uses_[step.node].size()) {
        marks_[step.node] = Mark::Done;
        result_.order.push_back(step.node);
        path_.pop_back();
        continue;
      }
      const std::size_t used = uses_[step.node][step.next++];
      if (marks_[used] == Mark::Unseen)
        open(used);
      else if (marks_[used] == Mark::Open)
        closeCircle(used);
    }
  }
  void open(std::size_t node) {
    marks_[node] = Mark::Open;
    path_.push_back({node, 0});
  }
  void closeCircle(std::size_t node) {
    const auto first = std::find_if(path_.begin(), path_.end(),
                                    [&](const Step& step) { return step.node == node; });
    for (auto step = first; step != path_.end(); ++step) result_.circle.push_back(step->node);
    result_.circle.push_back(node);
  }

  const std::vector<std::vector<std::size_t>>& uses_;
  std::vector<Mark> marks_;
  std::vector<Step> path_;
  OrderOrCircle result_;
};

}  // namespace

OrderOrCircle orderByDependence(const std::vector<std::vector<std::size_t>>& uses) {
  return Walk(uses).run();
}

}  // namespace drapery
