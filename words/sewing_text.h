// A sewing as text: what is done in order, the thread, the holes, what to beware of.
#pragma once

#include <string>

#include "core/sewing/sew_sections.h"
#include "core/sewing/sew_stab.h"

namespace drapery {

std::string sewingText(const SewingJob& job, const SewnStab& sewn);
std::string sewingText(const SewingJob& job, const SewnLink& sewn);
std::string sewingText(const SewingJob& job, const SewnTapes& sewn);

}  // namespace drapery
