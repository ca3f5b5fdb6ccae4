// A job's entries read against its method: numbers for the method's inputs, or what is wrong.
#pragma once

#include <string_view>
#include <vector>

#include "core/material/material_catalogue.h"
#include "core/plan/job.h"
#include "core/quantity/length.h"
#include "core/rules/evaluation.h"

namespace drapery {

struct JobInputs {
  SaidNumbers said;
  Issues issues;  // a wrong entry leaves NaN and an issue with its field
};

/// Reads every entry; unknown keys and materials, wrong kinds and values out of range are issues.
JobInputs readInputs(const Job& job, const RuleSet& rules, const MaterialCatalogue& catalogue);

/// One entry on its own, as when a tag is typed into. The field is "given/..." or "allowances/...".
std::variant<double, Issue> readEntry(const Entry& entry, const InputRule& rule,
                                      const MaterialCatalogue& catalogue);

/// Those whose figure can stand for the input: of one of its kinds, with what is asked of them
/// known and in range. In the catalogue's order.
std::vector<const Material*> materialsFor(const InputRule& rule,
                                          const MaterialCatalogue& catalogue);

/// A plain figure within the rule's range.
std::variant<double, Issue> readFigure(const Written& written, const InputRule& rule);

/// Whether more keys could make the text sound for which the issue was raised: "2" on the way to
/// "210", "8 1/" on the way to "8 1/4".
bool couldBecomeSound(const Issue& issue, std::string_view text);

/// Reads the rule in hand: 0.01 mm to 25.4 mm.
std::variant<Length, Issue> readResolution(const Job& job);

/// The table of a job in which such an entry stands: "given" or "allowances".
std::string tableOf(InputRole role);
/// "given/text_height"
std::string fieldOf(const InputRule& rule);

}  // namespace drapery
