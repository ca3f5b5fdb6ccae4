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

/// What is done in one go: the steps, from 0, with which each begins. Of linked sections they are
/// counted over all rows. None where nothing is sewn.
std::vector<std::size_t> sewMoves(const SewnStab& sewn);
std::vector<std::size_t> sewMoves(const SewnBook& book);
/// The sentence of one of them; one alone, since a sewing may have over a thousand.
std::string moveWords(const SewingJob& job, const SewnStab& sewn, std::size_t step,
                      const Notation& notation, const Translate& translate = {});
std::string moveWords(const SewnBook& book, std::size_t step, const Notation& notation,
                      const Translate& translate = {});

/// "1, 6, 11": where the stack is tied before it is sewn, from the head.
std::string tiedHoles(const SewnStab& sewn);

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
