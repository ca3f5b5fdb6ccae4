// Words about cutting: why a piece lies nowhere, a setting of the gauge, a sheet and its grain.
#pragma once

#include <string>

#include "core/cutting/cut_order.h"
#include "core/cutting/stock.h"
#include "core/plan/job_cutting.h"
#include "core/quantity/format_length.h"
#include "words/translate.h"

namespace drapery {

/// The context that their sentences are translated in.
inline constexpr const char* kCutContext = "Cut";

/// "216.5 mm"
std::string cutLengthWords(Micrometres length, const Notation& notation);
/// To a hundredth of a metre, never less than it takes.
double metresUp(Micrometres length);
/// Of a roll, as it is asked for: from a metre on in metres; in inches as any length, from a yard
/// on in eighths of a yard too, as cloth is cut in shops (common practice). Metres and yards are
/// never less than it takes.
std::string rollLengthWords(Micrometres length, const Notation& notation);
/// "700 × 1000 mm"
std::string cutSizeWords(Micrometres across, Micrometres along, const Notation& notation);
/// "1000 mm wide, 42 m long", in inches in yards; metres and yards are never more than there is.
std::string rollSizeWords(Micrometres across, Micrometres along, const Notation& notation,
                          const Translate& translate = {});
/// Either; of a stock that is kept in the other unit in its own too, along which of a sheet's sides
/// its grain runs, what it weighs.
std::string stockSizeWords(const StockItem& item, const Notation& notation,
                           const Translate& translate = {});
/// "grain long" where it runs along the longer side, else "grain short"; empty for rolls and
/// squares.
std::string grainSideWords(const CutStock& stock, const Translate& translate = {});
/// "120 g/m²"
std::string grammageWords(double grammage, const Notation& notation);

/// "needs 12 mm more across the grain than grey board has"
std::string whyUnplaced(const CutProblem& problem, std::size_t piece, const Notation& notation,
                        const Translate& translate = {});

/// Where the pattern's top is, and the pieces' heads with it; empty where it has none.
std::string patternWords(const CutStock& stock, const Translate& translate = {});

/// "set to 216.5 mm, 3 cuts"; with what a shear or a mat that takes cuts so long does not take.
/// @param longest 0: any
std::string settingWords(const GaugeStep& step, const Notation& notation, Micrometres longest,
                         const Translate& translate = {});

/// What no gauge is set for: "24 rectangles for 48 × Corner are cut in two, from corner to corner."
/// @param pieces that come of them
std::string inTwoWords(int rectangles, const std::string& pieces, const Translate& translate = {});

/// How the settings of several sheets of one material are numbered.
std::string numberingWords(const Translate& translate = {});

/// "Board was cut 140 × 216.5 mm and is reckoned 138 × 216.5 mm now: trim it, if it is still
/// loose."
/// @param isTooSmall else it can be trimmed
std::string cutOtherwiseWords(const CutSize& was, const CutSize& is, bool isTooSmall,
                              const std::string& title, const Notation& notation,
                              const Translate& translate = {});

/// How the grain of a sheet was found, or how it can be.
std::string grainTestWords(const StockItem& item, const Translate& translate = {});

}  // namespace drapery
