// A sewing as text: what is done in order, the thread, the holes, what to beware of.
#pragma once

#include <string>
#include <vector>

#include "core/quantity/format_length.h"
#include "core/sewing/sew_book.h"
#include "words/translate.h"

namespace drapery {

std::string sewingText(const SewingJob& job, const SewnStab& sewn);
std::string sewingText(const SewingJob& job, const SewnLink& sewn);
std::string sewingText(const SewingJob& job, const SewnTapes& sewn);

/// What must be measured before: "Still to be measured, to sew it: Sections, One leaf."
std::string sewingWaits(const SewnBook& book, const Notation& notation,
                        const Translate& translate = {});

/// What a slip says of it: holes or stations, the thread to cut, what to beware of, or why it
/// cannot be sewn so. Nothing for a book that is not sewn here.
std::vector<std::string> sewingLines(const SewnBook& book, const Notation& notation,
                                     const Translate& translate = {});

}  // namespace drapery
