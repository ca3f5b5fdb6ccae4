// What could give way when the binder says a figure that Drapery has computed.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/plan/job_field.h"
#include "core/plan/planner.h"

namespace drapery {

/// An input that moves the value, and what it would have to become.
struct GivingWay {
  std::size_t input = 0;         // node
  std::string field;             // of the job: "allowances/setback"
  std::optional<Entry> becomes;  // what that field would say; none where nothing it may be does it
  double figure = 0.0;           // the same, or the nearest that it may be; in the input's own unit
  std::optional<double> reaches;  // and what the value would come to with that nearest
};

/// Decisions and planned measures; while nothing was read on the block, supposed measures too. A
/// measured figure never gives way. Those that can do it first, in the order of the rules. Empty
/// for a value that goes in steps or tells of the trial, and for one that nothing of these moves.
std::vector<GivingWay> whatCouldGiveWay(const Job& job, const Planner& planner,
                                        std::string_view value, double figure);

/// What is said of an input that is decided and not measured: of a measure, a reading by the way
/// that is a plan. In the input's own unit.
Entry decidedEntry(const RuleSet& rules, const InputRule& rule, double figure);

/// Whether a value's own rule can be overruled at all: it is computed, and no piece's cut size nor
/// a figure of the trial, which the pieces decide.
bool canBeSaid(const RuleSet& rules, std::size_t node);

}  // namespace drapery
