#include "core/cutting/cut_order.h"

#include <algorithm>
#include <map>

namespace drapery {

namespace {

struct Rectangle {
  Micrometres x = 0, y = 0, across = 0, along = 0;
};

struct Pending {
  OrderedCut cut;
  std::vector<Micrometres> readings;  // either serves
  std::vector<std::size_t> frees;     // what can be cut after it
};

class Order {
 public:
  Order(const CutProblem& problem, const CutLayout& layout, const std::string& material) {
    for (std::size_t s = 0; s < layout.sheets.size(); ++s) {
      const CutSheet& sheet = layout.sheets[s];
      const CutStock& stock = problem.stocks[sheet.stock];
      if (stock.material == material) addSheet(stock, sheet, s);
    }
  }

  std::vector<GaugeStep> steps() {
    for (const Pending& each : all_)
      for (const Micrometres reading : each.readings) remaining_[reading] += each.cut.times;
    std::vector<GaugeStep> steps;
    while (!ready_.empty()) {
      std::map<Micrometres, int> serves;
      for (const std::size_t each : ready_)
        for (const Micrometres reading : all_[each].readings)
          serves[reading] += chain(each, reading);
      // A setting that need not come again goes first; of those the one that serves the most.
      const auto worth = [&](const auto& of) {
        return std::pair(of.second == remaining_.at(of.first), of.second);
      };
      const auto best =
          std::max_element(serves.begin(), serves.end(),
                           [&](const auto& x, const auto& y) { return worth(x) < worth(y); });
      steps.push_back(made(best->first));
    }
    return steps;
  }

 private:
  /// How many cuts it is, with those that it frees for the same setting.
  [[nodiscard]] int chain(std::size_t which, Micrometres reading) const {
    const Pending& pending = all_[which];
    if (!served(pending, reading)) return 0;
    int count = pending.cut.times;
    for (const std::size_t next : pending.frees) count += chain(next, reading);
    return count;
  }
  static bool served(const Pending& pending, Micrometres reading) {
    return std::find(pending.readings.begin(), pending.readings.end(), reading) !=
           pending.readings.end();
  }

  /// All that can be cut so, and what that frees and can be cut so too.
  GaugeStep made(Micrometres reading) {
    GaugeStep step{reading, {}};
    for (std::size_t i = 0; i < ready_.size();) {
      const Pending& pending = all_[ready_[i]];
      if (!served(pending, reading)) {
        ++i;
        continue;
      }
      for (const Micrometres each : pending.readings) remaining_[each] -= pending.cut.times;
      step.cuts.push_back(pending.cut);
      ready_.erase(ready_.begin() + static_cast<std::ptrdiff_t>(i));
      ready_.insert(ready_.end(), pending.frees.begin(), pending.frees.end());
    }
    return step;
  }

  void addSheet(const CutStock& stock, const CutSheet& sheet, std::size_t which) {
    Micrometres across = stock.across, along = stock.along;
    std::optional<std::size_t> last;
    const auto edge = [&](bool isAcross, Micrometres away) {
      if (away <= 0) return;
      Micrometres& room = isAcross ? across : along;
      room -= away;
      all_.push_back({{which, -1, isAcross, isAcross ? along : across, sheet.repeat}, {room}, {}});
      if (last)
        all_[*last].frees.push_back(all_.size() - 1);
      else
        ready_.push_back(all_.size() - 1);
      last = all_.size() - 1;
    };
    if (stock.form == StockForm::Roll) {  // cut off first: nobody trims a whole roll
      Micrometres end = 0;
      for (const CutPlacement& placement : sheet.placements)
        end = std::max(end, placement.y + placement.along);
      edge(false, along - end);
    }
    edge(false, stock.bottom);
    if (stock.form == StockForm::Sheet) edge(false, stock.top);
    edge(true, stock.left);
    edge(true, stock.right);
    if (sheet.cuts.empty()) return;
    const auto root = add(sheet, which, 0, {stock.left, stock.bottom, across, along}, stock.kerf);
    if (!root) return;
    if (last)
      all_[*last].frees.push_back(*root);
    else
      ready_.push_back(*root);
  }

  /// A rectangle's cut and all inside it; none where it is not cut.
  std::optional<std::size_t> add(const CutSheet& sheet, std::size_t which, int at,
                                 const Rectangle& in, Micrometres kerf) {
    if (at < 0) return std::nullopt;
    const CutNode& node = sheet.cuts[static_cast<std::size_t>(at)];
    if (node.kind == CutNode::Kind::Piece || node.kind == CutNode::Kind::Left) return std::nullopt;
    const bool isAcross = node.kind == CutNode::Kind::CutAcross;
    Rectangle low = in, high = in;
    (isAcross ? low.across : low.along) = node.at - (isAcross ? in.x : in.y);
    (isAcross ? high.x : high.y) = node.at + kerf;
    (isAcross ? high.across : high.along) =
        (isAcross ? in.x + in.across : in.y + in.along) - node.at - kerf;
    Pending pending{{which, at, isAcross, isAcross ? in.along : in.across, sheet.repeat}, {}, {}};
    if (isKept(sheet, node.low)) pending.readings.push_back(isAcross ? low.across : low.along);
    const Micrometres other = isAcross ? high.across : high.along;
    if (isKept(sheet, node.high) && (pending.readings.empty() || other != pending.readings[0]))
      pending.readings.push_back(other);
    if (pending.readings.empty())  // nothing of it is kept
      pending.readings.push_back(isAcross ? low.across : low.along);
    all_.push_back(std::move(pending));
    const std::size_t here = all_.size() - 1;
    for (const auto& [child, part] : {std::pair{node.low, low}, std::pair{node.high, high}})
      if (const auto found = add(sheet, which, child, part, kerf))
        all_[here].frees.push_back(*found);
    return here;
  }
  static bool isKept(const CutSheet& sheet, int node) {
    return node >= 0 && sheet.cuts[static_cast<std::size_t>(node)].kind != CutNode::Kind::Left;
  }
  std::vector<Pending> all_;
  std::vector<std::size_t> ready_;
  std::map<Micrometres, int> remaining_;  // cuts still to be made, by a setting that serves
};

}  // namespace

std::vector<GaugeStep> cutOrder(const CutProblem& problem, const CutLayout& layout,
                                const std::string& material) {
  return Order(problem, layout, material).steps();
}

}  // namespace drapery
