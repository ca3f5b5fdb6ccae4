// What a thread does, step by step, and what is wrong with a learner's.
#pragma once

#include <string>
#include <vector>

#include "core/quantity/format_length.h"
#include "core/sewing/learner.h"
#include "core/sewing/sew_book.h"
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

/// What is done in one go: a sentence, and the step with which it begins.
struct SewMove {
  std::size_t step = 0;  // from 0
  std::string says;
};
std::vector<SewMove> sewMoves(const SewingJob& job, const SewnStab& sewn, const Notation& notation,
                              const Translate& translate = {});
std::vector<SewMove> sewMoves(const SewnLink& sewn, const Translate& translate = {});
std::vector<SewMove> sewMoves(const SewnTapes& sewn, const Translate& translate = {});
/// None where nothing is sewn.
std::vector<SewMove> sewMoves(const SewnBook& book, const Notation& notation,
                              const Translate& translate = {});

/// As it is cut, never short: up to whole 5 mm, or 1/4 in.
std::string threadWords(double mm, const Notation& notation);

std::string linkStepWords(const LinkStep& step, const LinkRow& row, bool isFirst,
                          const Translate& translate = {});
std::string tapeStepWords(const TapeStep& step, int tapes, bool isFirst,
                          const Translate& translate = {});

/// What was done, and what belongs there.
std::string slipSays(const Judged& judged, const SewToken& made, const Translate& translate = {});
std::string slipRemedy(const Judged& judged, const Translate& translate = {});

}  // namespace drapery
