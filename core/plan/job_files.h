// The files that a job names, each told from the job's own folder.
#pragma once

#include <filesystem>

#include "core/plan/job.h"

namespace drapery {

/// So that they are the same when the job lies in another folder. What is named from the root
/// stays.
/// @param before the folder that the job lay in; @param now the other; both absolute.
void tellFilesFrom(Job& job, const std::filesystem::path& before, const std::filesystem::path& now);

}  // namespace drapery
