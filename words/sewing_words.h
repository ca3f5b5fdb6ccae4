// What a thread does, step by step, and what is wrong with a learner's.
#pragma once

#include <string>
#include <vector>

#include "core/quantity/format_length.h"
#include "core/sewing/learner.h"
#include "core/sewing/link_path.h"
#include "core/sewing/sewing_job.h"
#include "core/sewing/tape_path.h"
#include "core/sewing/trail.h"
#include "words/translate.h"

namespace drapery {

/// What the words need to know beside the steps.
struct SewingNotes {
  Finish finish = Finish::Buried;
  double startTail = 0.0;  // mm
};

/// One sentence for each step. A stretch tells the pass after it too, and so does a wrap.
std::vector<std::string> stepWords(const std::vector<SewStep>& steps, const SewingNotes& notes,
                                   const Notation& notation, const Translate& translate = {});
/// Whether the sentence before told it already.
bool isToldBefore(const std::vector<SewStep>& steps, std::size_t step);

std::string linkStepWords(const LinkStep& step, const LinkRow& row, bool isFirst,
                          const Translate& translate = {});
std::string tapeStepWords(const TapeStep& step, int tapes, bool isFirst,
                          const Translate& translate = {});

/// What was done, and what belongs there.
std::string slipSays(const Judged& judged, const SewToken& made, const Translate& translate = {});
std::string slipRemedy(const Judged& judged, const Translate& translate = {});

}  // namespace drapery
