// What a sewing comes to, as JSON: schema drapery-sewing/1.
#pragma once

#include <optional>
#include <string>

#include "core/sewing/learner.h"
#include "core/sewing/sew_sections.h"
#include "core/sewing/sew_stab.h"

namespace drapery {

/// A learner's steps, judged.
struct Tried {
  Judged judged;
  std::vector<SewToken> tokens;
};

std::string writeSewing(const SewingJob& job, const SewnStab& sewn,
                        const std::optional<Tried>& tried);
std::string writeSewing(const SewingJob& job, const SewnLink& sewn);
std::string writeSewing(const SewingJob& job, const SewnTapes& sewn);

}  // namespace drapery
